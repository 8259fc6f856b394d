import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makeAddress } from '../accounts/passwordAddresses.js';
import { someAreStaff, whoResets } from '../accounts/store.js';
import { refuseUnlessOnRoll } from './onRoll.js';
import { schoolAccountsOf } from './store.js';

type Addresses = Answer<'passwordAddresses'>['addresses'];

interface Wanted {
  personIds: number[];
  /** For those too who have a password already, and have forgotten it. */
  forgotten: boolean;
}

/** Fresh one-time addresses for some people's school accounts; those before are dead. */
export function addressesFor(
  glen: Glen,
  { personIds, forgotten }: Wanted,
  by: number,
): Promise<Addresses> {
  return glen.db.transaction(async () => {
    const accounts = await schoolAccountsOf(glen.db, personIds);
    const made: Addresses = [];
    for (const account of accounts.filter((a) => forgotten || a.password_hash === null)) {
      const { address } = await makeAddress(glen, account.id, by);
      const { person_id: personId, email, person } = account;
      made.push({ personId, name: person.name, email, address });
    }
    return made;
  });
}

/** Throws 403 where whoever asks may not give those a new way in who have a password already. */
async function refuseUnlessMayReset(glen: Glen, who: Who, personIds: number[]): Promise<void> {
  if (isOffice(who)) return;
  if ((await whoResets(glen.db)) === 'office')
    throw new HttpProblem(403, 'At this school the office gives a new way in.');
  if (await someAreStaff(glen.db, personIds))
    throw new HttpProblem(403, 'The office gives teachers a new way in.');
}

/**
 * One-time addresses by which students of a roll set their passwords. For those who have one already only where the
 * school leaves that to hosts: whoever teaches a class period cannot take a student's account over.
 */
export async function makePasswordAddresses(
  glen: Glen,
  classId: number,
  who: Who,
  { personIds, forgotten }: Body<'passwordAddresses'>,
): Promise<Answer<'passwordAddresses'>> {
  const by = who.person!.id;
  return glen.db.transaction(async () => {
    await refuseUnlessOnRoll(glen.db, classId, personIds);
    if (forgotten) await refuseUnlessMayReset(glen, who, personIds);
    const addresses = await addressesFor(glen, { personIds, forgotten }, by);
    await glen.audit({
      by,
      action: 'make-password-addresses',
      subject: `class:${classId}`,
      after: addresses.map((a) => a.name),
    });
    return { addresses };
  });
}
