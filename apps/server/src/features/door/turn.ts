import { slotTurn, type SlotTurn } from '@glen/core';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { slotsOfDate, stands } from '../slot/reseat.js';
import { groupsOfPerson, signUpsOf } from '../slot/signUpStore.js';
import { waysOfSeries } from '../slot/waysStore.js';
import { isTheirSlot } from '../slot/whose.js';
import type { SessionAtDoor } from './atDoor.js';

const numbersOf = (signUps: SignUpRow[]): number[] => signUps.flatMap((one) => one.nth ?? []);

/** How it stands with somebody's slots in a session, of all that have signed up for it. */
export async function turnOf(
  glen: Glen,
  date: { seriesId: number; key: string; slots: { start: string; end: string }[] },
  { personId, now }: { personId: number | null; now: string },
): Promise<SlotTurn> {
  const signUps = (await signUpsOf(glen.db, date)).filter(stands);
  const groups = personId === null ? new Set<number>() : await groupsOfPerson(glen.db, personId);
  const mine = personId === null ? [] : signUps.filter((one) => isTheirSlot(one, personId, groups));
  return slotTurn({
    slots: date.slots,
    taken: numbersOf(signUps),
    mine: numbersOf(mine),
    waits: mine.some((one) => one.nth === null),
    now,
  });
}

/** Who stands at a door, and for which session. */
interface AtTheDoor {
  at: { occurrence: SessionAtDoor } | null;
  who: Pick<Who, 'person'>;
  isHost: boolean;
  now: string;
}

/** The same at a door, for whoever stands there; null where its session is not cut into slots, or they host it. */
export async function turnFor(
  glen: Glen,
  { at, who, isHost, now }: AtTheDoor,
): Promise<SlotTurn | null> {
  const session = at?.occurrence;
  if (!session?.slotted || isHost) return null;
  const ways = (await waysOfSeries(glen.db, [session.series_id])).get(session.series_id);
  if (!ways) return null;
  const slots = slotsOfDate(session, ways);
  const date = { seriesId: session.series_id, key: session.key_date, slots };
  return turnOf(glen, date, { personId: who.person?.id ?? null, now });
}
