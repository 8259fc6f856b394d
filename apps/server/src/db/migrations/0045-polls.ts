export const name = '0045-polls';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Times that are offered to guests to choose from. */
export const up: string[] = [
  `CREATE TABLE polls (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, class_id INT UNSIGNED NOT NULL, title VARCHAR(200) NOT NULL, minutes SMALLINT UNSIGNED NOT NULL,
    closes_at DATETIME NOT NULL, state ENUM('open','booked','nobody','stopped') NOT NULL, series_id INT UNSIGNED NULL, time_id INT UNSIGNED NULL,
    made_by INT UNSIGNED NOT NULL, made_at DATETIME NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 1, KEY by_class (class_id),
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE SET NULL,
    FOREIGN KEY (made_by) REFERENCES people(id))`,
  // Whom of the school it is for, beside whoever offers it.
  `CREATE TABLE poll_people (
    poll_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (poll_id, person_id),
    FOREIGN KEY (poll_id) REFERENCES polls(id) ON DELETE CASCADE, FOREIGN KEY (person_id) REFERENCES people(id))`,
  `CREATE TABLE poll_times (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, poll_id INT UNSIGNED NOT NULL, start_at DATETIME NOT NULL,
    UNIQUE KEY one_each (poll_id, start_at), FOREIGN KEY (poll_id) REFERENCES polls(id) ON DELETE CASCADE)`,
  `CREATE TABLE poll_guests (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, poll_id INT UNSIGNED NOT NULL, email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL,
    token_hash CHAR(43) ${CODE} NOT NULL, answered_at DATETIME NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    UNIQUE KEY one_each (poll_id, email), UNIQUE KEY by_token (token_hash), FOREIGN KEY (poll_id) REFERENCES polls(id) ON DELETE CASCADE)`,
  `CREATE TABLE poll_choices (
    guest_id INT UNSIGNED NOT NULL, time_id INT UNSIGNED NOT NULL, PRIMARY KEY (guest_id, time_id),
    FOREIGN KEY (guest_id) REFERENCES poll_guests(id) ON DELETE CASCADE, FOREIGN KEY (time_id) REFERENCES poll_times(id) ON DELETE CASCADE)`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week','drop-recording','slots','room-word','poll') NOT NULL`,
];
