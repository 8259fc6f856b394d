export const name = '0039-mornings';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Days of which people have been told in the morning, sessions of which they were reminded long before, and what cannot wait. */
export const up: string[] = [
  `CREATE TABLE mornings (day CHAR(10) ${CODE} PRIMARY KEY)`,
  `ALTER TABLE reminded ADD COLUMN kind ENUM('hour','week') NOT NULL DEFAULT 'hour',
    DROP PRIMARY KEY, ADD PRIMARY KEY (series_id, key_date, start_at, kind)`,
  // The entry code of a link that those whom it is for have heard of, as a hash; empty: it asked for none.
  `CREATE TABLE told_codes (link_id INT UNSIGNED PRIMARY KEY, hash VARCHAR(43) ${CODE} NOT NULL, FOREIGN KEY (link_id) REFERENCES links(id) ON DELETE CASCADE)`,
  // What it tells of begins before the next night is over: letters about it wait for no morning.
  'ALTER TABLE notices ADD COLUMN urgent TINYINT(1) NOT NULL DEFAULT 0',
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning') NOT NULL`,
];
