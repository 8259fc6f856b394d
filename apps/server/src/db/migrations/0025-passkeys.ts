export const name = '0025-passkeys';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Passkeys of accounts, when a browser's session was confirmed by one, and whether the school asks for that. */
export const up: string[] = [
  `CREATE TABLE passkeys (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, account_id INT UNSIGNED NOT NULL, name VARCHAR(80) NOT NULL,
    credential_id VARCHAR(1400) ${CODE} NOT NULL, user_handle CHAR(43) ${CODE} NOT NULL, public_key TEXT NOT NULL, counter INT UNSIGNED NOT NULL,
    transports JSON NOT NULL, is_shared TINYINT(1) NOT NULL DEFAULT 0, added_at DATETIME NOT NULL, used_at DATETIME NULL,
    UNIQUE KEY one_each (credential_id), KEY by_account (account_id), FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
  'ALTER TABLE browser_sessions ADD COLUMN confirmed_at DATETIME NULL',
  'ALTER TABLE school ADD COLUMN asks_passkey TINYINT(1) NOT NULL DEFAULT 0',
];
