import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { DoorFacts } from '../door/facts.js';
import { guestsOfDate } from './expectedStore.js';
import type { VisitorRow } from './store.js';

/** Guests who are expected at the session that a door stands for, and who of them have come so far; null where nobody is. */
export async function expectedGuests(
  glen: Glen,
  { at, row }: DoorFacts,
  visitors: VisitorRow[],
): Promise<Answer<'desk'>['guests']> {
  if (!at) return null;
  const { series_id: seriesId, key_date: key } = at.occurrence;
  const guests = await guestsOfDate(glen.db, { linkId: row.link_id, seriesId, key });
  if (guests.length === 0) return null;
  const hasCome = ({ inside, left_at: left }: VisitorRow): boolean =>
    Boolean(inside) || left !== null;
  const came = new Set(visitors.filter(hasCome).map(({ email }) => email));
  const byEmail = new Map(guests.map((guest) => [guest.email, guest]));
  const coming = [...byEmail.values()].filter(({ said }) => said !== 'no');
  return {
    expected: coming.length,
    came: [...byEmail.keys()].filter((email) => came.has(email)).length,
    missing: coming
      .filter(({ email }) => !came.has(email))
      .map(({ email, name, comes, said }) => ({
        name: name || email,
        speaks: comes === 'speaker',
        hasSaidYes: said === 'yes',
      })),
  };
}
