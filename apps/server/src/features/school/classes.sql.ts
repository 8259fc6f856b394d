import type { RuleSetting } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';

// Class periods as lists and cards have them: each with the link it goes by, what a person is to it, and how many are on
// its roll. They begin from whoever asks, so that a teacher's five cost the same in a school of ten and of a thousand.

export interface ClassRow {
  id: number;
  ref: string;
  title: string;
  is_occasion: number;
  period: string | null;
  pennant: Pennant;
  version: number;
  link_id: number;
  code: string;
  label: string;
  kind: RuleSetting['kind'];
  link_state: 'live' | 'retired';
  tutors: number;
  as_what: 'host' | 'co-teacher' | 'presenter' | null;
  cover_for: string | null;
  roll_size: number;
  put_away_at: string | null;
}

/** The link that class period `c` goes by: the first in its order that is for all of it and works; else one that is for all of it, though stopped. */
export const MAIN_LINK = `(SELECT ml.id FROM links ml WHERE ml.class_id = c.id
  ORDER BY NOT EXISTS (SELECT 1 FROM link_audience ma WHERE ma.link_id = ml.id AND ma.class_id = ml.class_id), ml.state = 'retired', ml.place, ml.id LIMIT 1)`;

interface MainLink {
  class_id: number;
  id: number;
  code: string;
  state: 'live' | 'retired';
  kind: RuleSetting['kind'];
  put_away_at: string | null;
}

/** The links that class periods go by, whether they work or not. */
export const mainLinks = (db: Db, classIds: number[]): Promise<MainLink[]> =>
  db.rows<MainLink>(
    `SELECT c.id AS class_id, c.put_away_at, l.id, l.code, l.state, l.kind FROM class_periods c JOIN links l ON l.id = ${MAIN_LINK} WHERE c.id IN (:classIds)`,
    { classIds: [0, ...classIds] },
  );

export const mainLinksOf = async (db: Db, classIds: number[]): Promise<Map<number, number>> =>
  new Map((await mainLinks(db, classIds)).map((row) => [row.class_id, row.id]));

export const mainLinkOf = async (db: Db, classId: number): Promise<MainLink | undefined> =>
  (await mainLinks(db, [classId]))[0];

/** Links at which somebody is host without being so in their class period: by themselves, or with a class period that joins. */
const HOSTED_OTHERWISE = `link_people lp JOIN links tl ON tl.id = lp.link_id
  WHERE lp.person_id = :personId AND lp.as_what IN ('tutor', 'joining-host')`;

const ONES_OWN = `(SELECT class_id AS id FROM class_staff WHERE person_id = :personId
  UNION SELECT tl.class_id FROM ${HOSTED_OTHERWISE})`;

type WhichClasses = 'all' | 'own' | { classId: number };

function fromOf(which: WhichClasses): string {
  if (which === 'all') return 'class_periods c';
  if (which === 'own') return `${ONES_OWN} own JOIN class_periods c ON c.id = own.id`;
  return '(SELECT :classId AS id) asked JOIN class_periods c ON c.id = asked.id';
}

interface Asked {
  personId: number;
  which: WhichClasses;
  /** SQL on `c`, with what it names. */
  and?: string;
  values?: Record<string, number>;
}

const IN_ORDER = 'c.listed, c.title, c.id';

/** Whom somebody, as staff `cs`, teaches it for. */
const COVER_FOR = `(SELECT ap.name FROM covers cv JOIN people ap ON ap.id = cv.absent_id WHERE cv.id = cs.cover_id)`;

const classRows = (
  db: Db,
  { personId, which, and = '1 = 1', values = {} }: Asked,
): Promise<ClassRow[]> =>
  db.rows<ClassRow>(
    `SELECT c.id, c.ref, c.title, c.kind = 'occasion' AS is_occasion, c.period, c.pennant, c.version, c.put_away_at,
       l.id AS link_id, l.code, l.label, l.kind, l.state AS link_state, cs.as_what, ${COVER_FOR} AS cover_for,
       EXISTS (SELECT 1 FROM ${HOSTED_OTHERWISE} AND tl.class_id = c.id) AS tutors,
       (SELECT COUNT(*) FROM roll r WHERE r.class_id = c.id) AS roll_size
     FROM ${fromOf(which)} JOIN links l ON l.id = ${MAIN_LINK}
     LEFT JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :personId
     WHERE ${and} ORDER BY ${IN_ORDER}`,
    { personId, ...values, ...(typeof which === 'object' ? which : {}) },
  );

/** The class periods that a person teaches, visits, or is host in at one link, or with another class period; the head and the office see all. */
export const classesOf = (db: Db, personId: number, all: boolean): Promise<ClassRow[]> =>
  classRows(db, { personId, which: all ? 'all' : 'own', and: 'c.put_away_at IS NULL' });

/** So many class periods are drawn at once where all of the school's are asked for. */
const CLASSES_AT_ONCE = 30;

/** A page of all class periods that go on, after one of them or from the first; ids first, so that only the page's are looked at whole. */
export async function pageOfClasses(
  db: Db,
  personId: number,
  after: number | undefined,
): Promise<{ rows: ClassRow[]; hasMore: boolean }> {
  const last = after === undefined ? '' : 'JOIN class_periods k ON k.id = :after';
  const further =
    after === undefined
      ? ''
      : 'AND c.listed >= k.listed AND (c.listed > k.listed OR c.title > k.title OR (c.title = k.title AND c.id > k.id))';
  const rows = await classRows(db, {
    personId,
    which: 'all',
    and: `c.id IN (SELECT id FROM (SELECT c.id FROM class_periods c ${last}
      WHERE c.put_away_at IS NULL ${further} ORDER BY ${IN_ORDER} LIMIT ${CLASSES_AT_ONCE + 1}) page)`,
    values: { after: after ?? 0 },
  });
  return { rows: rows.slice(0, CLASSES_AT_ONCE), hasMore: rows.length > CLASSES_AT_ONCE };
}

/** The same of those that have been put away. */
export const classesPutAway = (db: Db, personId: number, all: boolean): Promise<ClassRow[]> =>
  classRows(db, { personId, which: all ? 'all' : 'own', and: 'c.put_away_at IS NOT NULL' });

export const classById = async (
  db: Db,
  classId: number,
  personId: number,
): Promise<ClassRow | undefined> => (await classRows(db, { personId, which: { classId } }))[0];

interface LearnedClass {
  id: number;
  title: string;
  period: string | null;
  pennant: Pennant;
  code: string;
  host_name: string | null;
}

/** The class periods on whose rolls a person stands, with the links that work. */
export const classesOfLearner = (db: Db, personId: number): Promise<LearnedClass[]> =>
  db.rows<LearnedClass>(
    `SELECT c.id, c.title, c.period, c.pennant, l.code,
       (SELECT p.name FROM class_staff cs JOIN people p ON p.id = cs.person_id WHERE cs.class_id = c.id AND cs.as_what = 'host' ORDER BY p.id LIMIT 1) AS host_name
     FROM roll r JOIN class_periods c ON c.id = r.class_id JOIN links l ON l.id = ${MAIN_LINK} AND l.state = 'live'
     WHERE r.person_id = :personId ORDER BY ${IN_ORDER}`,
    { personId },
  );
