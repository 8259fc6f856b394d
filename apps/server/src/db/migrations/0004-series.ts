export const name = '0004-series';

/** Series of many dates: single dates may bear words of their own, and each date's row says what it is called, so that doors need not ask its series. */
export const up: string[] = [
  `ALTER TABLE series ADD COLUMN words JSON NOT NULL DEFAULT '{}'`,
  `ALTER TABLE occurrences ADD COLUMN title VARCHAR(200) NOT NULL DEFAULT '', ADD COLUMN description TEXT NOT NULL DEFAULT (''), ADD KEY by_end (series_id, end_at)`,
  `UPDATE occurrences o JOIN series s ON s.id = o.series_id SET o.title = s.title, o.description = s.description`,
];
