export const name = '0044-slot-breaks';

/** After every so many slots lies a break. */
export const up: string[] = [
  `ALTER TABLE slot_ways ADD COLUMN break_every SMALLINT UNSIGNED NOT NULL AFTER gap,
    ADD COLUMN break_minutes SMALLINT UNSIGNED NOT NULL AFTER break_every`,
];
