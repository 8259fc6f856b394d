// A school's size beside the demo school: people, class periods, links and dates that nobody of the demo has to do with.
// Set down in few statements, with the database's own numbers (`seq_1_to_N`).

/** A whole school. Tests take less of it. */
export const WHOLE = { people: 25000, classes: 1000, dates: 180 };

/** On a roll, and in how many class periods a teacher teaches. */
const ON_A_ROLL = 25;
const CLASSES_EACH = 5;

/** Ids from here on are of the crowd, so that they never meet those of the demo. */
const FROM = 1_000_000;

const PENNANT = `'{"letters":"XX","pattern":"halves","hue":"loch"}'`;
const PLAN = `'{"first":"2026-09-01","at":{"time":"09:00","minutes":45},"zone":"America/Halifax","closures":"skip"}'`;

/** The statements that make the crowd, in order. Its first people are teachers, the others students. */
function statementsFor({ people, classes, dates }) {
  const teachers = Math.ceil(classes / CLASSES_EACH);
  const person = `${FROM} + s.seq`;
  const klass = `${FROM} + s.seq`;
  return [
    `INSERT INTO people (id, name) SELECT ${person}, CONCAT('Crowd', s.seq, ' Many', s.seq % 97) FROM seq_1_to_${people} s`,
    `INSERT INTO person_roles (person_id, role) SELECT ${person}, IF(s.seq <= ${teachers}, 'teacher', 'student') FROM seq_1_to_${people} s`,
    `INSERT INTO person_words (word, person_id) SELECT CONCAT('crowd', s.seq), ${person} FROM seq_1_to_${people} s`,
    `INSERT INTO accounts (person_id, kind, email) SELECT ${person}, 'school', CONCAT('crowd', s.seq, '@merrow.example') FROM seq_1_to_${people} s`,
    `INSERT INTO class_periods (id, ref, title, period, pennant) SELECT ${klass}, CONCAT('crowd-', s.seq), CONCAT('Crowd ', s.seq), CAST(1 + s.seq % 7 AS CHAR), ${PENNANT} FROM seq_1_to_${classes} s`,
    `INSERT INTO class_staff (class_id, person_id, as_what) SELECT ${klass}, ${FROM} + 1 + s.seq DIV ${CLASSES_EACH}, 'host' FROM seq_1_to_${classes} s`,
    `INSERT INTO roll (class_id, person_id) SELECT ${klass}, ${FROM} + ${teachers} + 2 + (s.seq * ${ON_A_ROLL} + n.seq) % ${people - teachers - 2} FROM seq_1_to_${classes} s JOIN seq_1_to_${ON_A_ROLL} n`,
    `INSERT INTO links (id, code, class_id, label, made_at) SELECT ${klass}, CONCAT('crowd-', LPAD(s.seq, 11, 'q')), ${klass}, 'Lessons', '2026-09-01 08:00:00' FROM seq_1_to_${classes} s`,
    `INSERT INTO link_codes (code, link_id) SELECT code, id FROM links WHERE id > ${FROM}`,
    `INSERT INTO link_audience (link_id, class_id) SELECT id, class_id FROM links WHERE id > ${FROM}`,
    `INSERT INTO link_people (link_id, person_id, as_what) SELECT l.id, r.person_id, 'member' FROM links l JOIN roll r ON r.class_id = l.class_id WHERE l.id > ${FROM}`,
    `INSERT INTO link_people (link_id, person_id, as_what) SELECT l.id, s.person_id, 'host' FROM links l JOIN class_staff s ON s.class_id = l.class_id WHERE l.id > ${FROM}`,
    `INSERT INTO series (id, class_id, link_id, title, description, plan) SELECT id, class_id, id, 'Crowd lesson', '', ${PLAN} FROM links WHERE id > ${FROM}`,
    `INSERT INTO occurrences (series_id, class_id, link_id, key_date, local_date, local_time, minutes, start_at, end_at, status, title)
      SELECT l.id, l.class_id, l.id, DATE('2026-09-01') + INTERVAL n.seq DAY, DATE('2026-09-01') + INTERVAL n.seq DAY, '09:00', 45,
        TIMESTAMP('2026-09-01 12:00:00') + INTERVAL n.seq DAY, TIMESTAMP('2026-09-01 12:45:00') + INTERVAL n.seq DAY, 'planned', 'Crowd lesson'
      FROM links l JOIN seq_1_to_${dates} n WHERE l.id > ${FROM}`,
    'ANALYZE TABLE people, person_roles, accounts, class_periods, class_staff, roll, links, link_people, link_audience, series, occurrences',
  ];
}

/** Sets a crowd down in the demo's database; `ask` asks it one statement. */
export async function fillSchool(ask, size = WHOLE) {
  for (const sql of statementsFor(size)) await ask(sql);
}
