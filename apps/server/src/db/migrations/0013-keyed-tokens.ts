export const name = '0013-keyed-tokens';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Which secret tokens are kept with; calendar addresses are an account's, and kept as a hash. */
export const up: string[] = [
  `CREATE TABLE secret_check (id TINYINT UNSIGNED PRIMARY KEY, hash CHAR(43) ${CODE} NOT NULL)`,
  `ALTER TABLE feeds ADD COLUMN account_id INT UNSIGNED NULL UNIQUE, ADD COLUMN token_hash CHAR(64) ${CODE} NULL UNIQUE,
    ADD FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE`,
  // A person's becomes that of their school account, which is the first of their kinds.
  `UPDATE feeds f SET f.token_hash = SHA2(f.token, 256),
    f.account_id = (SELECT a.id FROM accounts a WHERE a.person_id = f.person_id ORDER BY a.kind, a.id LIMIT 1)`,
  'DELETE FROM feeds WHERE account_id IS NULL AND class_id IS NULL',
  `ALTER TABLE feeds DROP FOREIGN KEY feeds_ibfk_1, DROP COLUMN person_id, DROP COLUMN token, MODIFY token_hash CHAR(64) ${CODE} NOT NULL`,
];
