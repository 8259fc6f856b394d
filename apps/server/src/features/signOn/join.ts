import { isGuestAlone } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { rolesOfPerson } from '../accounts/store.js';
import { makeOne } from '../people/merge.js';
import { heldPerson } from '../people/store.js';
import { personOfAccount } from './store.js';

/**
 * Makes an account that has just been proven another of whoever is signed in; whether it could. Where it is somebody's
 * record of its own, the two become one, if one of them is a guest and no more: anything else is for the office to say.
 */
export async function joinAccount(glen: Glen, who: Who, accountId: number): Promise<boolean> {
  const own = who.person!.id;
  return glen.db.transaction(async () => {
    const otherId = await personOfAccount(glen.db, accountId);
    if (otherId === own) return true;
    const isGuest = {
      own: isGuestAlone(await rolesOfPerson(glen.db, own)),
      other: isGuestAlone(await rolesOfPerson(glen.db, otherId)),
    };
    if (!isGuest.own && !isGuest.other) return false;
    const [keptId, goneId] = isGuest.other ? [own, otherId] : [otherId, own];
    // By number, so that two who join each other at one moment do not wait for each other.
    const held = new Map<number, NonNullable<Awaited<ReturnType<typeof heldPerson>>>>();
    for (const id of [keptId, goneId].sort((a, b) => a - b)) {
      const person = await heldPerson(glen.db, id);
      if (!person || person.retiredAt) return false;
      held.set(id, person);
    }
    const after = { accountId, kept: keptId, other: goneId };
    await makeOne(glen, held.get(keptId)!, held.get(goneId)!);
    await glen.audit({ by: keptId, action: 'join-account', subject: `person:${keptId}`, after });
    for (const id of [keptId, goneId]) await glen.announce(`person:${id}`, { thing: 'me', id });
    return true;
  });
}
