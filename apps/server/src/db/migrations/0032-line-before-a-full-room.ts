export const name = '0032-line-before-a-full-room';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Who waits for a seat in a full room, in the order they came. */
export const up: string[] = [
  `CREATE TABLE door_line (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, sitting_id INT UNSIGNED NOT NULL, visitor_key VARCHAR(20) ${CODE} NOT NULL, seen_at DATETIME NOT NULL,
    UNIQUE KEY one_each (sitting_id, visitor_key), KEY by_seen (seen_at),
    FOREIGN KEY (sitting_id) REFERENCES sittings(id))`,
];
