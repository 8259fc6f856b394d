export const name = '0034-on-behalf';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Whom a teacher lets act on their behalf, in what, until when; and who did what is told of on whose behalf. */
export const up: string[] = [
  `CREATE TABLE helpers (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, for_id INT UNSIGNED NOT NULL, helper_id INT UNSIGNED NOT NULL,
    schedules TINYINT(1) NOT NULL DEFAULT 0, posts TINYINT(1) NOT NULL DEFAULT 0, prepares TINYINT(1) NOT NULL DEFAULT 0,
    until_date CHAR(10) ${CODE} NOT NULL DEFAULT '', ended_at DATETIME NULL,
    KEY by_helper (helper_id, for_id),
    FOREIGN KEY (for_id) REFERENCES people(id), FOREIGN KEY (helper_id) REFERENCES people(id))`,
  'ALTER TABLE audit_log ADD COLUMN helper_id INT UNSIGNED NULL, ADD KEY by_helper (helper_id, id)',
];
