import { areOffice, areStaff } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { teachesPerson } from '../../http/accessStore.sql.js';
import { signOutElsewhere } from '../../http/browserSessions.js';
import { readSchool } from '../school/store.js';
import { hashPassword } from './passwords.js';
import { begin, type At, type SignedIn } from './service.js';
import { mustTakePassword } from './ways.js';
import {
  accountById,
  accountOfAddress,
  personById,
  rolesOfPerson,
  whoResets,
  writePassword,
} from './store.js';

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address does not work any more.', {
    detail: 'It works once, and for three days. Whoever gave it to you can give you another.',
  });

/**
 * Whether an address still counts: it is worth nothing once whoever gave it may not give it any more. The office may at
 * any time; a colleague who named a new teacher, until that one has a password; a host of a student's, to whom the
 * school leaves it for those who have one already.
 */
async function stillCounts(
  glen: Glen,
  account: { person_id: number; password_hash: string | null },
  madeBy: number | null,
): Promise<boolean> {
  const maker = madeBy === null ? undefined : await personById(glen.db, madeBy);
  if (!maker) return madeBy === null;
  if (areOffice(maker.roles)) return true;
  const isFirst = account.password_hash === null;
  if (areStaff(await rolesOfPerson(glen.db, account.person_id))) return isFirst;
  if (!(await teachesPerson(glen.db, maker.id, account.person_id))) return false;
  return isFirst || (await whoResets(glen.db)) === 'hosts';
}

/** The account that an address sets the password of; held against others where it is about to be used. */
async function accountFor(glen: Glen, token: string, isHeld = false) {
  const asked = { tokenHash: glen.tokens.hash('one-time', token), now: glen.clock.machine() };
  const found = await accountOfAddress(glen.db, asked, isHeld);
  const account = found && (await accountById(glen.db, found.accountId));
  if (!account || !(await stillCounts(glen, account, found.madeBy))) throw gone();
  return account;
}

/** Whose password a one-time address sets. */
export async function passwordFor(glen: Glen, token: string): Promise<Answer<'passwordFor'>> {
  const account = await accountFor(glen, token);
  return {
    name: account.name,
    email: account.email,
    school: (await readSchool(glen.db)).name,
  };
}

/** Sets the password, once, and signs its owner in at this browser, and nowhere else. */
export async function setPassword(
  glen: Glen,
  token: string,
  password: string,
  at: At,
): Promise<SignedIn> {
  await accountFor(glen, token);
  const passwordHash = await hashPassword(password);
  const accountId = await glen.db.transaction(async () => {
    const account = await accountFor(glen, token, true);
    await mustTakePassword(glen, account);
    await writePassword(glen.db, account.id, passwordHash);
    await signOutElsewhere(glen, [account.id]);
    await glen.audit({
      by: account.person_id,
      action: 'set-password',
      subject: `account:${account.id}`,
    });
    return account.id;
  });
  return begin(glen, accountId, { ...at, way: 'password' });
}
