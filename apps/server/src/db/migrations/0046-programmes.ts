export const name = '0046-programmes';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What comes after what in one session. */
export const up: string[] = [
  // told_after is which of it was told last to those inside, by its minutes after the beginning.
  `CREATE TABLE programmes (
    series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL, items JSON NOT NULL, word VARCHAR(300) NOT NULL DEFAULT '', told_after SMALLINT UNSIGNED NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1, PRIMARY KEY (series_id, key_date), FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE)`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week','drop-recording','slots','room-word','poll','programme') NOT NULL`,
];
