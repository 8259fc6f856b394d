export const name = '0009-people';

/** Several roles of one person, people who are retired or made one, guardians, rolls that remember, and occasions. */
export const up: string[] = [
  `CREATE TABLE person_roles (
    person_id INT UNSIGNED NOT NULL, role ENUM('head','office','teacher','student','guest') NOT NULL,
    PRIMARY KEY (person_id, role), KEY by_role (role, person_id),
    FOREIGN KEY (person_id) REFERENCES people(id) ON DELETE CASCADE)`,
  `INSERT INTO person_roles (person_id, role) SELECT id, role FROM people`,
  // Whoever teaches alone was called head for want of two roles.
  `INSERT INTO person_roles (person_id, role)
    SELECT r.person_id, 'teacher' FROM person_roles r JOIN school s ON s.alone = 1 WHERE r.role = 'head'`,
  `UPDATE person_roles r JOIN school s ON s.alone = 1 SET r.role = 'office' WHERE r.role = 'head'`,
  // What a retired person had is kept, to be given back with them.
  `ALTER TABLE people DROP COLUMN role,
    ADD COLUMN retired_at DATETIME NULL, ADD COLUMN retired_had JSON NULL, ADD COLUMN merged_into INT UNSIGNED NULL,
    ADD COLUMN theme ENUM('light','dark') NULL,
    ADD COLUMN told JSON NOT NULL DEFAULT '{}', ADD COLUMN family VARCHAR(120) AS (SUBSTRING_INDEX(name, ' ', -1)) STORED,
    ADD KEY by_name (retired_at, name, id), ADD KEY by_family (retired_at, family, id),
    ADD FOREIGN KEY (merged_into) REFERENCES people(id)`,
  // What people are found by: each word of their names and addresses, in lower case.
  `CREATE TABLE person_words (
    word VARCHAR(64) NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (word, person_id), KEY by_person (person_id),
    FOREIGN KEY (person_id) REFERENCES people(id) ON DELETE CASCADE)`,
  // Who stood on a roll and was taken off, with the groups and private links that ended with it.
  `CREATE TABLE roll_left (
    class_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, left_at DATETIME NOT NULL, taken_off_by INT UNSIGNED NULL,
    had JSON NOT NULL, PRIMARY KEY (class_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (person_id) REFERENCES people(id),
    FOREIGN KEY (taken_off_by) REFERENCES people(id))`,
  `CREATE TABLE guardians (
    student_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (student_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (student_id) REFERENCES people(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  // Who a host says a visitor is, for the register alone: it never opens a door.
  `ALTER TABLE visitors ADD COLUMN taken_for INT UNSIGNED NULL, ADD FOREIGN KEY (taken_for) REFERENCES people(id)`,
  `ALTER TABLE class_periods ADD COLUMN kind ENUM('class','occasion') NOT NULL DEFAULT 'class'`,
  `ALTER TABLE school ADD COLUMN resets_by ENUM('office','hosts') NOT NULL DEFAULT 'office'`,
  `ALTER TABLE audit_log ADD KEY by_person (person_id, id)`,
];
