import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { putOut, turnAway } from '../desk/visitors.js';
import { setAudience } from '../link/edit.js';
import { guestsOf, seatedBy } from './store.js';

/**
 * Says whom a link is for. A guest whom it is for no longer is out at once: from the room, from the lobby, and by the
 * one-time address that they may have.
 */
export async function setAudienceNow(
  glen: Glen,
  { linkId, who }: { linkId: number; who: Who },
  body: Body<'setAudience'>,
): Promise<Answer<'setAudience'>> {
  const answer = await glen.db.transaction(async () => {
    const before = await guestsOf(glen.db, linkId);
    const said = await setAudience(glen, linkId, who, body);
    const still = new Set(await guestsOf(glen.db, linkId));
    const withdrawn = before.filter((email) => !still.has(email));
    for (const { id, state } of await seatedBy(glen.db, linkId, withdrawn)) {
      if (state === 'let-in') await putOut(glen, id, who.person!.id);
      else await turnAway(glen, id, who.person!.id, '');
    }
    return said;
  });
  // What puts people out of rooms stands in the outbox from now on.
  glen.nudge();
  return answer;
}
