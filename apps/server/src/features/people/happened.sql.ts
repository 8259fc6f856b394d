import type { Query } from '@glen/contract';
import type { Db } from '../../db/connect.js';

/** How many entries are given at once. */
export const ENTRIES_AT_ONCE = 60;

export interface LogRow {
  id: number;
  at: string;
  person_id: number | null;
  by_name: string | null;
  action: string;
  subject: string;
  before_state: unknown;
  after_state: unknown;
}

type Kind = NonNullable<Query<'happened'>['kind']>;

/** Which subjects belong to a kind: what stands before their colon. */
const SUBJECTS: Record<Kind, string[]> = {
  people: ['person', 'account'],
  classes: ['class'],
  links: ['link'],
  sessions: ['series', 'occurrence'],
  posts: ['post', 'placement'],
  doors: ['sitting', 'visitor'],
  school: ['school'],
};

/** What was done, the newest first; one more than a page where there is more. By a person, and what was done to them. */
export function logRows(db: Db, { person, kind, before }: Query<'happened'>): Promise<LogRow[]> {
  const conditions = [
    // What a service outside sends is no deed of anybody’s.
    `g.subject <> 'video'`,
    person === undefined
      ? ''
      : `(g.person_id = :person OR g.subject = CONCAT('person:', :person) OR g.subject IN (SELECT CONCAT('account:', a.id) FROM accounts a WHERE a.person_id = :person))`,
    kind === undefined ? '' : `SUBSTRING_INDEX(g.subject, ':', 1) IN (:subjects)`,
    before === undefined ? '' : 'g.id < :before',
  ].filter(Boolean);
  return db.rows<LogRow>(
    `SELECT g.id, g.at, g.person_id, p.name AS by_name, g.action, g.subject, g.before_state, g.after_state
     FROM audit_log g LEFT JOIN people p ON p.id = g.person_id
     WHERE ${conditions.join(' AND ')} ORDER BY g.id DESC LIMIT ${ENTRIES_AT_ONCE + 1}`,
    {
      person: person ?? 0,
      before: before ?? 0,
      subjects: kind === undefined ? [''] : SUBJECTS[kind],
    },
  );
}

/** What a subject of a kind is called, by its id. */
const NAMES: Record<string, string> = {
  person: 'SELECT id, name FROM people WHERE id IN (:ids)',
  account: `SELECT a.id, CONCAT(p.name, ' (', a.email, ')') AS name FROM accounts a JOIN people p ON p.id = a.person_id WHERE a.id IN (:ids)`,
  class: `SELECT id, IF(period IS NULL, title, CONCAT(title, ', period ', period)) AS name FROM class_periods WHERE id IN (:ids)`,
  link: `SELECT l.id, CONCAT(l.label, ' of ', c.title) AS name FROM links l JOIN class_periods c ON c.id = l.class_id WHERE l.id IN (:ids)`,
  series: `SELECT s.id, IF(EXISTS (SELECT 1 FROM occurrences d WHERE d.series_id = s.id AND d.draft = 1), CONCAT('a draft in ', c.title), s.title) AS name FROM series s JOIN class_periods c ON c.id = s.class_id WHERE s.id IN (:ids)`,
  occurrence: `SELECT o.id, CONCAT(o.title, ', ', o.local_date) AS name FROM occurrences o WHERE o.id IN (:ids)`,
  post: `SELECT p.id, CONCAT('a post in ', c.title) AS name FROM posts p JOIN class_periods c ON c.id = p.class_id WHERE p.id IN (:ids)`,
  sitting: `SELECT m.id, CONCAT(o.title, ', ', o.local_date) AS name FROM sittings m JOIN occurrences o ON o.id = m.occurrence_id WHERE m.id IN (:ids)`,
  visitor: 'SELECT id, name FROM visitors WHERE id IN (:ids)',
  school: 'SELECT id, name FROM school WHERE id IN (:ids)',
};

/** The names of things of one kind; of those that are gone, none. */
export async function namesOf(db: Db, kind: string, ids: number[]): Promise<Map<number, string>> {
  const sql = NAMES[kind];
  if (!sql) return new Map();
  const rows = await db.rows<{ id: number; name: string }>(sql, { ids: [0, ...ids] });
  return new Map(rows.map((row) => [row.id, row.name]));
}
