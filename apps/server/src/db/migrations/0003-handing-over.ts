export const name = '0003-handing-over';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Drafts, moves told apart, handing a session over, presenting for a while, bringing people in, what a link is for. */
export const up: string[] = [
  `ALTER TABLE series ADD COLUMN draft TINYINT(1) NOT NULL DEFAULT 0`,
  // was_…: where a session stood before it was moved. draft repeats the series', for the queries that doors ask all day.
  `ALTER TABLE occurrences ADD COLUMN draft TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN was_date CHAR(10) ${CODE} NULL, ADD COLUMN was_time CHAR(5) ${CODE} NULL, ADD COLUMN was_minutes SMALLINT UNSIGNED NULL,
    ADD KEY by_was_date (was_date, class_id)`,
  `ALTER TABLE links ADD COLUMN kind ENUM('lesson','one-to-one','help','event','project') NOT NULL DEFAULT 'lesson'`,
  `ALTER TABLE visitors ADD COLUMN may_present TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN word VARCHAR(200) NULL`,
  `CREATE TABLE acting_hosts (
    sitting_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, given_by INT UNSIGNED NOT NULL, PRIMARY KEY (sitting_id, person_id),
    FOREIGN KEY (sitting_id) REFERENCES sittings(id), FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (given_by) REFERENCES people(id))`,
  // Invited to one session, by name or by an address that may have no account yet.
  `CREATE TABLE invited (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, occurrence_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NULL, email VARCHAR(254) NULL, given_by INT UNSIGNED NOT NULL,
    UNIQUE KEY one_person (occurrence_id, person_id), UNIQUE KEY one_address (occurrence_id, email),
    FOREIGN KEY (occurrence_id) REFERENCES occurrences(id), FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (given_by) REFERENCES people(id))`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role') NOT NULL`,
];
