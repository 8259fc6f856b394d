export const name = '0047-appointments';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Evenings at which guests see several teachers, each by appointment. */
export const up: string[] = [
  `CREATE TABLE appointment_evenings (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, title VARCHAR(200) NOT NULL, start_at DATETIME NOT NULL, end_at DATETIME NOT NULL,
    state ENUM('open','closed') NOT NULL DEFAULT 'open', made_by INT UNSIGNED NOT NULL, made_at DATETIME NOT NULL,
    reminded_at DATETIME NULL, version INT UNSIGNED NOT NULL DEFAULT 1, KEY by_end (end_at), FOREIGN KEY (made_by) REFERENCES people(id))`,
  // Whom guests can see: whoever hosts the session, which is cut into slots, on a link of its own.
  `CREATE TABLE appointment_hosts (
    evening_id INT UNSIGNED NOT NULL, series_id INT UNSIGNED NOT NULL, PRIMARY KEY (evening_id, series_id),
    FOREIGN KEY (evening_id) REFERENCES appointment_evenings(id) ON DELETE CASCADE, FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE)`,
  // The token is sealed under the installation's secret as well: it is written to them again. told is a digest of what they were told last that they have.
  `CREATE TABLE appointment_guests (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, evening_id INT UNSIGNED NOT NULL, email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL,
    token_hash CHAR(43) ${CODE} NOT NULL, sealed_token VARCHAR(120) ${CODE} NOT NULL, told CHAR(64) ${CODE} NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    UNIQUE KEY one_each (evening_id, email), UNIQUE KEY by_token (token_hash),
    FOREIGN KEY (evening_id) REFERENCES appointment_evenings(id) ON DELETE CASCADE)`,
  // Written to the mailbox itself, and shown to nobody else.
  `ALTER TABLE guest_addresses ADD COLUMN is_mailed BOOLEAN NOT NULL DEFAULT FALSE`,
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week','drop-recording','slots','room-word','poll','programme','appointments') NOT NULL`,
];
