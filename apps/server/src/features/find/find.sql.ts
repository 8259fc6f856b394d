import { wordsAsked } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { rolesOf } from '../../http/whoStore.sql.js';
import { foundByWords } from '../accounts/words.sql.js';

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

/** People of the school by the beginnings of their names and addresses. */
export function findPeople(db: Db, typed: string): Promise<FoundPerson[]> {
  const { sql, values } = foundByWords('p.id', wordsAsked(typed));
  return db.rows(
    `SELECT p.id, p.name, ${rolesOf('p.id')} AS roles, (SELECT a.email FROM accounts a WHERE a.person_id = p.id ORDER BY a.kind LIMIT 1) AS email
     FROM people p WHERE p.retired_at IS NULL AND ${sql} ORDER BY p.name, p.id LIMIT ${MOST}`,
    values,
  );
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
     ORDER BY ABS(DATEDIFF(o.local_date, :near)), o.start_at LIMIT ${MOST}`,
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
