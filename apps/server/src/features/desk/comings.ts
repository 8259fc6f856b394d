import { comingsSoFar, type ComingSoFar } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { DoorFacts } from '../door/facts.js';
import { staysAt } from './staysStore.js';

/** How those of a roll have come and gone in the session that a door stands for, by their ids. */
export async function comingsOf(
  glen: Glen,
  { at, now }: DoorFacts,
  roll: { id: number }[],
): Promise<Map<number, ComingSoFar>> {
  const sittingId = at?.occurrence.sitting_id ?? null;
  if (!at || sittingId === null) return new Map();
  const stays = (await staysAt(glen.db, [sittingId])).get(sittingId) ?? [];
  const { start_at: start, end_at: end } = at.occurrence;
  const so = comingsSoFar({
    ...{ start, end, now },
    roll: roll.map(({ id }) => String(id)),
    visits: stays
      // What ended as it began was no stay.
      .filter(({ personId, from, to }) => personId !== null && (to === null || to > from))
      .map(({ personId, from, to }) => ({ person: String(personId), from, to })),
  });
  return new Map(so.map((one) => [Number(one.person), one]));
}
