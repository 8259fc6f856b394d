import type { RichText } from '@glen/core';
import { linkAddress, signUpAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { listBelow } from './afterLessons.js';
import { nextSession, type PostFacts } from './facts.js';
import { slotsBelow } from './freeSlots.js';
import type { PlaceRow, PostOccurrenceRow } from './places.sql.js';

/** What stands below a post's own words at a place: where a slot is taken, and what is there after lessons. */
export function belowAt(
  glen: Glen,
  facts: PostFacts,
  place: PlaceRow,
  session: PostOccurrenceRow | null,
): RichText {
  const about = session ?? nextSession(facts, place.link_id)?.occurrence ?? null;
  // What somebody puts up by hand, or is sent once, is not to change with every slot that is taken.
  const counts = place.kind !== 'by-hand' && place.kind !== 'mail';
  return [
    ...slotsBelow(facts.freeSlots, about, { address: signUpAddress(glen, place.code), counts }),
    ...listBelow(facts.afterLessons, place, session, linkAddress(glen, place.code)),
  ];
}
