import { wordsAsked } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { rolesOf } from '../../http/whoStore.sql.js';
import { begins, foundByWords } from '../accounts/words.sql.js';

const MOST = 8;
/** What somebody typed, as a pattern of LIKE that matches it anywhere and nothing else. */
const anywhere = (typed: string): string => `%${typed.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;

interface FoundPerson {
  id: number;
  name: string;
  /** With commas. */
  roles: string | null;
  email: string | null;
}

/** One person may be found by several words that begin alike. */
const MOST_BY_WORDS = 2 * MOST;

/**
 * People of the school by the beginnings of their names and addresses: those whose words come first. They are looked up
 * in the order of the words, and no further than is shown, so that one letter typed reads a few rows and not thousands.
 */
export async function findPeople(db: Db, typed: string): Promise<FoundPerson[]> {
  const [longest, ...others] = wordsAsked(typed).sort((a, b) => b.length - a.length);
  if (longest === undefined) return [];
  const too =
    others.length > 0 ? foundByWords('w.person_id', others) : { sql: '1 = 1', values: {} };
  const found = await db.rows<FoundPerson>(
    `SELECT DISTINCT p.id, p.name, ${rolesOf('p.id')} AS roles, (SELECT a.email FROM accounts a WHERE a.person_id = p.id ORDER BY a.kind, a.id LIMIT 1) AS email
     FROM (SELECT w.person_id FROM person_words w JOIN people here ON here.id = w.person_id AND here.retired_at IS NULL
       WHERE w.word LIKE :longest AND ${too.sql} ORDER BY w.word, w.person_id LIMIT ${MOST_BY_WORDS}) f
     JOIN people p ON p.id = f.person_id ORDER BY p.name, p.id`,
    { ...too.values, longest: begins(longest) },
  );
  return found.slice(0, MOST);
}

/** The class periods of a teacher on whose rolls these people stand. */
export const classesOfPeople = (
  db: Db,
  teacherId: number,
  personIds: number[],
): Promise<{ person_id: number; id: number; title: string; period: string | null }[]> =>
  db.rows(
    `SELECT r.person_id, c.id, c.title, c.period FROM roll r JOIN class_periods c ON c.id = r.class_id JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :teacherId
     WHERE r.person_id IN (:personIds) ORDER BY c.period IS NULL, c.period, c.title`,
    { teacherId, personIds: [0, ...personIds] },
  );

/** Sessions of a teacher's class periods by title, the nearest to a day first. */
export const findSessions = (db: Db, teacherId: number, typed: string, near: string) =>
  db.rows<{
    id: number;
    series_id: number;
    key_date: string;
    class_id: number;
    link_id: number;
    title: string;
    local_date: string;
    local_time: string;
    as_what: string;
  }>(
    `SELECT o.id, o.series_id, o.key_date, o.class_id, o.link_id, o.title, o.local_date, o.local_time, cs.as_what
     FROM occurrences o JOIN class_staff cs ON cs.class_id = o.class_id AND cs.person_id = :teacherId
     WHERE o.title LIKE :like AND o.status <> 'skipped' AND (o.draft = 0 OR cs.as_what <> 'presenter')
     ORDER BY ABS(DATEDIFF(o.local_date, :near)), o.start_at, o.id LIMIT ${MOST}`,
    { teacherId, like: anywhere(typed), near },
  );

export const findLinks = (db: Db, teacherId: number, typed: string) =>
  db.rows<{
    id: number;
    class_id: number;
    title: string;
    period: string | null;
    code: string;
    label: string;
    state: 'live' | 'retired';
  }>(
    `SELECT l.id, l.class_id, c.title, c.period, l.code, l.label, l.state FROM links l JOIN class_periods c ON c.id = l.class_id JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :teacherId
     WHERE l.code LIKE :like OR l.label LIKE :like OR EXISTS (SELECT 1 FROM link_codes k WHERE k.link_id = l.id AND k.code LIKE :like) ORDER BY l.state, l.code LIMIT ${MOST}`,
    { teacherId, like: anywhere(typed) },
  );
