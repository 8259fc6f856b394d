import { randomBytes } from 'node:crypto';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hashToken } from '../../http/who.js';
import { refuseUnlessOnRoll } from './onRoll.js';
import { schoolAccountsOf, writePasswordAddress } from './store.js';

const TOKEN_BYTES = 18;
/** How long such an address works: a class's first lessons. */
const VALID_DAYS = 14;

type Addresses = Answer<'passwordAddresses'>['addresses'];

/** Fresh one-time addresses for those of some people who have no password yet; those before are dead. */
export function addressesFor(glen: Glen, personIds: number[], by: number): Promise<Addresses> {
  return glen.db.transaction(async () => {
    const accounts = await schoolAccountsOf(glen.db, personIds);
    const made: Addresses = [];
    for (const account of accounts.filter((a) => a.password_hash === null)) {
      const token = randomBytes(TOKEN_BYTES).toString('base64url');
      await writePasswordAddress(glen.db, {
        accountId: account.id,
        tokenHash: hashToken(token),
        expiresAt: glen.clock.machine(VALID_DAYS * 86400),
        by,
      });
      made.push({
        personId: account.person_id,
        name: account.person.name,
        email: account.email,
        address: `${glen.config.publicUrl}/password/${token}`,
      });
    }
    return made;
  });
}

/**
 * One-time addresses by which students of a roll set their passwords. Only for those who have none yet: whoever
 * teaches a class period cannot take a student's account over.
 */
export async function makePasswordAddresses(
  glen: Glen,
  classId: number,
  by: number,
  { personIds }: Body<'passwordAddresses'>,
): Promise<Answer<'passwordAddresses'>> {
  await refuseUnlessOnRoll(glen.db, classId, personIds);
  const addresses = await addressesFor(glen, personIds, by);
  await glen.audit({
    by,
    action: 'make-password-addresses',
    subject: `class:${classId}`,
    after: addresses.map((a) => a.personId),
  });
  return { addresses };
}
