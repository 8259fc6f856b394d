export const name = '0001-school';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** People and their accounts, the school, its class periods and their lasting links. */
export const up: string[] = [
  `CREATE TABLE school (
    id TINYINT UNSIGNED PRIMARY KEY, name VARCHAR(200) NOT NULL, calendar JSON NOT NULL, rules JSON NOT NULL, locked JSON NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1)`,
  `CREATE TABLE school_clock (id TINYINT UNSIGNED PRIMARY KEY, offset_seconds INT NOT NULL)`,
  `CREATE TABLE people (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, name VARCHAR(120) NOT NULL,
    role ENUM('student','teacher','head','office','guest') NOT NULL, rules JSON NOT NULL DEFAULT '{}', version INT UNSIGNED NOT NULL DEFAULT 1)`,
  `CREATE TABLE accounts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, person_id INT UNSIGNED NOT NULL, kind ENUM('school','personal') NOT NULL,
    email VARCHAR(254) NOT NULL UNIQUE, password_hash VARCHAR(200) ${CODE} NOT NULL,
    FOREIGN KEY (person_id) REFERENCES people(id))`,
  `CREATE TABLE browser_sessions (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, token_hash CHAR(64) ${CODE} NOT NULL UNIQUE, account_id INT UNSIGNED NULL,
    expires_at DATETIME NOT NULL, FOREIGN KEY (account_id) REFERENCES accounts(id))`,
  `CREATE TABLE browser_session_accounts (
    session_id INT UNSIGNED NOT NULL, account_id INT UNSIGNED NOT NULL, PRIMARY KEY (session_id, account_id),
    FOREIGN KEY (session_id) REFERENCES browser_sessions(id) ON DELETE CASCADE, FOREIGN KEY (account_id) REFERENCES accounts(id))`,
  `CREATE TABLE failures (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, bucket VARCHAR(300) NOT NULL, at DATETIME NOT NULL, KEY by_bucket (bucket, at))`,
  `CREATE TABLE class_periods (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, ref VARCHAR(40) ${CODE} NOT NULL UNIQUE, title VARCHAR(200) NOT NULL, period VARCHAR(40) NULL,
    pennant JSON NOT NULL, rules JSON NOT NULL DEFAULT '{}', version INT UNSIGNED NOT NULL DEFAULT 1)`,
  `CREATE TABLE class_staff (
    class_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, as_what ENUM('host','co-teacher','presenter') NOT NULL,
    PRIMARY KEY (class_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  `CREATE TABLE roll (
    class_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL, PRIMARY KEY (class_id, person_id), KEY by_person (person_id),
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  `CREATE TABLE links (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, code VARCHAR(40) ${CODE} NOT NULL UNIQUE, class_id INT UNSIGNED NOT NULL,
    label VARCHAR(120) NOT NULL, state ENUM('live','retired') NOT NULL DEFAULT 'live', made_at DATETIME NOT NULL,
    FOREIGN KEY (class_id) REFERENCES class_periods(id))`,
  `CREATE TABLE series (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, class_id INT UNSIGNED NOT NULL, link_id INT UNSIGNED NOT NULL,
    title VARCHAR(200) NOT NULL, description TEXT NOT NULL, plan JSON NOT NULL, made_by INT UNSIGNED NULL, version INT UNSIGNED NOT NULL DEFAULT 1,
    FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (made_by) REFERENCES people(id))`,
  `CREATE TABLE occurrences (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY, series_id INT UNSIGNED NOT NULL, class_id INT UNSIGNED NOT NULL, link_id INT UNSIGNED NOT NULL,
    key_date CHAR(10) ${CODE} NOT NULL, local_date CHAR(10) ${CODE} NOT NULL, local_time CHAR(5) ${CODE} NOT NULL, minutes SMALLINT UNSIGNED NOT NULL,
    start_at DATETIME NOT NULL, end_at DATETIME NOT NULL, status ENUM('planned','moved','cancelled','skipped') NOT NULL, why VARCHAR(500) NULL,
    UNIQUE KEY by_series (series_id, key_date), KEY by_link (link_id, start_at), KEY by_date (local_date, class_id), KEY by_class (class_id, start_at),
    FOREIGN KEY (series_id) REFERENCES series(id), FOREIGN KEY (class_id) REFERENCES class_periods(id), FOREIGN KEY (link_id) REFERENCES links(id))`,
];
