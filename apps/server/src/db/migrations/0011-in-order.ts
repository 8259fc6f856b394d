export const name = '0011-in-order';

/** Class periods in the order of their lists by an index, so that a page of a thousand costs what a page of ten does. */
export const up: string[] = [
  // Those without a period come last.
  `ALTER TABLE class_periods ADD COLUMN listed VARCHAR(41) AS (CONCAT(IF(period IS NULL, '1', '0'), IFNULL(period, ''))) STORED,
    ADD KEY in_order (put_away_at, listed, title, id)`,
];
