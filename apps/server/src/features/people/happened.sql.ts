import type { Action } from '@glen/core';
import type { Query } from '@glen/contract';
import type { Db } from '../../db/connect.js';

/** How many entries are given at once. */
export const ENTRIES_AT_ONCE = 60;

export interface LogRow {
  id: number;
  at: string;
  person_id: number | null;
  by_name: string | null;
  helper_name: string | null;
  action: string;
  subject: string;
  before_state: unknown;
  after_state: unknown;
}

type Kind = NonNullable<Query<'happened'>['kind']>;

/** Which subjects belong to a kind: what stands before their colon. */
const SUBJECTS: Record<Exclude<Kind, 'signing-in'>, string[]> = {
  people: ['person', 'account'],
  classes: ['class'],
  links: ['link'],
  sessions: ['series', 'occurrence'],
  posts: ['post', 'placement'],
  doors: ['sitting', 'visitor'],
  school: ['school'],
  services: ['video'],
};

/** What people do to come in and go, and what was refused to whoever tried. */
const SIGNING_IN: Action[] = [
  'sign-in',
  'sign-in-failed',
  'sign-out',
  'sign-out-elsewhere',
  'switch-account',
  'sign-on-failed',
  'bind-sign-on',
  'unbind-sign-on',
  'join-account',
  'add-passkey',
  'rename-passkey',
  'remove-passkey',
  'come-as-guest',
];

function kindOf(kind: Kind | undefined): string {
  // What a service outside sends is no deed of anybody’s: it is told where it is asked for.
  if (kind === undefined) return `g.subject <> 'video'`;
  if (kind === 'signing-in') return 'g.action IN (:actions)';
  return `SUBSTRING_INDEX(g.subject, ':', 1) IN (:subjects)`;
}

/** What was done, the newest first; one more than a page where there is more. By a person, and what was done to them. */
export function logRows(db: Db, { person, kind, before }: Query<'happened'>): Promise<LogRow[]> {
  const conditions = [
    person === undefined
      ? ''
      : `(g.person_id = :person OR g.helper_id = :person OR g.subject = CONCAT('person:', :person) OR g.subject IN (SELECT CONCAT('account:', a.id) FROM accounts a WHERE a.person_id = :person))`,
    kindOf(kind),
    before === undefined ? '' : 'g.id < :before',
  ].filter(Boolean);
  return db.rows<LogRow>(
    `SELECT g.id, COALESCE(g.school_at, g.at) AS at, g.person_id, p.name AS by_name, h.name AS helper_name, g.action, g.subject, g.before_state, g.after_state
     FROM audit_log g LEFT JOIN people p ON p.id = g.person_id LEFT JOIN people h ON h.id = g.helper_id
     WHERE ${conditions.join(' AND ')} ORDER BY g.id DESC LIMIT ${ENTRIES_AT_ONCE + 1}`,
    {
      person: person ?? 0,
      before: before ?? 0,
      subjects: kind === undefined || kind === 'signing-in' ? [''] : SUBJECTS[kind],
      actions: SIGNING_IN,
    },
  );
}
