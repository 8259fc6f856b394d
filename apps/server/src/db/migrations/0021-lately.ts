export const name = '0021-lately';

/** The last changes of each person, with the calls that take them back. */
export const up: string[] = [
  `CREATE TABLE lately (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id INT UNSIGNED NOT NULL, at DATETIME NOT NULL, what VARCHAR(300) NOT NULL,
    calls JSON NOT NULL, taken_back TINYINT(1) NOT NULL DEFAULT 0,
    KEY by_person (person_id, id), FOREIGN KEY (person_id) REFERENCES people(id))`,
];
