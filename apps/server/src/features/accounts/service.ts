import type { Me } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { beginSession, type NewSession } from '../../http/browserSessions.js';
import { type Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { noteFailure, refuseWhenFull } from './failureStore.js';
import { passwordFits } from './passwords.js';
import {
  accountByEmail,
  accountById,
  accountsOfSession,
  personById,
  lookWishesOf,
  useAccount,
} from './store.js';

/** From one network address a class may mistype often; one account from one address, rarely. */
const BY_ACCOUNT = { most: 10, minutes: 15 };
const BY_ADDRESS = { most: 200, minutes: 15 };

/** Which account is in use, which others this browser holds, and what time the school has. */
export async function describeMe(glen: Glen, who: Who): Promise<Me> {
  const school = await readSchool(glen.db);
  const wishes = await lookWishesOf(glen.db, who.person?.id);
  const accounts = who.sessionId === null ? [] : await accountsOfSession(glen.db, who.sessionId);
  return {
    school: {
      name: school.name,
      zone: school.calendar.zone,
      help: school.help,
      classesBy: school.classes_by,
      alone: Boolean(school.alone),
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
    services: { video: glen.video !== null, courseSite: glen.courseSite !== null },
    person: who.person,
    account: who.account,
    accounts: accounts.map(({ id, kind, email, name }) => ({ id, kind, email, name })),
  };
}

export type SignedIn = { session: NewSession; who: Who };

/** Begins a browser session for an account; `before` is whoever used this browser until now. */
export async function begin(glen: Glen, accountId: number, before: Who | null): Promise<SignedIn> {
  const account = await accountById(glen.db, accountId);
  if (!account) throw notFound('This account');
  const replaces = before?.sessionId ?? null;
  const session = await beginSession(glen, account.id, replaces);
  const person = await personById(glen.db, account.person_id);
  await glen.audit({
    by: account.person_id,
    action: 'sign-in',
    subject: `account:${account.id}`,
  });
  return {
    session,
    who: {
      sessionId: session.id,
      account: { id: account.id, kind: account.kind, email: account.email },
      person: person!,
    },
  };
}

/** Signs in by password. Unknown people and wrong passwords get the same answer, after the same work. */
export async function signIn(
  glen: Glen,
  given: { email: string; password: string },
  address: string,
  before: Who,
): Promise<SignedIn> {
  const email = given.email.trim().toLowerCase();
  const buckets = [
    { name: `sign-in:${email}:${address}`, limit: BY_ACCOUNT },
    { name: `sign-in:${address}`, limit: BY_ADDRESS },
  ];
  for (const { name, limit } of buckets) await refuseWhenFull(glen.db, glen.clock, name, limit);
  const account = await accountByEmail(glen.db, email);
  if (!(await passwordFits(account?.password_hash ?? undefined, given.password))) {
    for (const { name } of buckets) await noteFailure(glen.db, glen.clock, name);
    const message = 'Address and password do not fit together.';
    throw new HttpProblem(422, message, { errors: [{ path: 'password', message }] });
  }
  return begin(glen, account!.id, before);
}

/** The demo's one-click sign-in. */
export const signInAs = (glen: Glen, accountId: number, before: Who): Promise<SignedIn> =>
  begin(glen, accountId, before);

/** Uses another account that this browser is signed in to. */
export async function switchAccount(glen: Glen, who: Who, accountId: number): Promise<Who> {
  const changed = await useAccount(glen.db, who.sessionId!, accountId);
  if (!changed) throw notFound('This account');
  const account = (await accountById(glen.db, accountId))!;
  const person = (await personById(glen.db, account.person_id))!;
  return {
    sessionId: who.sessionId,
    account: { id: account.id, kind: account.kind, email: account.email },
    person,
  };
}
