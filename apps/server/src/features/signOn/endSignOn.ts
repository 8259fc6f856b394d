import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { describeOwn } from '../accounts/ownAccount.js';
import { describePerson } from '../people/person.js';
import { countWaysInto } from '../accounts/waysIntoStore.js';
import { endBinding, signOnOf } from './store.js';

interface Ending {
  personId: number;
  signOnId: number;
  by: number;
  /** It may be the only way in to the account. */
  mayBeLast: boolean;
}

async function end(glen: Glen, { personId, signOnId, by, mayBeLast }: Ending): Promise<void> {
  const binding = await signOnOf(glen.db, signOnId);
  if (!binding || binding.personId !== personId) throw notFound('This way of signing on');
  if (!mayBeLast && (await countWaysInto(glen.db, binding.accountId)) === 1)
    throw new HttpProblem(409, 'This is the only way in to the account; set a password first.');
  await endBinding(glen.db, binding);
  await glen.audit({
    by,
    action: 'unbind-sign-on',
    subject: `account:${binding.accountId}`,
    before: { provider: binding.provider },
  });
  await glen.announce(`person:${personId}`, { thing: 'me', id: personId });
}

/** Ends signing on at a provider for an account of one's own, where there is another way in to it. */
export async function endOwnSignOn(
  glen: Glen,
  who: Who,
  signOnId: number,
): Promise<Answer<'ownAccount'>> {
  const personId = who.person!.id;
  const ending = { personId, signOnId, by: personId, mayBeLast: false };
  await glen.db.transaction(() => end(glen, ending));
  return describeOwn(glen, who);
}

/** The same by the office, who can give a new way in. */
export async function endTheirSignOn(
  glen: Glen,
  who: Who,
  { personId, signOnId }: { personId: number; signOnId: number },
): Promise<Answer<'person'>> {
  const ending = { personId, signOnId, by: who.person!.id, mayBeLast: true };
  await glen.db.transaction(() => end(glen, ending));
  return describePerson(glen, personId, who);
}
