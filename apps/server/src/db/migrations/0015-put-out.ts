export const name = '0015-put-out';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Whom a door keeps out, whatever account or browser they come with; tickets to rooms that can be taken back. */
export const up: string[] = [
  `CREATE TABLE kept_out (
    sitting_id INT UNSIGNED NOT NULL, who CHAR(60) ${CODE} NOT NULL,
    PRIMARY KEY (sitting_id, who), FOREIGN KEY (sitting_id) REFERENCES sittings(id))`,
  `ALTER TABLE visitors ADD COLUMN ticket CHAR(43) ${CODE} NULL, ADD COLUMN ticket_until DATETIME NULL,
    ADD COLUMN browser CHAR(43) ${CODE} NULL, ADD COLUMN network VARCHAR(60) ${CODE} NOT NULL DEFAULT ''`,
  'ALTER TABLE sittings ADD COLUMN asks_account TINYINT(1) NOT NULL DEFAULT 0',
  // Who was turned away or put out before is kept out as before: by account, for all of its person's.
  `INSERT INTO kept_out (sitting_id, who) SELECT DISTINCT v.sitting_id, CONCAT('person:', v.person_id) FROM visitors v
    LEFT JOIN kept_out k ON k.sitting_id = v.sitting_id AND k.who = CONCAT('person:', v.person_id)
    WHERE v.state IN ('turned-away', 'put-out') AND v.person_id IS NOT NULL AND k.who IS NULL`,
];
