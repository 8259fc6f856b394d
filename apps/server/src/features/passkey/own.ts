import { areOffice } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { asksForPasskey } from '../../http/confirmed.js';
import type { Who } from '../../http/who.js';
import { countWaysInto } from '../accounts/waysIntoStore.js';
import { deletePasskey, namePasskey, passkeyById, passkeysOf } from './store.js';

type Own = Answer<'passkeys'>;

/** The passkeys of the account in use. */
export async function describePasskeys(glen: Glen, who: Who): Promise<Own> {
  const kept = await passkeysOf(glen.db, [who.account!.id]);
  return {
    passkeys: kept.map(({ id, name, is_shared, added_at, used_at }) => ({
      id,
      name,
      isShared: is_shared,
      addedAt: added_at,
      usedAt: used_at,
    })),
  };
}

/** A passkey of the account in use; 404 for anybody else's. */
async function ownPasskey(glen: Glen, who: Who, id: number) {
  const passkey = await passkeyById(glen.db, id);
  if (passkey?.account_id !== who.account!.id) throw notFound('This passkey');
  return passkey;
}

export async function renamePasskey(
  glen: Glen,
  who: Who,
  { id, name }: { id: number; name: string },
): Promise<Own> {
  await glen.db.transaction(async () => {
    const { name: before } = await ownPasskey(glen, who, id);
    await namePasskey(glen.db, id, name);
    const subject = `account:${who.account!.id}`;
    const told = { before, after: name };
    await glen.audit({ by: who.person!.id, action: 'rename-passkey', subject, ...told });
  });
  return describePasskeys(glen, who);
}

/** Takes a passkey away: it signs nobody in any more. */
export async function removePasskey(glen: Glen, who: Who, id: number): Promise<Own> {
  await glen.db.transaction(async () => {
    const { name } = await ownPasskey(glen, who, id);
    const accountId = who.account!.id;
    if ((await countWaysInto(glen.db, accountId)) === 1)
      throw new HttpProblem(409, 'This is the only way in to the account; add another first.');
    const isLast = (await passkeysOf(glen.db, [accountId])).length === 1;
    const isAsked = areOffice(who.person!.roles) && (await asksForPasskey(glen));
    if (isLast && isAsked)
      throw new HttpProblem(409, 'The school asks for your passkey: add another before this goes.');
    await deletePasskey(glen.db, id);
    const subject = `account:${who.account!.id}`;
    await glen.audit({ by: who.person!.id, action: 'remove-passkey', subject, before: name });
  });
  return describePasskeys(glen, who);
}
