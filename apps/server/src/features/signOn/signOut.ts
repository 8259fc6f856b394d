import { createHash } from 'node:crypto';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { endSessions, forgetAccount } from '../../http/browserSessions.js';
import { networkOf, type From } from '../../http/from.js';
import { isFirst } from '../../http/onceStore.js';
import { HttpProblem } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { SignOnError } from '../../outside/signOnProvider.js';
import { noteFailure, refuseWhenFull } from '../accounts/failureStore.js';
import { providerOf } from './begin.js';
import {
  accountAt,
  accountInUse,
  forgetSignOn,
  sessionsFrom,
  signedOnWith,
  type At,
} from './store.js';

/** Where somebody may sign out at the provider, too; nothing where they did not sign on, or it does not answer. */
async function thereOf(glen: Glen, sessionId: number): Promise<Answer<'signOut'>['there']> {
  for (const { issuer, idToken } of await signedOnWith(glen.db, sessionId)) {
    const provider = [...glen.signOn.values()].find((one) => one.issuer === issuer);
    const address = await provider?.endAddress(idToken).catch(() => null);
    if (provider && address) return { name: provider.name, address };
  }
  return null;
}

/** Signs out of every account at this browser, and says where else. */
export async function signOut(
  glen: Glen,
  { sessionId, account, person }: Who,
): Promise<Answer<'signOut'>> {
  if (sessionId === null) return { ok: true, there: null };
  const there = await thereOf(glen, sessionId);
  await glen.db.transaction(async () => {
    await endSessions(glen, [sessionId]);
    if (account && person)
      await glen.audit({ by: person.id, action: 'sign-out', subject: `account:${account.id}` });
  });
  return { ok: true, there };
}

/** Ends a browser's session that is used by an account which is signed out elsewhere; from another's, the account goes. */
async function endAt(glen: Glen, sessionId: number, at: At): Promise<void> {
  const accountId = (await accountAt(glen.db, at))?.id;
  if (accountId === undefined || (await accountInUse(glen.db, sessionId)) === accountId)
    return endSessions(glen, [sessionId]);
  await forgetAccount(glen, sessionId, accountId);
  await forgetSignOn(glen.db, sessionId, at.issuer);
}

/** Each token that is none has the provider asked for its keys: from one network not without end. */
const WRONG_TOKENS = { most: 60, minutes: 15 };

/** A provider tells that somebody has signed out there: what they signed on for ends here as well. */
export async function signedOutThere(
  glen: Glen,
  { id, token, from }: { id: string; token: string; from: From },
): Promise<{ ok: true }> {
  const provider = providerOf(glen, id);
  const network = `signed-out-from:${networkOf(from.address)}`;
  await refuseWhenFull(glen.db, glen.clock, network, WRONG_TOKENS);
  const told = await provider.readSignedOut(token).catch(async (error: unknown) => {
    if (!(error instanceof SignOnError)) throw error;
    await noteFailure(glen.db, glen.clock, network);
    await glen.auditCounted({ action: 'refused-webhook', subject: `sign-on:${id}` });
    glen.log.warn({ provider: id, detail: error.detail }, 'a sign-out is none');
    throw new HttpProblem(400, 'This token is none that signs anybody out.');
  });
  const digest = createHash('sha256').update(`${id} ${told.number}`).digest('base64url');
  const number = `sign-on ${digest}`;
  await glen.db.transaction(async () => {
    if (!(await isFirst(glen.db, number, glen.clock.machine()))) return;
    const { issuer } = provider;
    for (const { sessionId, subject } of await sessionsFrom(glen.db, { issuer, ...told }))
      await endAt(glen, sessionId, { issuer, subject });
  });
  return { ok: true };
}
