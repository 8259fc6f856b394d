export const name = '0007-posting';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** One post for many places, timed by its sessions; what stands at each place, wanted and actual. */
export const up: string[] = [
  // words: a JSON string of plain text, or rich text. early: the occurrences whose post somebody asked for before its time. on_date: of a post about the sessions of one date alone (by their key).
  `ALTER TABLE posts ADD COLUMN about ENUM('link','sessions') NOT NULL DEFAULT 'link', ADD COLUMN on_date CHAR(10) ${CODE} NULL, ADD COLUMN timing JSON NOT NULL DEFAULT '{"kind":"now"}',
    ADD COLUMN afterwards ENUM('stay','down','strike') NOT NULL DEFAULT 'stay', ADD COLUMN pinned TINYINT(1) NOT NULL DEFAULT 0,
    ADD COLUMN early JSON NOT NULL DEFAULT '[]'`,
  `UPDATE posts SET words = JSON_QUOTE(words), timing = JSON_OBJECT('kind', 'at', 'at', CONCAT(REPLACE(due_at, ' ', 'T'), 'Z'))`,
  `CREATE TABLE post_places (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, post_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NOT NULL, link_id INT UNSIGNED NOT NULL,
    kind ENUM('stream','item','calendar','by-hand') NOT NULL, shape JSON NOT NULL DEFAULT '{}', removed TINYINT(1) NOT NULL DEFAULT 0,
    KEY by_post (post_id), KEY by_class (class_id), KEY by_link (link_id),
    FOREIGN KEY (post_id) REFERENCES posts(id), FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (link_id) REFERENCES links(id))`,
  `INSERT INTO post_places (id, post_id, class_id, link_id, kind) SELECT id, id, class_id, link_id, 'stream' FROM posts`,
  // What stands, or ought to, at a place: for one occurrence, or with 0 for the lasting link. body: what the place is given, revision by revision;
  // sent_revision: the last one that it has confirmed, sent_body what that was. dropped: taken down there by hand. missing_since: the site no longer lists it.
  `CREATE TABLE placements_new (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, post_id INT UNSIGNED NOT NULL, place_id INT UNSIGNED NOT NULL, part ENUM('thing','section') NOT NULL DEFAULT 'thing', occurrence_id INT UNSIGNED NOT NULL DEFAULT 0,
    wish ENUM('out','struck','gone') NOT NULL, body JSON NOT NULL, due_at DATETIME NOT NULL, revision INT UNSIGNED NOT NULL DEFAULT 1, sent_revision INT UNSIGNED NOT NULL DEFAULT 0, sent_body JSON NULL, code VARCHAR(40) ${CODE} NOT NULL DEFAULT '',
    sent_code VARCHAR(40) ${CODE} NULL, out_since DATETIME NULL, dropped TINYINT(1) NOT NULL DEFAULT 0, missing_since DATETIME NULL,
    UNIQUE KEY one_each (place_id, part, occurrence_id), KEY by_post (post_id), FOREIGN KEY (post_id) REFERENCES posts(id), FOREIGN KEY (place_id) REFERENCES post_places(id))`,
  `INSERT INTO placements_new (id, post_id, place_id, wish, body, due_at, revision, sent_revision, out_since)
    SELECT pl.id, pl.post_id, pl.post_id, IF(p.withdrawn, 'gone', 'out'), '{"kind":"post"}', p.due_at, pl.wanted_version, pl.actual_version, pl.out_since FROM placements pl JOIN posts p ON p.id = pl.post_id WHERE pl.actual_version > 0`,
  `DROP TABLE placements`,
  `RENAME TABLE placements_new TO placements`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look') NOT NULL`,
  `INSERT INTO outbox (kind, subject, payload, due_at) SELECT 'post', id, '{}', UTC_TIMESTAMP() FROM posts WHERE withdrawn = 0`,
  `ALTER TABLE posts DROP FOREIGN KEY posts_ibfk_2, DROP COLUMN link_id, DROP COLUMN due_at`,
];
