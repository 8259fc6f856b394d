export const name = '0040-registers';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';
const OF_DATE = `series_id INT UNSIGNED NOT NULL, key_date CHAR(10) ${CODE} NOT NULL`;
const FOR_SERIES = 'FOREIGN KEY (series_id) REFERENCES series(id) ON DELETE CASCADE';

/** What is told of who comes and goes, the registers that are made from it, and what people say to them. */
export const up: string[] = [
  // Each word as it was told, in whatever order: stays are worked out from them. Without a visitor it is about all who are in. A room is one of a sitting's, in order: who left one has not left a later one.
  `CREATE TABLE room_words (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, sitting_id INT UNSIGNED NOT NULL, visitor_id INT UNSIGNED NULL,
    at DATETIME NOT NULL, kind ENUM('came','left') NOT NULL, room SMALLINT UNSIGNED NOT NULL DEFAULT 0, nth INT UNSIGNED NULL,
    KEY by_sitting (sitting_id, visitor_id),
    FOREIGN KEY (sitting_id) REFERENCES sittings(id) ON DELETE CASCADE,
    FOREIGN KEY (visitor_id) REFERENCES visitors(id) ON DELETE CASCADE)`,
  `INSERT INTO room_words (sitting_id, visitor_id, at, kind)
    SELECT v.sitting_id, v.id, s.arrived_at, 'came' FROM visits s JOIN visitors v ON v.id = s.visitor_id
    WHERE s.left_at IS NULL OR s.left_at > s.arrived_at`,
  `INSERT INTO room_words (sitting_id, visitor_id, at, kind)
    SELECT v.sitting_id, v.id, s.left_at, 'left' FROM visits s JOIN visitors v ON v.id = s.visitor_id
    WHERE s.left_at > s.arrived_at`,
  // A stay that ended as it began is none.
  'DELETE FROM visits WHERE left_at <= arrived_at',
  // Held: its door was opened, or a host says of somebody that they were there; else nobody was absent.
  // A register that is settled, with who came as it was known then, and what counts of it since.
  `CREATE TABLE registers (
    ${OF_DATE}, settled_at DATETIME NOT NULL, settled_by INT UNSIGNED NULL, guests SMALLINT UNSIGNED NOT NULL DEFAULT 0,
    held TINYINT(1) NOT NULL DEFAULT 1,
    PRIMARY KEY (series_id, key_date), ${FOR_SERIES}, FOREIGN KEY (settled_by) REFERENCES people(id))`,
  `CREATE TABLE register_rows (
    ${OF_DATE}, person_id INT UNSIGNED NOT NULL, status ENUM('present','partly','absent') NOT NULL,
    stands ENUM('present','partly','absent','excused') NOT NULL, late TINYINT(1) NOT NULL DEFAULT 0, left_early TINYINT(1) NOT NULL DEFAULT 0, minutes SMALLINT UNSIGNED NOT NULL DEFAULT 0,
    PRIMARY KEY (series_id, key_date, person_id), KEY by_person (person_id),
    ${FOR_SERIES}, FOREIGN KEY (person_id) REFERENCES people(id))`,
  // What settles registers by itself, and what forgets arrivals, find by these what is still to be done.
  'ALTER TABLE occurrences ADD COLUMN settled TINYINT(1) NOT NULL DEFAULT 0, ADD COLUMN forgotten TINYINT(1) NOT NULL DEFAULT 0, ADD KEY by_settled (forgotten, settled, end_at)',
  // What a host says against what was measured, and why.
  `CREATE TABLE corrections (
    ${OF_DATE}, person_id INT UNSIGNED NOT NULL, status ENUM('present','partly','absent','excused') NOT NULL,
    reason VARCHAR(300) NOT NULL, made_by INT UNSIGNED NULL, made_at DATETIME NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    PRIMARY KEY (series_id, key_date, person_id), KEY by_person (person_id),
    ${FOR_SERIES}, FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
  // Days on which somebody is known to be away: for all their lessons, or for those of one class period.
  `CREATE TABLE absences (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NULL,
    from_date CHAR(10) ${CODE} NOT NULL, until_date CHAR(10) ${CODE} NOT NULL, reason VARCHAR(300) NOT NULL,
    made_by INT UNSIGNED NULL, made_at DATETIME NOT NULL,
    KEY by_person (person_id, until_date), KEY by_class (class_id, until_date),
    FOREIGN KEY (person_id) REFERENCES people(id), FOREIGN KEY (class_id) REFERENCES class_periods(id),
    FOREIGN KEY (made_by) REFERENCES people(id))`,
  // What a school does with its registers, and the weeks of which its staff has been told.
  "ALTER TABLE school ADD COLUMN registers JSON NOT NULL DEFAULT '{}', ADD COLUMN registers_version INT UNSIGNED NOT NULL DEFAULT 1",
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share','letter','gather','morning','week') NOT NULL`,
  `CREATE TABLE weeks_told (week CHAR(10) ${CODE} PRIMARY KEY)`,
];
