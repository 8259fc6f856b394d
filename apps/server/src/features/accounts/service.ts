import { SIGNERS, mayUseWay, passkeyHost, registerWays, type WayIn } from '@glen/core';
import type { Me } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { networkOf, type From } from '../../http/from.js';
import { beginSession, useAccount, type NewSession } from '../../http/browserSessions.js';
import { type Who } from '../../http/who.js';
import { mustTakePassword } from './ways.js';
import { readWays } from './waysStore.js';
import { readSchool } from '../school/store.js';
import { noteFailure, refuseWhenFull } from './failureStore.js';
import { isKnownFor, know } from './knownBrowsers.js';
import { countTry, succeeded } from './slowDown.js';
import { passwordFits } from './passwords.js';
import {
  accountByEmail,
  accountById,
  accountsOfSession,
  personById,
  lookWishesOf,
} from './store.js';

/** Wrong passwords from one network, for whatever accounts: a school that shares an address stays well below. */
const FROM_NETWORK = { most: 300, minutes: 15 };

function passkeysAt({ config }: Glen, isOpen: boolean): Me['ways']['passkeys'] {
  if (passkeyHost(config.publicUrl) === null) return 'no-domain';
  return isOpen ? 'open' : 'shut';
}

/** Which account is in use, which others this browser holds, and what time the school has. */
export async function describeMe(glen: Glen, who: Who): Promise<Me> {
  const school = await readSchool(glen.db);
  const wishes = await lookWishesOf(glen.db, who.person?.id);
  const { shut } = await readWays(glen.db);
  const isOpen = (way: WayIn): boolean => SIGNERS.some((signers) => mayUseWay(shut, signers, way));
  const accounts = who.sessionId === null ? [] : await accountsOfSession(glen.db, who.sessionId);
  return {
    school: {
      name: school.name,
      zone: school.calendar.zone,
      help: school.help,
      classesBy: school.classes_by,
      alone: Boolean(school.alone),
      keepsChat: registerWays(school.registers).keepsChat,
    },
    writes: {
      dateOrder: wishes.dateOrder ?? school.date_order,
      hours: wishes.hours ?? school.hours,
    },
    theme: wishes.theme,
    clock: {
      now: glen.clock.school(),
      offsetSeconds: glen.clock.offsetSeconds,
      zone: school.calendar.zone,
    },
    demo: glen.config.demo,
    services: {
      video: glen.video !== null,
      courseSite: glen.courseSite !== null,
      mail: glen.mail !== null,
    },
    ways: {
      providers: [...glen.signOn.values()].map(({ id, name, kind }) => ({ id, name, kind })),
      passwords: isOpen('password'),
      passkeys: passkeysAt(glen, isOpen('passkey')),
    },
    person: who.person,
    account: who.account,
    accounts: accounts.map(({ id, kind, email, name }) => ({ id, kind, email, name })),
  };
}

export type SignedIn = { session: NewSession; who: Who };

/** Whoever used this browser until now, and where it is. */
export interface At {
  before: Who | null;
  from: From;
}

/** Begins a browser session for an account; from now on the browser is known for it. */
export async function begin(
  glen: Glen,
  accountId: number,
  { before, from, way }: At & { way: WayIn | null },
): Promise<SignedIn> {
  const account = await accountById(glen.db, accountId);
  if (!account) throw notFound('This account');
  const session = await glen.db.transaction(async () => {
    const begun = await beginSession(glen, {
      accountId: account.id,
      replaces: before?.sessionId ?? null,
      userAgent: from.userAgent,
      way,
    });
    await know(glen, account.id, from);
    const subject = `account:${account.id}`;
    await glen.audit({ by: account.person_id, action: 'sign-in', subject, after: { way } });
    return begun;
  });
  const person = await personById(glen.db, account.person_id);
  return {
    session,
    who: {
      sessionId: session.id,
      account: { id: account.id, kind: account.kind, email: account.email },
      person: person!,
    },
  };
}

/** What wrong passwords of an account are counted by, whoever asks and whether there is such an account. */
const triesOf = (email: string): string => `sign-in:${email}`;

/**
 * Throws 429 where an account or a network has had too many wrong passwords. The try counts from now on. A browser from
 * which somebody has signed in to the account before is not held up by what others try.
 */
async function holdUp(glen: Glen, email: string, { address }: From): Promise<void> {
  const network = `sign-in-from:${networkOf(address)}`;
  await refuseWhenFull(glen.db, glen.clock, network, FROM_NETWORK);
  await countTry(glen, triesOf(email));
}

/** Notes a wrong password where it counts; of an address that nobody has (0) as much as of others. */
async function noteWrong(glen: Glen, accountId: number, { address }: From): Promise<void> {
  await glen.auditCounted({ action: 'sign-in-failed', subject: `account:${accountId}` });
  await noteFailure(glen.db, glen.clock, `sign-in-from:${networkOf(address)}`);
}

/** Signs in by password. Unknown people and wrong passwords get the same answer, after the same work. */
export async function signIn(
  glen: Glen,
  given: { email: string; password: string },
  at: At,
): Promise<SignedIn> {
  const { from } = at;
  const email = given.email.trim().toLowerCase();
  const account = await accountByEmail(glen.db, email);
  if (!(await isKnownFor(glen, account?.id ?? 0, from))) await holdUp(glen, email, from);
  if (!(await passwordFits(account?.password_hash ?? undefined, given.password))) {
    await noteWrong(glen, account?.id ?? 0, from);
    const message = 'Address and password do not fit together.';
    throw new HttpProblem(422, message, { errors: [{ path: 'password', message }] });
  }
  await succeeded(glen, triesOf(email));
  await mustTakePassword(glen, account!);
  return begin(glen, account!.id, { ...at, way: 'password' });
}

/** The demo's one-click sign-in. */
export const signInAs = (glen: Glen, accountId: number, at: At): Promise<SignedIn> =>
  begin(glen, accountId, { ...at, way: null });

/** Uses another account that this browser is signed in to. */
export async function switchAccount(glen: Glen, who: Who, accountId: number): Promise<Who> {
  const account = await glen.db.transaction(async () => {
    if (!(await useAccount(glen, who.sessionId!, accountId))) throw notFound('This account');
    const used = (await accountById(glen.db, accountId))!;
    const subject = `account:${used.id}`;
    await glen.audit({ by: used.person_id, action: 'switch-account', subject });
    return used;
  });
  const person = (await personById(glen.db, account.person_id))!;
  return {
    sessionId: who.sessionId,
    account: { id: account.id, kind: account.kind, email: account.email },
    person,
  };
}
