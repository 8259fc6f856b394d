import {
  mapClaims,
  matchSignOn,
  ownPath,
  type PersonRole,
  type SignOnMatch,
  type SignOnTrouble,
} from '@glen/core';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { allowAccount, type NewSession } from '../../http/browserSessions.js';
import type { KeptCookie } from '../../http/keptCookie.js';
import { HttpProblem } from '../../http/problem.js';
import type { From } from '../../http/from.js';
import type { Who } from '../../http/who.js';
import { SignOnError, type SignOnProvider, type SignedOn } from '../../outside/signOnProvider.js';
import { makePerson } from '../accounts/makePerson.js';
import { begin } from '../accounts/service.js';
import { keepWords, writeAddress } from '../accounts/store.js';
import { readWays } from '../accounts/waysStore.js';
import { begunWith, cookieOf, providerOf, type Begun } from './begin.js';
import { joinAccount } from './join.js';
import {
  accountAt,
  accountWith,
  bind,
  noteSession,
  noteUsed,
  personOfAccount,
  type At,
} from './store.js';
import { putOnRolls } from './mapped.js';

/** Nobody is signed in, and why. */
class NotSignedOn extends Error {
  constructor(readonly trouble: SignOnTrouble) {
    super(trouble);
  }
}

interface Asked {
  glen: Glen;
  provider: SignOnProvider;
  signedOn: SignedOn;
}

const atOf = ({ provider, signedOn }: Asked): At => ({
  issuer: provider.issuer,
  subject: signedOn.claims.subject,
});

async function matched(asked: Asked): Promise<{ match: SignOnMatch; classIds: number[] }> {
  const { glen, provider, signedOn } = asked;
  const { claims, all } = signedOn;
  const { shut, rules } = await readWays(glen.db);
  const { roles, classIds } = mapClaims(rules, provider.id, all);
  const match = matchSignOn({
    provider,
    claims,
    bySubject: await accountAt(glen.db, atOf(asked)),
    byAddress: await accountWith(glen.db, { email: claims.email, issuer: provider.issuer }),
    shut,
    mapped: roles,
  });
  return { match, classIds };
}

async function follow(glen: Glen, accountId: number, email: string): Promise<void> {
  const personId = await personOfAccount(glen.db, accountId);
  await writeAddress(glen.db, accountId, email);
  await keepWords(glen.db, personId);
  const subject = `account:${accountId}`;
  await glen.audit({ by: personId, action: 'change-address', subject, after: email });
}

async function bindTo(asked: Asked, accountId: number): Promise<void> {
  const { glen, provider } = asked;
  const now = glen.clock.machine();
  await bind(glen.db, { ...atOf(asked), accountId, provider: provider.id, now });
  const by = await personOfAccount(glen.db, accountId);
  const subject = `account:${accountId}`;
  await glen.audit({ by, action: 'bind-sign-on', subject, after: { provider: provider.id } });
}

interface Newcomer {
  name: string;
  email: string;
  roles: PersonRole[];
}

async function takeIn(
  asked: Asked,
  { name, email, roles }: Newcomer,
  classIds: number[],
): Promise<number> {
  const { glen, provider } = asked;
  const accounts = [{ kind: provider.kind, email }];
  const personId = await makePerson(glen, { name, roles, accounts });
  const after = { name, roles, email, provider: provider.id };
  await glen.audit({ by: null, action: 'add-person', subject: `person:${personId}`, after });
  const account = (await accountWith(glen.db, { email, issuer: provider.issuer }))!;
  await bindTo(asked, account.id);
  if (roles.includes('student')) await putOnRolls(glen, personId, classIds);
  return account.id;
}

/** The account that whoever signed on comes in by; throws NotSignedOn where there is none. Within a transaction. */
async function accountFor(asked: Asked): Promise<number> {
  const { glen } = asked;
  const { match, classIds } = await matched(asked);
  switch (match.as) {
    case 'refused':
      throw new NotSignedOn(match.why);
    case 'bound':
      await noteUsed(glen.db, atOf(asked), glen.clock.machine());
      if (match.newAddress !== null) await follow(glen, match.accountId, match.newAddress);
      return match.accountId;
    case 'to-bind':
      await bindTo(asked, match.accountId);
      return match.accountId;
    case 'new':
      return takeIn(asked, match, classIds);
  }
}

/** Somebody else has taken in the same person, or address, at this moment. */
const isTaken = (error: unknown): boolean =>
  isDuplicate(error) || (error instanceof HttpProblem && error.status === 409);

/** The same where two sign on for the first time at one moment: the second finds what the first has made. */
async function settledAccount(asked: Asked): Promise<number> {
  const settle = (): Promise<number> => asked.glen.db.transaction(() => accountFor(asked));
  try {
    return await settle();
  } catch (error) {
    if (!isTaken(error)) throw error;
    return settle();
  }
}

interface Back {
  id: string;
  /** The address that the browser came back to. */
  url: URL;
  who: Who;
  from: From;
  cookie: (name: string) => string | undefined;
}

interface Finished {
  /** The page that the browser goes on to. */
  to: string;
  session?: NewSession;
  cookie?: KeptCookie;
}

async function noteHere(asked: Asked, sessionId: number): Promise<void> {
  const { glen, signedOn } = asked;
  await noteSession(glen.db, {
    ...atOf(asked),
    sessionId,
    providerSession: signedOn.session,
    idToken: signedOn.idToken,
  });
}

/** Signs in, or has the account become another of whoever is signed in. */
async function comeIn(
  asked: Asked,
  { joins }: Begun,
  { who, from }: Back,
): Promise<NewSession | undefined> {
  const { glen, provider } = asked;
  if (joins !== null && who.person?.id !== joins) throw new NotSignedOn('other-person');
  const accountId = await settledAccount(asked);
  if (joins !== null) {
    await glen.db.transaction(async () => {
      if (!(await joinAccount(glen, who, accountId))) throw new NotSignedOn('two-people');
      await allowAccount(glen, who.sessionId!, accountId);
      await noteHere(asked, who.sessionId!);
    });
    return undefined;
  }
  const way = `sign-on:${provider.id}` as const;
  return glen.db.transaction(async () => {
    const { session } = await begin(glen, accountId, { before: who, from, way });
    await noteHere(asked, session.id);
    return session;
  });
}

const troubleOf = (error: unknown): SignOnTrouble | undefined => {
  if (error instanceof NotSignedOn) return error.trouble;
  return error instanceof SignOnError ? error.fault : undefined;
};

/** A page of Glen's own with what went wrong, which it says. */
function withTrouble(next: string, trouble: SignOnTrouble, provider: SignOnProvider): string {
  const page = new URL(ownPath(next), 'http://glen.invalid');
  page.searchParams.set('trouble', trouble);
  page.searchParams.set('at', provider.id);
  return `${page.pathname}${page.search}`;
}

async function noteTrouble(glen: Glen, provider: SignOnProvider, error: unknown): Promise<void> {
  const detail = error instanceof SignOnError ? error.detail : (error as Error).message;
  glen.log.warn({ provider: provider.id, detail }, 'nobody signed on');
  await glen.auditCounted({ action: 'sign-on-failed', subject: `sign-on:${provider.id}` });
}

/** The way back from a provider: signs in, and says where the browser goes on to. Whatever is wrong is told there. */
export async function finishSignOn(glen: Glen, back: Back): Promise<Finished> {
  const provider = providerOf(glen, back.id);
  const state = back.url.searchParams.get('state') ?? '';
  const name = cookieOf(state);
  const begun = begunWith(glen, back.cookie(name), { state, provider: back.id });
  if (!begun) return { to: withTrouble('/', 'stale', provider) };
  // Used up, whatever comes of it.
  const cookie: KeptCookie = { name, value: null, seconds: 0 };
  try {
    const signedOn = await provider.finish(back.url, begun);
    const session = await comeIn({ glen, provider, signedOn }, begun, back);
    return { to: begun.next, cookie, ...(session ? { session } : {}) };
  } catch (error) {
    const trouble = troubleOf(error);
    if (trouble === undefined) throw error;
    await noteTrouble(glen, provider, error);
    return { to: withTrouble(begun.next, trouble, provider), cookie };
  }
}
