export const name = '0031-covers';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Somebody teaches instead of somebody for some days: meanwhile they are staff and hosts wherever the other is, by rows that say by which cover. */
export const up: string[] = [
  `CREATE TABLE covers (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, absent_id INT UNSIGNED NOT NULL, covering_id INT UNSIGNED NOT NULL,
    first_date CHAR(10) ${CODE} NOT NULL, last_date CHAR(10) ${CODE} NOT NULL,
    made_by INT UNSIGNED NOT NULL, ended_at DATETIME NULL,
    KEY by_last (last_date),
    FOREIGN KEY (absent_id) REFERENCES people(id), FOREIGN KEY (covering_id) REFERENCES people(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
  `ALTER TABLE class_staff ADD COLUMN cover_id INT UNSIGNED NULL, ADD COLUMN was ENUM('presenter') NULL,
    ADD KEY by_cover (cover_id), ADD FOREIGN KEY (cover_id) REFERENCES covers(id)`,
  `ALTER TABLE link_hosts ADD COLUMN cover_id INT UNSIGNED NULL, ADD KEY by_cover (cover_id), ADD FOREIGN KEY (cover_id) REFERENCES covers(id)`,
];
