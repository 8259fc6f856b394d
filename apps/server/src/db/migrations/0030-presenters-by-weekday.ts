export const name = '0030-presenters-by-weekday';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** A presenter may be named for a weekday and for a stretch of dates, and may take over where no host is in. */
export const up: string[] = [
  `ALTER TABLE link_presenters
    ADD COLUMN weekday CHAR(2) ${CODE} NOT NULL DEFAULT '',
    ADD COLUMN from_date CHAR(10) ${CODE} NOT NULL DEFAULT '',
    ADD COLUMN until_date CHAR(10) ${CODE} NOT NULL DEFAULT '',
    ADD COLUMN takes_over TINYINT(1) NOT NULL DEFAULT 0,
    ADD UNIQUE KEY one_of_each (link_id, person_id, series_id, key_date, weekday, from_date, until_date),
    DROP KEY one_each`,
  `ALTER TABLE link_people MODIFY COLUMN as_what
    ENUM('host','presenter','takes-over','tutor','member','joining-host','joining-presenter','joining-member') NOT NULL`,
];
