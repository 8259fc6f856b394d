import { createHash } from 'node:crypto';
import type { PersonRole } from '@glen/core';
import type { Account, Person } from '@glen/contract';

export const COOKIE = 'glen_session';

/** Who asks: the browser's session and the account in use, if any. */
export interface Who {
  sessionId: number | null;
  account: Account | null;
  person: Person | null;
}

export const NOBODY: Who = { sessionId: null, account: null, person: null };

/** Only a token's hash is kept: whoever reads the table cannot sign in with it. */
export const hashToken = (token: string): string =>
  createHash('sha256').update(token).digest('hex');

export interface WhoRow {
  session_id: number | null;
  account_id: number | null;
  kind: Account['kind'] | null;
  email: string | null;
  person_id: number | null;
  person_name: string | null;
  /** With commas. */
  person_roles: string | null;
}

/** Roles as the database lists them, with commas. */
export const rolesFrom = (listed: string | null): PersonRole[] =>
  listed ? (listed.split(',') as PersonRole[]) : [];

export const whoFromRow = (row: WhoRow): Who => ({
  sessionId: row.session_id,
  account:
    row.account_id === null ? null : { id: row.account_id, kind: row.kind!, email: row.email! },
  person:
    row.person_id === null
      ? null
      : { id: row.person_id, name: row.person_name!, roles: rolesFrom(row.person_roles) },
});
