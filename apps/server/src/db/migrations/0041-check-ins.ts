export const name = '0041-check-ins';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Signs of being there that are asked for in mid-lesson. */
export const up: string[] = [
  // What is asked of those inside, for some minutes; its address is worth nothing to whoever has not been let in.
  `CREATE TABLE check_ins (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, sitting_id INT UNSIGNED NOT NULL, code CHAR(4) ${CODE} NOT NULL,
    token CHAR(22) ${CODE} NOT NULL UNIQUE, question VARCHAR(200) NOT NULL DEFAULT '',
    opened_at DATETIME NOT NULL, closes_at DATETIME NOT NULL, made_by INT UNSIGNED NULL,
    KEY by_sitting (sitting_id, closes_at), KEY by_code (code, closes_at),
    FOREIGN KEY (sitting_id) REFERENCES sittings(id) ON DELETE CASCADE, FOREIGN KEY (made_by) REFERENCES people(id))`,
  // Who gave the sign, and from which browser: two friends on one are noticed.
  `CREATE TABLE checked_in (
    check_in_id INT UNSIGNED NOT NULL, visitor_id INT UNSIGNED NOT NULL, at DATETIME NOT NULL,
    answer VARCHAR(500) NOT NULL DEFAULT '', browser CHAR(43) ${CODE} NOT NULL,
    PRIMARY KEY (check_in_id, visitor_id),
    FOREIGN KEY (check_in_id) REFERENCES check_ins(id) ON DELETE CASCADE,
    FOREIGN KEY (visitor_id) REFERENCES visitors(id) ON DELETE CASCADE)`,
];
