export const name = '0010-link-people';

const CODE = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Who is meant by a link, kept in one table; the words of posts as the data that they are. */
export const up: string[] = [
  // What follows from rolls, groups, audiences, hosts and shares. series_id 0: always; key_date '': all of the series.
  `CREATE TABLE link_people (
    link_id INT UNSIGNED NOT NULL, person_id INT UNSIGNED NOT NULL,
    as_what ENUM('host','presenter','tutor','member','joining-host','joining-presenter','joining-member') NOT NULL,
    series_id INT UNSIGNED NOT NULL DEFAULT 0, key_date CHAR(10) ${CODE} NOT NULL DEFAULT '',
    PRIMARY KEY (link_id, person_id, as_what, series_id, key_date), KEY by_person (person_id, link_id),
    FOREIGN KEY (link_id) REFERENCES links(id), FOREIGN KEY (person_id) REFERENCES people(id))`,
  `INSERT INTO link_people (link_id, person_id, as_what)
    SELECT l.id, s.person_id, IF(s.as_what = 'presenter', 'presenter', 'host') FROM links l JOIN class_staff s ON s.class_id = l.class_id
    UNION SELECT h.link_id, h.person_id, 'tutor' FROM link_hosts h
    UNION SELECT a.link_id, r.person_id, 'member' FROM link_audience a JOIN roll r ON r.class_id = a.class_id
    UNION SELECT a.link_id, m.person_id, 'member' FROM link_audience a JOIN group_members m ON m.group_id = a.group_id
    UNION SELECT a.link_id, a.person_id, 'member' FROM link_audience a WHERE a.person_id IS NOT NULL`,
  `INSERT INTO link_people (link_id, person_id, as_what, series_id, key_date)
    SELECT s.link_id, r.person_id, 'joining-member', COALESCE(s.series_id, 0), COALESCE(s.key_date, '')
    FROM shares s JOIN class_periods c ON c.id = s.class_id AND c.put_away_at IS NULL JOIN roll r ON r.class_id = s.class_id
    UNION SELECT s.link_id, t.person_id, IF(t.as_what = 'presenter', 'joining-presenter', 'joining-host'), COALESCE(s.series_id, 0), COALESCE(s.key_date, '')
    FROM shares s JOIN class_periods c ON c.id = s.class_id AND c.put_away_at IS NULL JOIN class_staff t ON t.class_id = s.class_id`,
  // A day begins from the links of whoever asks.
  `ALTER TABLE occurrences ADD KEY by_link_date (link_id, local_date), ADD KEY by_link_was (link_id, was_date)`,
  `ALTER TABLE posts MODIFY words JSON NOT NULL`,
];
