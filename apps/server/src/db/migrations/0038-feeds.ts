export const name = '0038-feeds';

/** Calendars that are subscribed to remind as long before as is wished; what stands at a place knows since when it reads so. */
export const up: string[] = [
  'ALTER TABLE feeds ADD COLUMN alarm_minutes SMALLINT UNSIGNED NULL DEFAULT 10',
  'ALTER TABLE placements ADD COLUMN changed_at DATETIME NULL',
  'UPDATE placements SET changed_at = out_since',
];
