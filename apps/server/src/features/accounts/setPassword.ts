import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { hashToken, type Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { hashPassword } from './passwords.js';
import { begin, type SignedIn } from './service.js';
import { accountById, accountOfAddress, writePassword } from './store.js';

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address does not work any more.', {
    detail: 'It works once, and for two weeks. Whoever gave it to you can give you another.',
  });

/** The account that an address sets the password of; held against others where it is about to be used. */
async function accountFor(glen: Glen, token: string, isHeld = false) {
  const asked = { tokenHash: hashToken(token), now: glen.clock.machine() };
  const accountId = await accountOfAddress(glen.db, asked, isHeld);
  if (accountId === undefined) throw gone();
  return (await accountById(glen.db, accountId))!;
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
  before: Who,
): Promise<SignedIn> {
  await accountFor(glen, token);
  const passwordHash = await hashPassword(password);
  const accountId = await glen.db.transaction(async () => {
    const account = await accountFor(glen, token, true);
    await writePassword(glen.db, account.id, passwordHash);
    await glen.audit({
      by: account.person_id,
      action: 'set-password',
      subject: `account:${account.id}`,
    });
    return account.id;
  });
  return begin(glen, accountId, before);
}
