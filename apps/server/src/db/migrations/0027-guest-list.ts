export const name = '0027-guest-list';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/**
 * Guests by name and address, of a link, a series or one date, with what they said; and addresses at which a link can be
 * watched, never joined.
 */
export const up: string[] = [
  // series_id 0: always; key_date '': at all dates of the series, as in link_people.
  `CREATE TABLE guests (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, version INT UNSIGNED NOT NULL DEFAULT 1, link_id INT UNSIGNED NOT NULL,
    email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL DEFAULT '', comes ENUM('inside','speaker','watcher') NOT NULL DEFAULT 'inside',
    series_id INT UNSIGNED NOT NULL DEFAULT 0, key_date CHAR(10) ${CODE} NOT NULL DEFAULT '',
    said ENUM('yes','no') NULL,
    state ENUM('invited','withdrawn','ended') NOT NULL DEFAULT 'invited', left_at DATETIME NULL,
    UNIQUE KEY one_each (link_id, email, series_id, key_date), KEY by_email (email),
    FOREIGN KEY (link_id) REFERENCES links(id))`,
  `INSERT IGNORE INTO guests (link_id, email, comes) SELECT link_id, email, comes FROM link_audience WHERE email IS NOT NULL`,
  `DELETE FROM link_audience WHERE email IS NOT NULL`,
  `ALTER TABLE link_audience DROP KEY by_email, DROP COLUMN email, DROP COLUMN comes`,
  `CREATE TABLE watch_addresses (
    link_id INT UNSIGNED PRIMARY KEY, code VARCHAR(40) ${CODE} NOT NULL, made_by INT UNSIGNED NOT NULL,
    UNIQUE KEY by_code (code), FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
];
