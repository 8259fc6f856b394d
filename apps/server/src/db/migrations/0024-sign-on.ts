export const name = '0024-sign-on';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Who signs on at a provider of accounts, how browsers came in, and which ways the school shuts. */
export const up: string[] = [
  `CREATE TABLE sign_ons (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, account_id INT UNSIGNED NOT NULL, provider VARCHAR(40) ${CODE} NOT NULL,
    issuer VARCHAR(255) ${CODE} NOT NULL, subject VARCHAR(255) ${CODE} NOT NULL,
    begun_at DATETIME NOT NULL, used_at DATETIME NOT NULL,
    UNIQUE KEY one_each (issuer, subject), KEY by_account (account_id), FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
  `CREATE TABLE session_sign_ons (
    session_id INT UNSIGNED NOT NULL, issuer VARCHAR(255) ${CODE} NOT NULL, subject VARCHAR(255) ${CODE} NOT NULL,
    provider_session VARCHAR(255) ${CODE} NULL, id_token TEXT NOT NULL,
    PRIMARY KEY (session_id, issuer), KEY by_subject (issuer, subject), FOREIGN KEY (session_id) REFERENCES browser_sessions(id) ON DELETE CASCADE)`,
  `ALTER TABLE browser_sessions ADD COLUMN way VARCHAR(60) ${CODE} NOT NULL DEFAULT ''`,
  `ALTER TABLE school ADD COLUMN shut_ways JSON NOT NULL DEFAULT '{}', ADD COLUMN claim_rules JSON NOT NULL DEFAULT '[]', ADD COLUMN ways_version INT UNSIGNED NOT NULL DEFAULT 1`,
];
