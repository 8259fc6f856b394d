import type { EntryRules, RuleField, RuleSetting, SchoolCalendar } from '@glen/core';
import type { Account } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';
import { notMovedIn } from '../../http/problem.js';

interface School {
  name: string;
  calendar: SchoolCalendar;
  rules: EntryRules;
  locked: RuleField[];
  /** Whom students ask when something technical fails. */
  help: string;
  classes_by: 'teachers' | 'office';
  alone: number;
}

/** The one school of this installation; before anybody has moved in, a problem that says so. */
export async function readSchool(db: Db): Promise<School> {
  const row = await db.one<School>(
    'SELECT name, calendar, rules, locked, help, classes_by, alone FROM school WHERE id = 1',
    {},
  );
  if (!row) throw notMovedIn();
  return row;
}

interface KeptCalendar {
  calendar: SchoolCalendar;
  version: number;
  region: string | null;
}

const KEPT_CALENDAR = 'SELECT calendar, version, region FROM school WHERE id = 1';

export const readCalendar = async (db: Db): Promise<KeptCalendar> =>
  (await db.one<KeptCalendar>(KEPT_CALENDAR))!;

/** The same, held against other edits. */
export const heldCalendar = async (db: Db): Promise<KeptCalendar> =>
  (await db.one<KeptCalendar>(`${KEPT_CALENDAR} FOR UPDATE`))!;

export const writeCalendar = (
  db: Db,
  calendar: SchoolCalendar,
  region: string | null,
): Promise<number> =>
  db.change(
    'UPDATE school SET calendar = :calendar, region = :region, version = version + 1 WHERE id = 1',
    { calendar: JSON.stringify(calendar), region },
  );

/** Tells somebody what others changed; whoever wishes to hear nothing of that is left in peace. */
export async function insertNotice(
  db: Db,
  notice: { personId: number; title: string; text: string; madeAt: string },
): Promise<void> {
  const person = await db.models.Person.findByPk(notice.personId, { attributes: ['told'] });
  if (person?.told.changes === false) return;
  await db.insert('notices', {
    person_id: notice.personId,
    title: notice.title,
    text: notice.text,
    made_at: toSql(notice.madeAt),
  });
}

export const noticesOf = (
  db: Db,
  personId: number,
): Promise<{ id: number; title: string; text: string }[]> =>
  db.rows(
    'SELECT id, title, text FROM notices WHERE person_id = :personId AND seen = 0 ORDER BY id DESC LIMIT 5',
    { personId },
  );

export const markSeen = (db: Db, id: number, personId: number): Promise<number> =>
  db.change('UPDATE notices SET seen = 1 WHERE id = :id AND person_id = :personId', {
    id,
    personId,
  });

export const schoolExists = async (db: Db): Promise<boolean> =>
  (await db.models.School.count()) > 0;

interface NewSchool extends Omit<School, 'help' | 'classes_by' | 'alone'> {
  region: string | null;
  dateOrder?: 'dmy' | 'mdy' | 'ymd';
  hours?: '24' | '12';
  /** Whom students ask when something technical fails. */
  help?: string;
  alone?: boolean;
}

/** Makes the school of this installation. */
export async function writeSchool(
  db: Db,
  { dateOrder = 'dmy', hours = '24', help = '', alone = false, ...school }: NewSchool,
): Promise<void> {
  await db.models.School.create({
    id: 1,
    ...school,
    date_order: dateOrder,
    hours,
    help,
    alone,
  });
}

export interface ClassRow {
  id: number;
  ref: string;
  title: string;
  is_occasion: number;
  period: string | null;
  pennant: { letters: string; pattern: string; hue: string };
  version: number;
  link_id: number;
  code: string;
  label: string;
  kind: RuleSetting['kind'];
  link_state: 'live' | 'retired';
  tutors: number;
  as_what: 'host' | 'co-teacher' | 'presenter' | null;
  roll_size: number;
  put_away_at: string | null;
}

/** The link that class period `c` goes by: the first in its order that is for all of it and works; else one that is for all of it, though stopped. */
export const MAIN_LINK = `(SELECT ml.id FROM links ml WHERE ml.class_id = c.id
  ORDER BY NOT EXISTS (SELECT 1 FROM link_audience ma WHERE ma.link_id = ml.id AND ma.class_id = ml.class_id), ml.state = 'retired', ml.place, ml.id LIMIT 1)`;

export const mainLinksOf = async (db: Db, classIds: number[]): Promise<Map<number, number>> =>
  new Map(
    (
      await db.rows<{ id: number; link_id: number }>(
        `SELECT c.id, ${MAIN_LINK} AS link_id FROM class_periods c WHERE c.id IN (:classIds)`,
        { classIds: [0, ...classIds] },
      )
    ).map((row) => [row.id, row.link_id]),
  );

/** The link that a class period goes by, whether it works or not. */
export const mainLinkOf = (
  db: Db,
  classId: number,
): Promise<{ id: number; code: string; state: 'live' | 'retired' } | undefined> =>
  db.one(
    `SELECT l.id, l.code, l.state FROM class_periods c JOIN links l ON l.id = ${MAIN_LINK} WHERE c.id = :classId`,
    { classId },
  );

const TUTORS = `(EXISTS (SELECT 1 FROM link_hosts lh JOIN links tl ON tl.id = lh.link_id WHERE tl.class_id = c.id AND lh.person_id = :personId)
  OR EXISTS (SELECT 1 FROM shares sh JOIN links tl ON tl.id = sh.link_id JOIN class_staff js ON js.class_id = sh.class_id AND js.as_what <> 'presenter' WHERE tl.class_id = c.id AND js.person_id = :personId))`;

const CLASS_SELECT = `
  SELECT c.id, c.ref, c.title, c.kind = 'occasion' AS is_occasion, c.period, c.pennant, c.version, c.put_away_at, l.id AS link_id, l.code, l.label, l.kind, l.state AS link_state, cs.as_what, ${TUTORS} AS tutors,
    (SELECT COUNT(*) FROM roll r WHERE r.class_id = c.id) AS roll_size
  FROM class_periods c JOIN links l ON l.id = ${MAIN_LINK}
  LEFT JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :personId`;

const listed = (which: string, all: boolean): string =>
  `${CLASS_SELECT} WHERE ${which} ${all ? '' : `AND (cs.person_id IS NOT NULL OR ${TUTORS})`} ORDER BY c.period IS NULL, c.period, c.title`;

/** The class periods that a person teaches, visits, or is host in at one link, or with another class period; the head and the office see all. */
export const classesOf = (db: Db, personId: number, all: boolean): Promise<ClassRow[]> =>
  db.rows<ClassRow>(listed('c.put_away_at IS NULL', all), { personId });

/** The same of those that have been put away. */
export const classesPutAway = (db: Db, personId: number, all: boolean): Promise<ClassRow[]> =>
  db.rows<ClassRow>(listed('c.put_away_at IS NOT NULL', all), { personId });

export const classById = (
  db: Db,
  classId: number,
  personId: number,
): Promise<ClassRow | undefined> =>
  db.one<ClassRow>(`${CLASS_SELECT} WHERE c.id = :classId`, { classId, personId });

/** The class periods on whose rolls a person stands. */
export const classesOfLearner = (db: Db, personId: number) =>
  db.rows<{
    id: number;
    title: string;
    period: string | null;
    pennant: ClassRow['pennant'];
    code: string;
    host_name: string | null;
  }>(
    `SELECT c.id, c.title, c.period, c.pennant, l.code, (SELECT p.name FROM class_staff cs JOIN people p ON p.id = cs.person_id WHERE cs.class_id = c.id AND cs.as_what = 'host' ORDER BY p.id LIMIT 1) AS host_name
     FROM roll r JOIN class_periods c ON c.id = r.class_id JOIN links l ON l.id = ${MAIN_LINK} AND l.state = 'live' WHERE r.person_id = :personId ORDER BY c.period IS NULL, c.period, c.title`,
    { personId },
  );

export const staffOf = (db: Db, classId: number) =>
  db.rows<{ id: number; name: string; as: 'host' | 'co-teacher' | 'presenter' }>(
    'SELECT p.id, p.name, cs.as_what AS `as` FROM class_staff cs JOIN people p ON p.id = cs.person_id WHERE cs.class_id = :classId ORDER BY cs.as_what, p.name',
    { classId },
  );

export const rollOf = (db: Db, classId: number) =>
  db.rows<{ id: number; name: string }>(
    'SELECT p.id, p.name FROM roll r JOIN people p ON p.id = r.person_id WHERE r.class_id = :classId ORDER BY p.name',
    { classId },
  );

/** The accounts of a class period's people, on the roll or teaching. */
export const accountsOfClass = (db: Db, classId: number) =>
  db.rows<Account & { person_id: number }>(
    `SELECT a.id, a.kind, a.email, a.person_id FROM accounts a
     WHERE a.person_id IN (SELECT person_id FROM roll WHERE class_id = :classId UNION SELECT person_id FROM class_staff WHERE class_id = :classId) ORDER BY a.kind, a.id`,
    { classId },
  );
