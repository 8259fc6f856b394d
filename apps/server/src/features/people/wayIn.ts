import { areStaff } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makeAddress } from '../accounts/passwordAddresses.js';
import { rolesOfPerson, whoResets } from '../accounts/store.js';
import { accountsOf, heldPerson } from './store.js';

type WayIn = Answer<'wayIn'>;

export async function makeWayIn(
  glen: Glen,
  account: { id: number; email: string },
  by: number,
): Promise<WayIn> {
  const { address, until } = await makeAddress(glen, account.id, by);
  return { email: account.email, address, until };
}

/** Throws 403 where a host asks for what the school leaves to the office. */
async function refuseUnlessMay(glen: Glen, who: Who, personId: number, hasPassword: boolean) {
  if (isOffice(who)) return;
  if (areStaff(await rolesOfPerson(glen.db, personId)))
    throw new HttpProblem(403, 'The office gives teachers a way in.');
  if (hasPassword && (await whoResets(glen.db)) === 'office')
    throw new HttpProblem(403, 'At this school the office gives a new way in.');
}

/** A one-time address for one of somebody's accounts; the password they have works until they have set another. */
export const giveWayIn = (
  glen: Glen,
  who: Who,
  personId: number,
  { accountId }: Body<'wayIn'>,
): Promise<WayIn> =>
  glen.db.transaction(async () => {
    const person = await heldPerson(glen.db, personId);
    if (!person) throw notFound('This person');
    if (person.retiredAt) throw new HttpProblem(409, 'They are retired; bring them back first.');
    const accounts = await accountsOf(glen.db, personId, glen.clock.machine());
    const account = accounts.find((a) => a.id === accountId);
    if (!account) throw wrongField('accountId', 'This account is not theirs.');
    await refuseUnlessMay(glen, who, personId, account.hasPassword);
    const by = who.person!.id;
    await glen.audit({
      by,
      action: 'make-way-in',
      subject: `person:${personId}`,
      after: account.email,
    });
    return makeWayIn(glen, account, by);
  });
