import type { Glen } from '../glen.js';
import { toSql } from '../db/sqlTime.js';
import { noteUse } from './browserSessions.js';
import { idleSince } from './idle.js';
import { NOBODY, whoFromRow, type Who, type WhoRow } from './who.js';

/** All roles of a person, with commas, in the order of the column's type. */
export const rolesOf = (personId: string): string =>
  `(SELECT GROUP_CONCAT(pr.role ORDER BY pr.role) FROM person_roles pr WHERE pr.person_id = ${personId})`;

const WHO = `SELECT bs.id AS session_id, bs.seen_at, a.id AS account_id, a.kind, a.email, p.id AS person_id, p.name AS person_name, ${rolesOf('p.id')} AS person_roles
  FROM browser_sessions bs LEFT JOIN accounts a ON a.id = bs.account_id LEFT JOIN people p ON p.id = a.person_id
  WHERE bs.token_hash = :hash AND bs.expires_at > :now AND bs.seen_at > :idle`;

interface HeldRow extends WhoRow {
  seen_at: string;
}

/** Who holds a browser's token. Asked with every request, so prepared. */
export async function whoHolds(
  { db, clock, tokens }: Pick<Glen, 'db' | 'clock' | 'tokens'>,
  token: string | undefined,
): Promise<Who> {
  if (!token) return NOBODY;
  const values = {
    hash: tokens.hash('session', token),
    now: toSql(clock.machine()),
    idle: toSql(idleSince(clock)),
  };
  const [row] = await db.prepared<HeldRow>(WHO, values, ['seen_at']);
  if (!row) return NOBODY;
  await noteUse({ db, clock }, { id: row.session_id!, seenAt: row.seen_at });
  return whoFromRow(row);
}
