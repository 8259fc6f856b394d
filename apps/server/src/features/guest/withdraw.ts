import { comesAt } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { invitationsOf } from '../audience/guestStore.js';
import { putOut, turnAway } from '../desk/visitors.js';
import { setAudience } from '../link/edit.js';
import { seatedBy } from './store.js';

/**
 * Within a transaction: changes whom a link is for. Guests whom it is for no longer are out at once: from the room, from the
 * lobby, and by the one-time address that they may have.
 */
export async function withdrawing<T>(
  glen: Glen,
  { linkId, by }: { linkId: number; by: number },
  work: () => Promise<T>,
): Promise<T> {
  const before = await invitationsOf(glen.db, linkId);
  const done = await work();
  const still = await invitationsOf(glen.db, linkId);
  for (const { id, email, state, date } of await seatedBy(glen.db, linkId, [...before.keys()])) {
    const isAsBefore = comesAt(before.get(email)!, date) === undefined;
    // Whoever is here by another right than an invitation to this date stays.
    if (isAsBefore || comesAt(still.get(email) ?? [], date) !== undefined) continue;
    if (state === 'let-in') await putOut(glen, id, by);
    else await turnAway(glen, id, by, '');
  }
  return done;
}

/** Says whom a link is for. */
export async function setAudienceNow(
  glen: Glen,
  { linkId, who }: { linkId: number; who: Who },
  body: Body<'setAudience'>,
): Promise<Answer<'setAudience'>> {
  const at = { linkId, by: who.person!.id };
  const answer = await glen.db.transaction(() =>
    withdrawing(glen, at, () => setAudience(glen, linkId, who, body)),
  );
  // What puts people out of rooms stands in the outbox from now on.
  glen.nudge();
  return answer;
}
