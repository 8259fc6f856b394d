import { randomBytes } from 'node:crypto';
import type { Clock } from '../clock.js';
import { toSql, type Db } from '../db/connect.js';
import { NOBODY, hashToken, whoFromRow, type Who, type WhoRow } from './who.js';

/** Days for which a browser stays signed in. */
const SESSION_DAYS = 30;

/** All roles of a person, with commas, in the order of the column's type. */
export const rolesOf = (personId: string): string =>
  `(SELECT GROUP_CONCAT(pr.role ORDER BY pr.role) FROM person_roles pr WHERE pr.person_id = ${personId})`;

/** The columns and joins that tell who holds a session token; `bs` may be joined on by others. */
export const WHO_COLUMNS = `bs.id AS session_id, a.id AS account_id, a.kind, a.email, p.id AS person_id, p.name AS person_name, ${rolesOf('p.id')} AS person_roles`;
const WHO_JOINS = `LEFT JOIN accounts a ON a.id = bs.account_id LEFT JOIN people p ON p.id = a.person_id`;

export async function whoHolds(db: Db, clock: Clock, token: string | undefined): Promise<Who> {
  if (!token) return NOBODY;
  const row = await db.one<WhoRow>(
    `SELECT ${WHO_COLUMNS} FROM browser_sessions bs ${WHO_JOINS} WHERE bs.token_hash = :hash AND bs.expires_at > :now`,
    { hash: hashToken(token), now: toSql(clock.machine()) },
  );
  return row ? whoFromRow(row) : NOBODY;
}

export interface NewSession {
  id: number;
  token: string;
  maxAgeSeconds: number;
}

/** Begins a browser session with a fresh token, taking over the accounts of the one it replaces. */
export async function beginSession(
  db: Db,
  clock: Clock,
  accountId: number | null,
  replaces: number | null,
): Promise<NewSession> {
  const token = randomBytes(32).toString('base64url');
  const maxAgeSeconds = SESSION_DAYS * 86400;
  return db.transaction(async () => {
    const id = await db.insert('browser_sessions', {
      token_hash: hashToken(token),
      account_id: accountId,
      expires_at: toSql(clock.machine(maxAgeSeconds)),
    });
    if (replaces !== null) {
      await db.change(
        'INSERT INTO browser_session_accounts (session_id, account_id) SELECT :id, account_id FROM browser_session_accounts WHERE session_id = :replaces',
        { id, replaces },
      );
      await db.change('UPDATE visitors SET session_id = :id WHERE session_id = :replaces', {
        id,
        replaces,
      });
      await db.change('DELETE FROM browser_sessions WHERE id = :replaces', { replaces });
    }
    if (accountId !== null)
      await db.change(
        'INSERT IGNORE INTO browser_session_accounts (session_id, account_id) VALUES (:id, :accountId)',
        { id, accountId },
      );
    return { id, token, maxAgeSeconds };
  });
}
