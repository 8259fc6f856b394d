import { areStaff } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { signOutElsewhere } from '../../http/browserSessions.js';
import { HttpProblem, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readAbout } from '../school/aboutStore.js';
import { signOnsOf } from './signOnsStore.js';
import { countTry, succeeded } from './slowDown.js';
import { countWaysInto } from './waysIntoStore.js';
import { mustTakePassword } from './ways.js';
import { hashPassword, passwordFits } from './passwords.js';
import {
  accountById,
  accountsOfPerson,
  heldAccount,
  keepWords,
  ownWishesOf,
  writeAddress,
  writeOwnWishes,
  writePassword,
} from './store.js';

type Own = Answer<'ownAccount'>;

/** The school says what its students are called: they would stand at doors by any name. */
const mayRename = (who: Who): boolean =>
  areStaff(who.person!.roles) || !who.person!.roles.includes('student');

/** One's own account and wishes. */
export async function describeOwn(glen: Glen, who: Who): Promise<Own> {
  const id = who.person!.id;
  const [wishes, accounts] = await Promise.all([
    ownWishesOf(glen.db, id),
    accountsOfPerson(glen.db, id),
  ]);
  const signOns = await signOnsOf(
    glen,
    accounts.map((a) => a.id),
  );
  return {
    ...wishes,
    toldBySchool: (await readAbout(glen.db)).told,
    mails: glen.mail !== null,
    mayRename: mayRename(who),
    accounts: accounts.map((a) => ({ ...a, signOns: signOns(a.id) })),
  };
}

/** Changes what one is called, how times and colours are shown, and what one is told. */
export async function changeOwn(
  glen: Glen,
  who: Who,
  { version, name, ...wishes }: Body<'setOwnAccount'>,
): Promise<Own> {
  const id = who.person!.id;
  const isDone = await glen.db.transaction(async () => {
    const before = await ownWishesOf(glen.db, id);
    if (name !== before.name && !mayRename(who))
      throw wrongField('name', 'The school says what you are called; ask its office.');
    if (!(await writeOwnWishes(glen.db, id, version, { name, ...wishes }))) return false;
    await keepWords(glen.db, id);
    await glen.audit({
      by: id,
      action: 'edit-own-account',
      subject: `person:${id}`,
      before,
      after: { name, ...wishes },
    });
    await glen.announce(`person:${id}`, { thing: 'me', id });
    return true;
  });
  const now = await describeOwn(glen, who);
  if (!isDone) throw stale(now);
  return now;
}

/** Throws 422 beside the field unless this is the password of an account; whoever guesses at a browser that stands open is slowed down. */
async function mustKnowPassword(glen: Glen, accountId: number, password: string): Promise<void> {
  const bucket = `own-password:${accountId}`;
  await countTry(glen, bucket);
  const account = await accountById(glen.db, accountId);
  if (await passwordFits(account?.password_hash ?? undefined, password))
    return succeeded(glen, bucket);
  throw wrongField('now', 'This is not the password of the account in use.');
}

/** Another password for the account in use; every other browser is signed out of it. */
export async function changePassword(
  glen: Glen,
  who: Who,
  { now, next }: Body<'changePassword'>,
): Promise<{ ok: true }> {
  const { id } = who.account!;
  await mustKnowPassword(glen, id, now);
  const hash = await hashPassword(next);
  await glen.db.transaction(async () => {
    await writePassword(glen.db, id, hash);
    await signOutElsewhere(glen, [id], who.sessionId!);
    await glen.audit({ by: who.person!.id, action: 'change-password', subject: `account:${id}` });
  });
  return { ok: true };
}

/**
 * A password for the account in use, where there is no other way in to it: a guest's who came by a one-time address. Who has
 * one already proves themselves by it.
 */
export async function firstPassword(
  glen: Glen,
  who: Who,
  { next }: Body<'firstPassword'>,
): Promise<{ ok: true }> {
  const { id } = who.account!;
  const hash = await hashPassword(next);
  await glen.db.transaction(async () => {
    const account = (await heldAccount(glen.db, id))!;
    await mustTakePassword(glen, account);
    if ((await countWaysInto(glen.db, id)) > 0)
      throw new HttpProblem(409, 'There is a way in to this account already; sign in by that.');
    await writePassword(glen.db, id, hash);
    await glen.audit({ by: who.person!.id, action: 'set-password', subject: `account:${id}` });
  });
  return { ok: true };
}

/** Another address for the account in use. The school says by which address its students are known. */
export async function changeAddress(
  glen: Glen,
  who: Who,
  { accountId, email, now }: Body<'changeAddress'>,
): Promise<Own> {
  const by = who.person!.id;
  const account = (await accountsOfPerson(glen.db, by)).find((a) => a.id === accountId);
  if (!account) throw wrongField('accountId', 'This account is not yours.');
  if (accountId !== who.account!.id)
    throw new HttpProblem(409, 'Use this account first; then its address can be changed.');
  if (account.kind === 'school' && !areStaff(who.person!.roles))
    throw new HttpProblem(403, 'The school says by which address it knows you; ask its office.');
  await mustKnowPassword(glen, accountId, now);
  try {
    await glen.db.transaction(async () => {
      await writeAddress(glen.db, accountId, email);
      await keepWords(glen.db, by);
      await glen.audit({
        by,
        action: 'change-address',
        subject: `account:${accountId}`,
        before: account.email,
        after: email,
      });
      await glen.announce(`person:${by}`, { thing: 'me', id: by });
    });
  } catch (error) {
    if (isDuplicate(error)) throw wrongField('email', 'Somebody has this address already.');
    throw error;
  }
  return describeOwn(glen, who);
}
