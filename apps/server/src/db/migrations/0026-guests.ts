export const name = '0026-guests';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** How a guest comes who is meant by their address, and the one-time addresses by which guests show that it is theirs. */
export const up: string[] = [
  `ALTER TABLE link_audience ADD COLUMN comes ENUM('inside','speaker') NOT NULL DEFAULT 'inside', ADD KEY by_email (email)`,
  `CREATE TABLE guest_addresses (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, link_id INT UNSIGNED NOT NULL, email VARCHAR(254) NOT NULL, token_hash CHAR(43) ${CODE} NOT NULL,
    until_at DATETIME NOT NULL, made_by INT UNSIGNED NOT NULL, used_at DATETIME NULL,
    UNIQUE KEY one_each (link_id, email), UNIQUE KEY by_token (token_hash), KEY by_age (until_at),
    FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
];
