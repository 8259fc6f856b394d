export const name = '0035-letters';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Letters to send: sealed until they are sent, and then only that they were; `once` names what one is about, so that nobody gets two. */
export const up: string[] = [
  `CREATE TABLE letters (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, kind VARCHAR(20) ${CODE} NOT NULL, once VARCHAR(120) ${CODE} NOT NULL UNIQUE,
    person_id INT UNSIGNED NULL, name VARCHAR(120) NOT NULL, email VARCHAR(254) NOT NULL, subject VARCHAR(300) NOT NULL,
    sealed MEDIUMTEXT NOT NULL, thread VARCHAR(120) ${CODE} NULL, until_at DATETIME NULL,
    state ENUM('waiting','sent','refused','dropped') NOT NULL DEFAULT 'waiting', why VARCHAR(500) NULL,
    made_at DATETIME NOT NULL, sent_at DATETIME NULL,
    KEY by_person (person_id, made_at), KEY by_address (email, state), KEY by_age (made_at),
    FOREIGN KEY (person_id) REFERENCES people(id))`,
  // Sessions before which people have been reminded: a date that is moved begins at another moment.
  `CREATE TABLE reminded (series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL, start_at DATETIME NOT NULL,
    PRIMARY KEY (series_id, key_date, start_at), KEY by_start (start_at))`,
  // Looked through again and again for what begins soon.
  'ALTER TABLE occurrences ADD KEY by_start (start_at)',
  // What those who come to a date were told of it last; of what was changed before this there is nothing to tell any more.
  `CREATE TABLE told_dates (series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL, standing VARCHAR(40) ${CODE} NOT NULL,
    PRIMARY KEY (series_id, key_date))`,
  `INSERT INTO told_dates (series_id, key_date, standing)
    SELECT series_id, key_date, IF(status = 'cancelled', 'cancelled', CONCAT('moved ', local_date, ' ', local_time, ' ', minutes)) FROM occurrences
    WHERE status = 'cancelled' OR (status = 'moved' AND was_date IS NOT NULL)`,
  // A word of which somebody has been written.
  'ALTER TABLE notices ADD COLUMN mailed TINYINT(1) NOT NULL DEFAULT 0',
  'UPDATE notices SET mailed = 1',
  // How the school has people hear of things, and how they wish to themselves: mail, glen or none.
  "ALTER TABLE school ADD COLUMN told JSON NOT NULL DEFAULT '{}'",
  "UPDATE people SET told = IF(JSON_VALUE(told, '$.changes') IN ('0', 'false'), '{\"changes\":\"none\"}', '{}')",
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather') NOT NULL`,
];
