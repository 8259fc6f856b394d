export const name = '0036-calendar-entries';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What guests have in their calendars by a letter of ours: how it stood when they were last told, and by which message. */
export const up: string[] = [
  `CREATE TABLE calendar_entries (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, link_id INT UNSIGNED NOT NULL, email VARCHAR(254) NOT NULL,
    series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL DEFAULT '', always TINYINT(1) NOT NULL DEFAULT 0,
    title VARCHAR(200) NOT NULL, sequence INT UNSIGNED NOT NULL DEFAULT 0, method ENUM('REQUEST','CANCEL') NOT NULL DEFAULT 'REQUEST',
    digest CHAR(43) ${CODE} NOT NULL DEFAULT '', answered_at DATETIME NULL,
    UNIQUE KEY one_each (link_id, email, series_id, key_date), KEY by_series (series_id), FOREIGN KEY (link_id) REFERENCES links(id))`,
];
