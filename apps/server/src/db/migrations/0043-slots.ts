export const name = '0043-slots';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Sessions that are cut into slots, and who signs up for them. */
export const up: string[] = [
  `CREATE TABLE slot_ways (
    series_id INT UNSIGNED PRIMARY KEY, minutes SMALLINT UNSIGNED NOT NULL, gap SMALLINT UNSIGNED NOT NULL,
    most SMALLINT UNSIGNED NOT NULL, opens_days SMALLINT UNSIGNED NOT NULL, closes_minutes SMALLINT UNSIGNED NOT NULL,
    leaves ENUM('asked','by-itself') NOT NULL, missed_after SMALLINT UNSIGNED NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE)`,
  // A slot is a number in its session, so that it follows when the session is moved; without one somebody waits. Nobody has one twice:
  // whoever did not come has theirs no longer, but it is known which it was. known_begin is when they think it begins.
  `CREATE TABLE sign_ups (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL,
    nth SMALLINT UNSIGNED NULL, missed_nth SMALLINT UNSIGNED NULL, person_id INT UNSIGNED NOT NULL, group_id INT UNSIGNED NULL,
    about VARCHAR(300) NOT NULL DEFAULT '', address VARCHAR(1000) NULL, known_begin DATETIME NULL, warned TINYINT(1) NOT NULL DEFAULT 0,
    since DATETIME NOT NULL, made_by INT UNSIGNED NOT NULL, made_at DATETIME NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    UNIQUE KEY one_each (series_id, key_date, nth), KEY by_person (person_id, key_date),
    FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE, FOREIGN KEY (person_id) REFERENCES people(id),
    FOREIGN KEY (group_id) REFERENCES class_groups(id) ON DELETE SET NULL, FOREIGN KEY (made_by) REFERENCES people(id))`,
  // Their slot is over: whoever comes back knocks again.
  `ALTER TABLE visitors ADD COLUMN turn_over TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week','drop-recording','slots','room-word') NOT NULL`,
];
