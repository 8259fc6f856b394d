import type { Desk } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Guests = NonNullable<Desk['guests']>;

/** `speaks, has said yes`: what is known of a guest who has not come yet. */
const knownOf = ({ speaks, hasSaidYes }: Guests['missing'][number]): string =>
  [speaks && 'speaks', hasSaidYes && say.hasSaidYes].filter(Boolean).join(', ');

/** Guests who are expected, and who of them has not come yet. */
export function ExpectedGuests({ guests }: { guests: Desk['guests'] }) {
  if (!guests) return null;
  const { came, expected, missing } = guests;
  return (
    <>
      <h3 className="mt-5 text-sm text-soft">{fill(say.guestsCameExpected, { came, expected })}</h3>
      <ul aria-label={say.guestsWhoHaveNotCome}>
        {missing.map((guest, i) => (
          <li key={i} className="border-t border-line py-1.5 break-words">
            {guest.name}
            <span className="block text-sm text-soft">{knownOf(guest)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
