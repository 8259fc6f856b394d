import type { KnownAccount } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { AccountRow } from '../../db/models/Account.js';
import { rolesOfPerson } from '../accounts/store.js';

/** Somebody at a provider of accounts: for ever the same, and nobody else's (OpenID Connect Core 1.0, 5.7). */
export interface At {
  issuer: string;
  subject: string;
}

async function known(db: Db, account: AccountRow, issuer: string): Promise<KnownAccount> {
  const bindings = await db.models.SignOn.count({ where: { account_id: account.id, issuer } });
  return {
    id: account.id,
    kind: account.kind,
    email: account.email,
    roles: await rolesOfPerson(db, account.person_id),
    isRetired: account.person!.retired_at !== null,
    isBound: bindings > 0,
  };
}

/** The account that somebody at a provider is bound to. */
export async function accountAt(db: Db, { issuer, subject }: At): Promise<KnownAccount | null> {
  const binding = await db.models.SignOn.findOne({
    where: { issuer, subject },
    include: [{ association: 'account', include: ['person'] }],
  });
  return binding ? known(db, binding.account!, issuer) : null;
}

/** The account that has an address, as whoever signs on at a provider would come to it. */
export async function accountWith(
  db: Db,
  { email, issuer }: { email: string | null; issuer: string },
): Promise<KnownAccount | null> {
  if (email === null) return null;
  const account = await db.models.Account.findOne({ where: { email }, include: ['person'] });
  return account ? known(db, account, issuer) : null;
}

/** Binds somebody at a provider to an account from now on. */
export async function bind(
  db: Db,
  { accountId, provider, now, ...at }: At & { accountId: number; provider: string; now: string },
): Promise<void> {
  const times = { begun_at: now, used_at: now };
  await db.models.SignOn.create({ ...at, account_id: accountId, provider, ...times });
}

export async function noteUsed(db: Db, at: At, now: string): Promise<void> {
  await db.models.SignOn.update({ used_at: now }, { where: { ...at } });
}

export const personOfAccount = async (db: Db, accountId: number): Promise<number> =>
  (await db.models.Account.findByPk(accountId, { attributes: ['id', 'person_id'] }))!.person_id;

interface OfSession extends At {
  sessionId: number;
  providerSession: string | null;
  idToken: string;
}

/** Keeps who signed on at a provider for a browser's session. */
export async function noteSession(
  db: Db,
  { sessionId, providerSession, idToken, issuer, subject }: OfSession,
): Promise<void> {
  const { SessionSignOn } = db.models;
  await SessionSignOn.destroy({ where: { session_id: sessionId, issuer } });
  await SessionSignOn.create({
    session_id: sessionId,
    issuer,
    subject,
    provider_session: providerSession,
    id_token: idToken,
  });
}

/** Where somebody has signed on with a browser's session. */
export const signedOnWith = async (
  db: Db,
  sessionId: number,
): Promise<{ issuer: string; idToken: string }[]> =>
  (await db.models.SessionSignOn.findAll({ where: { session_id: sessionId } })).map(
    ({ issuer, id_token: idToken }) => ({ issuer, idToken }),
  );

/** The browsers' sessions that somebody signed on for at a provider: all of a subject's, or of one session there. */
export async function sessionsFrom(
  db: Db,
  { issuer, subject, session }: { issuer: string; subject: string | null; session: string | null },
): Promise<{ sessionId: number; subject: string }[]> {
  const whose = subject === null ? {} : { subject };
  const which = session === null ? {} : { provider_session: session };
  const rows = await db.models.SessionSignOn.findAll({ where: { issuer, ...whose, ...which } });
  return rows.map(({ session_id: sessionId, subject: who }) => ({ sessionId, subject: who }));
}

/** The account that a browser's session is used with. */
export const accountInUse = async (db: Db, sessionId: number): Promise<number | null> =>
  (await db.models.BrowserSession.findByPk(sessionId, { attributes: ['id', 'account_id'] }))
    ?.account_id ?? null;

/** A browser's session has nothing more to do with a provider. */
export async function forgetSignOn(db: Db, sessionId: number, issuer: string): Promise<void> {
  await db.models.SessionSignOn.destroy({ where: { session_id: sessionId, issuer } });
}

interface Binding {
  id: number;
  accountId: number;
  personId: number;
  provider: string;
}

/** One account's way of signing on. */
export async function signOnOf(db: Db, signOnId: number): Promise<Binding | undefined> {
  const row = await db.models.SignOn.findByPk(signOnId, { include: ['account'] });
  if (!row) return undefined;
  const { id, account_id: accountId, provider } = row;
  return { id, accountId, provider, personId: row.account!.person_id };
}

/** Nobody comes in to the account by it any more, and whoever has is out. */
export async function endBinding(db: Db, { id }: Binding): Promise<void> {
  await db.models.SignOn.destroy({ where: { id } });
}

/** How whoever holds a browser's session came in last; nothing where they proved nothing. */
export async function wayOfSession(db: Db, sessionId: number): Promise<string | null> {
  const session = await db.models.BrowserSession.findByPk(sessionId, { attributes: ['id', 'way'] });
  return session?.way || null;
}

/** Those of some class periods that are there and no occasions. */
export async function classesThere(
  db: Db,
  ids: number[],
): Promise<{ id: number; goesOn: boolean }[]> {
  const rows = await db.models.ClassPeriod.findAll({
    attributes: ['id', 'put_away_at'],
    where: { id: ids, kind: 'class' },
  });
  return rows.map(({ id, put_away_at: away }) => ({ id, goesOn: away === null }));
}
