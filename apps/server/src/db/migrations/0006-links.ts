export const name = '0006-links';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Many links of a class period, each with its audience, its codes, its room and its rules; groups; class periods that meet at one door. */
export const up: string[] = [
  `ALTER TABLE links ADD COLUMN purpose VARCHAR(80) NOT NULL DEFAULT '', ADD COLUMN place SMALLINT UNSIGNED NOT NULL DEFAULT 0, ADD COLUMN shown TINYINT(1) NOT NULL DEFAULT 1,
    ADD COLUMN rules JSON NOT NULL DEFAULT '{}', ADD COLUMN version INT UNSIGNED NOT NULL DEFAULT 1, ADD COLUMN room_address VARCHAR(500) NULL, ADD KEY by_class (class_id, place)`,
  `UPDATE links SET purpose = LEFT(label, 80)`,
  // Every code that a link ever had; the one it goes by (how is null) is in links too, for doors ask by it all day.
  `CREATE TABLE link_codes (
    code VARCHAR(40) ${CODE} PRIMARY KEY, link_id INT UNSIGNED NOT NULL, turn SMALLINT UNSIGNED NOT NULL DEFAULT 0,
    how ENUM('keep','forward','stop') NULL, until_at DATETIME NULL, why ENUM('leaked','tidy-up','new-year','other') NULL, replaced_at DATETIME NULL, replaced_by INT UNSIGNED NULL,
    UNIQUE KEY in_turn (link_id, turn), FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (replaced_by) REFERENCES people(id))`,
  `INSERT INTO link_codes (code, link_id) SELECT code, id FROM links`,
  `CREATE TABLE class_groups (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, class_id INT UNSIGNED NOT NULL, name VARCHAR(60) NOT NULL, place SMALLINT UNSIGNED NOT NULL, tutor_id INT UNSIGNED NULL,
    KEY by_class (class_id, place), FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (tutor_id) REFERENCES people(id))`,
  `CREATE TABLE group_members (
    group_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (group_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (group_id) REFERENCES class_groups(id) ON DELETE CASCADE, FOREIGN KEY (person_id) REFERENCES people(id))`,
  `ALTER TABLE class_periods ADD COLUMN groups_version INT UNSIGNED NOT NULL DEFAULT 1`,
  // Whom a link is for: in each row one of the four.
  `CREATE TABLE link_audience (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, link_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NULL, group_id INT UNSIGNED NULL, person_id INT UNSIGNED NULL, email VARCHAR(254) NULL,
    KEY by_link (link_id), FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (class_id) REFERENCES class_periods(id),
    FOREIGN KEY (group_id) REFERENCES class_groups(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  `INSERT INTO link_audience (link_id, class_id) SELECT id, class_id FROM links`,
  `CREATE TABLE link_hosts (
    link_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (link_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  // A class period that meets at another's door: always, for a series, or for one of its dates.
  `CREATE TABLE shares (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, link_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NOT NULL, series_id INT UNSIGNED NULL, key_date CHAR(10) ${CODE} NULL,
    own_door ENUM('leads','shut') NOT NULL, made_by INT UNSIGNED NOT NULL, KEY by_class (class_id),
    FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (series_id) REFERENCES series(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
  // What the shares come to, date by date, for the questions that doors and days ask.
  `CREATE TABLE joined (
    occurrence_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NOT NULL, own_door ENUM('leads','shut') NOT NULL, PRIMARY KEY (occurrence_id, class_id), KEY by_class (class_id),
    FOREIGN KEY (occurrence_id) REFERENCES occurrences(id) ON DELETE CASCADE, FOREIGN KEY (class_id) REFERENCES class_periods(id))`,
  // Rules of a series and of its single dates, by key; a date's row repeats those that count for it, where there are any.
  `ALTER TABLE series ADD COLUMN rules JSON NOT NULL DEFAULT '{}', ADD COLUMN date_rules JSON NOT NULL DEFAULT '{}'`,
  `ALTER TABLE occurrences ADD COLUMN layers JSON NULL`,
  `ALTER TABLE sittings ADD COLUMN room_address VARCHAR(500) NULL`,
  `ALTER TABLE school ADD COLUMN rules_version INT UNSIGNED NOT NULL DEFAULT 1`,
];
