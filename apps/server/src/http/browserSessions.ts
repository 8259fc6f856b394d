import { randomBytes } from 'node:crypto';
import type { Db } from '../db/connect.js';
import type { Glen } from '../glen.js';

/** Days for which a browser stays signed in. */
const SESSION_DAYS = 30;

export interface NewSession {
  id: number;
  token: string;
  maxAgeSeconds: number;
}

/** A browser may change to an account without its password; it is one of those that it may change to already, or comes to them. */
async function allow(db: Db, sessionId: number, accountIds: number[]): Promise<void> {
  await db.models.BrowserSessionAccount.bulkCreate(
    accountIds.map((account_id) => ({ session_id: sessionId, account_id })),
    { ignoreDuplicates: true },
  );
}

/** Accounts and places at doors go over to the browser's new session; the one it replaces ends. */
async function takeOver(db: Db, from: number, to: number): Promise<void> {
  const { BrowserSession, BrowserSessionAccount, Visitor } = db.models;
  const kept = await BrowserSessionAccount.findAll({ where: { session_id: from } });
  await allow(
    db,
    to,
    kept.map((row) => row.account_id),
  );
  await Visitor.update({ session_id: to }, { where: { session_id: from } });
  await BrowserSession.destroy({ where: { id: from } });
}

/** Begins a browser session with a fresh token, taking over the accounts of the one it replaces. */
export async function beginSession(
  { db, clock, tokens }: Pick<Glen, 'db' | 'clock' | 'tokens'>,
  accountId: number | null,
  replaces: number | null,
): Promise<NewSession> {
  const token = randomBytes(32).toString('base64url');
  const maxAgeSeconds = SESSION_DAYS * 86400;
  return db.transaction(async () => {
    const { id } = await db.models.BrowserSession.create({
      token_hash: tokens.hash('session', token),
      account_id: accountId,
      expires_at: clock.machine(maxAgeSeconds),
    });
    if (replaces !== null) await takeOver(db, replaces, id);
    if (accountId !== null) await allow(db, id, [accountId]);
    return { id, token, maxAgeSeconds };
  });
}
