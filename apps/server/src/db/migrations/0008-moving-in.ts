export const name = '0008-moving-in';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** A school that is made from nothing: moving in, passwords that their owners set, class periods that are put away. */
export const up: string[] = [
  `ALTER TABLE school ADD COLUMN date_order ENUM('dmy','mdy','ymd') NOT NULL DEFAULT 'dmy', ADD COLUMN hours ENUM('24','12') NOT NULL DEFAULT '24',
    ADD COLUMN help VARCHAR(300) NOT NULL DEFAULT '', ADD COLUMN alone TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN classes_by ENUM('teachers','office') NOT NULL DEFAULT 'teachers',
    ADD COLUMN about_version INT UNSIGNED NOT NULL DEFAULT 1`,
  `CREATE TABLE moving_in (
    id TINYINT UNSIGNED PRIMARY KEY, token_hash CHAR(64) ${CODE} NULL, draft JSON NOT NULL DEFAULT '{}', version INT UNSIGNED NOT NULL DEFAULT 1, moved_in_at DATETIME NULL)`,
  `ALTER TABLE accounts MODIFY password_hash VARCHAR(200) ${CODE} NULL`,
  `CREATE TABLE password_addresses (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, account_id INT UNSIGNED NOT NULL UNIQUE, token_hash CHAR(64) ${CODE} NOT NULL UNIQUE, expires_at DATETIME NOT NULL, made_by INT UNSIGNED NULL,
    FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE, FOREIGN KEY (made_by) REFERENCES people(id))`,
  `ALTER TABLE class_periods ADD COLUMN put_away_at DATETIME NULL, ADD COLUMN knock_until_roll TINYINT(1) NOT NULL DEFAULT 0,
    ADD COLUMN door_tried TINYINT(1) NOT NULL DEFAULT 0`,
  // Stopped together with its class period, to work again with it.
  `ALTER TABLE links ADD COLUMN put_away TINYINT(1) NOT NULL DEFAULT 0`,
];
