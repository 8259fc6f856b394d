export const name = '0042-after-lessons';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What is there after a lesson: recordings, notes, addresses; each for some people, until a day. */
export const up: string[] = [
  // A recording is the video service's: only by what it calls it is it known here.
  `CREATE TABLE after_lessons (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL,
    kind ENUM('recording','note','address') NOT NULL, title VARCHAR(120) NOT NULL, words VARCHAR(2000) NOT NULL DEFAULT '',
    address VARCHAR(1000) NULL, recording VARCHAR(80) ${CODE} NULL UNIQUE, minutes SMALLINT UNSIGNED NULL,
    seen_by ENUM('hosts','came','everyone') NOT NULL, until_date CHAR(10) ${CODE} NOT NULL,
    made_by INT UNSIGNED NULL, made_at DATETIME NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    KEY by_date (series_id, key_date), KEY by_until (until_date),
    FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE, FOREIGN KEY (made_by) REFERENCES people(id))`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week','drop-recording') NOT NULL`,
];
