import type { PersonRole } from '@glen/core';
import type { Account, Person } from '@glen/contract';

/** Behind https no other host or path can set it (RFC 6265bis, `__Host-`). */
export const hostOnly = ({ publicUrl }: { publicUrl: string }, name: string): string =>
  publicUrl.startsWith('https:') ? `__Host-${name}` : name;

/** What a browser keeps its session's token under. */
export const cookieName = (config: { publicUrl: string }): string =>
  hostOnly(config, 'glen_session');

/** What it keeps the token under by which it is known again. */
export const knownName = (config: { publicUrl: string }): string =>
  hostOnly(config, 'glen_browser');

/** Who asks: the browser's session and the account in use, if any. */
export interface Who {
  sessionId: number | null;
  account: Account | null;
  person: Person | null;
}

export const NOBODY: Who = { sessionId: null, account: null, person: null };

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
