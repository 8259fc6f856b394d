export const name = '0002-doors';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What happens at doors and behind them, what must happen outside, and who is told. */
export const up: string[] = [
  // One sitting for each occurrence that anybody entered or opened.
  `CREATE TABLE sittings (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, occurrence_id INT UNSIGNED NOT NULL UNIQUE, link_id INT UNSIGNED NOT NULL,
    opened_at DATETIME NULL, ended_at DATETIME NULL, host_left_at DATETIME NULL,
    room VARCHAR(80) ${CODE} NULL UNIQUE, room_ready TINYINT(1) NOT NULL DEFAULT 0, rooms_made SMALLINT UNSIGNED NOT NULL DEFAULT 0, KEY by_link (link_id, ended_at),
    FOREIGN KEY (occurrence_id) REFERENCES occurrences(id), FOREIGN KEY (link_id) REFERENCES links(id))`,
  `CREATE TABLE visitors (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, sitting_id INT UNSIGNED NOT NULL, visitor_key VARCHAR(40) ${CODE} NOT NULL,
    account_id INT UNSIGNED NULL, person_id INT UNSIGNED NULL, session_id INT UNSIGNED NULL, name VARCHAR(120) NOT NULL,
    account_kind ENUM('school','personal','none','phone') NOT NULL, on_roll TINYINT(1) NOT NULL,
    role ENUM('host','presenter','participant','watcher') NOT NULL, state ENUM('waiting','let-in','turned-away','put-out') NOT NULL,
    entry_code VARCHAR(60) NULL, inside TINYINT(1) NOT NULL DEFAULT 0, knocked_at DATETIME NULL, left_at DATETIME NULL,
    UNIQUE KEY one_each (sitting_id, visitor_key), KEY by_inside (sitting_id, inside),
    FOREIGN KEY (sitting_id) REFERENCES sittings(id), FOREIGN KEY (account_id) REFERENCES accounts(id),
    FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (session_id) REFERENCES browser_sessions(id) ON DELETE SET NULL)`,
  `CREATE TABLE visits (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, visitor_id INT UNSIGNED NOT NULL, arrived_at DATETIME NOT NULL, left_at DATETIME NULL,
    KEY by_visitor (visitor_id, left_at), FOREIGN KEY (visitor_id) REFERENCES visitors(id))`,
  `CREATE TABLE webhooks_seen (id VARCHAR(80) ${CODE} PRIMARY KEY, at DATETIME NOT NULL)`,
  `CREATE TABLE posts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, class_id INT UNSIGNED NOT NULL, link_id INT UNSIGNED NOT NULL, made_by INT UNSIGNED NOT NULL,
    words MEDIUMTEXT NOT NULL, link_words VARCHAR(200) NOT NULL, due_at DATETIME NOT NULL, withdrawn TINYINT(1) NOT NULL DEFAULT 0,
    version INT UNSIGNED NOT NULL DEFAULT 1, KEY by_class (class_id, due_at),
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
  // wanted_version is the post's version that ought to stand there, actual_version what the place has confirmed; out_since while it stands.
  `CREATE TABLE placements (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, post_id INT UNSIGNED NOT NULL, place VARCHAR(80) ${CODE} NOT NULL,
    wanted_version INT UNSIGNED NOT NULL, actual_version INT UNSIGNED NOT NULL DEFAULT 0, out_since DATETIME NULL,
    UNIQUE KEY one_place (post_id, place), FOREIGN KEY (post_id) REFERENCES posts(id))`,
  `CREATE TABLE outbox (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, kind ENUM('placement','end-room','put-out') NOT NULL, subject VARCHAR(80) ${CODE} NOT NULL, payload JSON NOT NULL,
    state ENUM('queued','running','done','failed') NOT NULL DEFAULT 'queued', due_school DATETIME NULL, due_at DATETIME NOT NULL,
    lease_until DATETIME NULL, tries SMALLINT UNSIGNED NOT NULL DEFAULT 0, last_error VARCHAR(500) NULL,
    KEY by_due (state, due_at), KEY by_subject (subject, state))`,
  `CREATE TABLE changes (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, topic VARCHAR(40) ${CODE} NOT NULL, thing VARCHAR(20) ${CODE} NOT NULL, thing_id INT UNSIGNED NOT NULL, at DATETIME NOT NULL,
    KEY by_at (at))`,
  `CREATE TABLE audit_log (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, at DATETIME NOT NULL, person_id INT UNSIGNED NULL, action VARCHAR(40) NOT NULL, subject VARCHAR(80) NOT NULL,
    before_state JSON NULL, after_state JSON NULL, KEY by_subject (subject, at))`,
];
