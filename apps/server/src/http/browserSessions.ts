import { randomBytes } from 'node:crypto';
import Bowser from 'bowser';
import { Op } from 'sequelize';
import type { Db } from '../db/connect.js';
import type { Glen } from '../glen.js';
import { idleSince } from './idle.js';

// Browsers that somebody is signed in with. Each ends after days without use and after a longest time in any case; one
// holds accounts of one person only.

/** A session is over then, however much it is used. */
const LONGEST_DAYS = 90;
const DAY_SECONDS = 86400;
/** So seldom is it noted that a session is used. */
const NOTED_SECONDS = 15 * 60;
const MOST_LETTERS = 120;

export interface NewSession {
  id: number;
  token: string;
  maxAgeSeconds: number;
}

type Sessions = Pick<Glen, 'db' | 'clock' | 'tokens' | 'announce'>;

/** What a browser calls itself, in words: "Firefox on Linux"; nothing where it does not say. */
function browserInWords(userAgent: string | undefined): string {
  if (!userAgent) return '';
  const { browser, os } = Bowser.parse(userAgent);
  const words = [browser.name, os.name].filter(Boolean).join(' on ');
  return words.slice(0, MOST_LETTERS);
}

/** Whoever has a stream open under a session hears nothing more by it, and ways into rooms that were given are worth nothing. */
async function endWays({ db, announce }: Sessions, sessionId: number): Promise<void> {
  await announce(`session:${sessionId}`, { thing: 'me', id: sessionId });
  await db.models.Visitor.update(
    { ticket: null },
    { where: { session_id: sessionId, ticket: { [Op.ne]: null } } },
  );
}

/** A browser may change to an account without its password; it is one of those that it may change to already, or comes to them. */
async function allow(db: Db, sessionId: number, accountIds: number[]): Promise<void> {
  await db.models.BrowserSessionAccount.bulkCreate(
    accountIds.map((account_id) => ({ session_id: sessionId, account_id })),
    { ignoreDuplicates: true },
  );
}

/** A browser may change to an account from now on that has just been proven to be its person's. */
export const allowAccount = ({ db }: Sessions, sessionId: number, accountId: number) =>
  allow(db, sessionId, [accountId]);

/** The browser may use an account no longer that is not in use just now. */
export async function forgetAccount(
  { db, announce }: Sessions,
  sessionId: number,
  accountId: number,
): Promise<void> {
  const where = { session_id: sessionId, account_id: accountId };
  await db.models.BrowserSessionAccount.destroy({ where });
  await announce(`session:${sessionId}`, { thing: 'me', id: sessionId });
}

/** Whose accounts a session holds; nothing where nobody has signed in with it. */
async function personOf(db: Db, sessionId: number): Promise<number | null> {
  const held = await db.models.BrowserSessionAccount.findOne({
    where: { session_id: sessionId },
    include: ['account'],
  });
  return held?.account?.person_id ?? null;
}

/**
 * Accounts and places at doors go over to the browser's new session, unless they are another person's; the one that it
 * replaces ends.
 */
async function takeOver(
  glen: Sessions,
  { from, to, personId }: { from: number; to: number; personId: number | null },
): Promise<void> {
  const { BrowserSession, BrowserSessionAccount, SessionSignOn, Visitor } = glen.db.models;
  await endWays(glen, from);
  const before = await personOf(glen.db, from);
  if (before === null || before === personId) {
    const kept = await BrowserSessionAccount.findAll({ where: { session_id: from } });
    await allow(
      glen.db,
      to,
      kept.map((row) => row.account_id),
    );
    await Visitor.update({ session_id: to }, { where: { session_id: from } });
    await SessionSignOn.update({ session_id: to }, { where: { session_id: from } });
  }
  await BrowserSession.destroy({ where: { id: from } });
}

interface Beginning {
  /** The account in use; nothing for a guest at a door. */
  accountId: number | null;
  /** The session that this browser has had until now. */
  replaces: number | null;
  userAgent: string | undefined;
  /** How they came in; nothing where they proved nothing. */
  way: string | null;
}

/** Begins a browser session with a fresh token. */
export async function beginSession(
  glen: Sessions,
  { accountId, replaces, userAgent, way }: Beginning,
): Promise<NewSession> {
  const { db, clock, tokens } = glen;
  const token = randomBytes(32).toString('base64url');
  const maxAgeSeconds = LONGEST_DAYS * DAY_SECONDS;
  return db.transaction(async () => {
    const { id } = await db.models.BrowserSession.create({
      token_hash: tokens.hash('session', token),
      account_id: accountId,
      begun_at: clock.machine(),
      seen_at: clock.machine(),
      expires_at: clock.machine(maxAgeSeconds),
      browser: browserInWords(userAgent),
      way: way ?? '',
    });
    const account = accountId === null ? null : await db.models.Account.findByPk(accountId);
    if (replaces !== null)
      await takeOver(glen, { from: replaces, to: id, personId: account?.person_id ?? null });
    if (accountId !== null) await allow(db, id, [accountId]);
    return { id, token, maxAgeSeconds };
  });
}

/** Notes that a session is used, once in a while. */
export async function noteUse(
  { db, clock }: Pick<Glen, 'db' | 'clock'>,
  { id, seenAt }: { id: number; seenAt: string },
): Promise<void> {
  if (seenAt > clock.machine(-NOTED_SECONDS)) return;
  await db.models.BrowserSession.update({ seen_at: clock.machine() }, { where: { id } });
}

/** Changes to an account that the browser may use without its password; whether it may. */
export async function useAccount(
  glen: Sessions,
  sessionId: number,
  accountId: number,
): Promise<boolean> {
  const { BrowserSession, BrowserSessionAccount } = glen.db.models;
  const allowed = await BrowserSessionAccount.count({
    where: { session_id: sessionId, account_id: accountId },
  });
  if (allowed === 0) return false;
  const changes = { account_id: accountId, confirmed_at: null };
  await BrowserSession.update(changes, { where: { id: sessionId } });
  await endWays(glen, sessionId);
  return true;
}

/** Signs out of everything at some browsers. */
export async function endSessions(glen: Sessions, ids: number[]): Promise<void> {
  for (const id of ids) await endWays(glen, id);
  await glen.db.models.BrowserSession.destroy({ where: { id: ids } });
}

/** Signs accounts out of every browser but one; without it of every one. */
export async function signOutElsewhere(
  glen: Sessions,
  accountIds: number[],
  except?: number,
): Promise<void> {
  const { BrowserSession, BrowserSessionAccount } = glen.db.models;
  const other = { [Op.ne]: except ?? 0 };
  const used = { account_id: accountIds, id: other };
  for (const { id } of await BrowserSession.findAll({ attributes: ['id'], where: used }))
    await endWays(glen, id);
  await BrowserSession.update({ account_id: null }, { where: used });
  await BrowserSessionAccount.destroy({ where: { account_id: accountIds, session_id: other } });
}

/** The browsers that a person is signed in with, the last used first. */
export const sessionsOfPerson = async (glen: Pick<Glen, 'db' | 'clock'>, personId: number) => {
  const { Account, BrowserSession, BrowserSessionAccount } = glen.db.models;
  const accounts = await Account.findAll({ attributes: ['id'], where: { person_id: personId } });
  const held = await BrowserSessionAccount.findAll({
    attributes: ['session_id'],
    where: { account_id: accounts.map((account) => account.id) },
  });
  const sessions = await BrowserSession.findAll({
    where: {
      id: [...new Set(held.map((row) => row.session_id))],
      expires_at: { [Op.gt]: glen.clock.machine() },
      seen_at: { [Op.gt]: idleSince(glen.clock) },
    },
    order: [
      ['seen_at', 'DESC'],
      ['id', 'DESC'],
    ],
  });
  return sessions.map(({ id, browser, begun_at, seen_at }) => ({ id, browser, begun_at, seen_at }));
};
