export const name = '0014-sign-in';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Sessions that end when nobody uses them, browsers that are known again, and tries that are slowed down. */
export const up: string[] = [
  `ALTER TABLE browser_sessions ADD COLUMN begun_at DATETIME NULL, ADD COLUMN seen_at DATETIME NULL, ADD COLUMN browser VARCHAR(120) NOT NULL DEFAULT ''`,
  'UPDATE browser_sessions SET begun_at = expires_at - INTERVAL 30 DAY, seen_at = UTC_TIMESTAMP() WHERE begun_at IS NULL',
  'ALTER TABLE browser_sessions MODIFY begun_at DATETIME NOT NULL, MODIFY seen_at DATETIME NOT NULL',
  // A session holds accounts of one person: whoever uses it now.
  `DELETE ba FROM browser_session_accounts ba JOIN browser_sessions bs ON bs.id = ba.session_id JOIN accounts mine ON mine.id = ba.account_id
    LEFT JOIN accounts used ON used.id = bs.account_id WHERE used.person_id IS NULL OR used.person_id <> mine.person_id`,
  `CREATE TABLE known_browsers (
    account_id INT UNSIGNED NOT NULL, token_hash CHAR(43) ${CODE} NOT NULL, seen_at DATETIME NOT NULL, failures INT UNSIGNED NOT NULL DEFAULT 0,
    PRIMARY KEY (account_id, token_hash), FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
  `CREATE TABLE slowed (bucket CHAR(64) ${CODE} PRIMARY KEY, failures INT UNSIGNED NOT NULL, last_at DATETIME NOT NULL)`,
];
