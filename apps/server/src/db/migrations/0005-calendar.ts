export const name = '0005-calendar';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What teachers are told when the calendar changes, private addresses of calendar feeds, and sessions that have no date yet. */
export const up: string[] = [
  `ALTER TABLE school ADD COLUMN region VARCHAR(20) NULL`,
  `ALTER TABLE series ADD COLUMN undated TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN changed_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP`,
  `CREATE TABLE notices (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id INT UNSIGNED NOT NULL, title VARCHAR(200) NOT NULL, text VARCHAR(2000) NOT NULL, made_at DATETIME NOT NULL, seen TINYINT(1) NOT NULL DEFAULT 0,
    KEY by_person (person_id, seen), FOREIGN KEY (person_id) REFERENCES people(id))`,
  `CREATE TABLE feeds (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, token VARCHAR(40) ${CODE} NOT NULL UNIQUE, person_id INT UNSIGNED NULL UNIQUE, class_id INT UNSIGNED NULL UNIQUE, made_at DATETIME NOT NULL,
    FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (class_id) REFERENCES class_periods(id))`,
];
