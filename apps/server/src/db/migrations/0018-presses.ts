export const name = '0018-presses';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Writes that came with a key of their own, so that one sent twice is done once. What was answered is sealed under that key. */
export const up: string[] = [
  `CREATE TABLE presses (
    key_hash CHAR(43) ${CODE} PRIMARY KEY, digest CHAR(43) ${CODE} NOT NULL, state ENUM('going','done') NOT NULL,
    until_at DATETIME NOT NULL, made_at DATETIME NOT NULL, answer MEDIUMTEXT NULL, KEY by_made (made_at))`,
];
