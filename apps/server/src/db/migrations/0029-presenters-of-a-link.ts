export const name = '0029-presenters-of-a-link';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Who presents at a link beside the class period's own presenters: always, at the dates of a series, or at one of them. */
export const up: string[] = [
  // series_id 0: always; key_date '': at all dates of the series, as in link_people.
  `CREATE TABLE link_presenters (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, link_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL,
    series_id INT UNSIGNED NOT NULL DEFAULT 0, key_date CHAR(10) ${CODE} NOT NULL DEFAULT '',
    UNIQUE KEY one_each (link_id, person_id, series_id, key_date), KEY by_series (series_id),
    FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
];
