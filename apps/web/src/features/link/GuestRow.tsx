import { X } from 'lucide-react';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import type { Guest, useGuests } from './useGuests.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const COMES = [
  { value: 'inside', label: say.comesAsOthersDo },
  { value: 'speaker', label: 'speaks', hint: say.presentsAndGoesStraightIn },
  { value: 'watcher', label: say.onlyWatches, hint: say.hasNoSeat },
];

interface GuestRowProps {
  /** Letters can be sent. */
  mails: boolean;
  guest: Guest;
  edits: ReturnType<typeof useGuests>;
}

/** Who a guest is, and when they are invited where that is not at any time. */
const WhoItIs = ({ guest: { name, email, when, said, refused } }: { guest: Guest }) => (
  <span className="min-w-52 flex-1 [overflow-wrap:anywhere]">
    <b>{name || email}</b>
    {name && <span className="text-soft"> {email}</span>}
    {(when || said) && (
      <span className="block text-soft">
        {when}
        {when && said && ', '}
        {said && (
          <span className={said === 'yes' ? 'text-moss-deep' : 'text-berry-deep'}>
            {say.said[said]}
          </span>
        )}
      </span>
    )}
    {refused && (
      <span className="block text-berry-deep">{fill(say.aLetterDidNotReach, { refused })}</span>
    )}
  </span>
);

/** A guest, how they come, and the way in that a host sends them. */
export function GuestRow({ guest, edits, mails }: GuestRowProps) {
  const { email, comes } = guest;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
      <WhoItIs guest={guest} />
      <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <ChoicePart
          label={fill(say.howComes, { email })}
          value={comes}
          marked={false}
          choices={COMES}
          onChange={(next) => void edits.setComes(guest, next as Guest['comes'])}
        />
        {mails && (
          <Button
            kind="link"
            aria-label={fill(say.mailTheWayInTo, { email })}
            onClick={() => void edits.mailWayIn(guest)}
          >
            {say.mailTheirWayIn}
          </Button>
        )}
        <Button
          kind="link"
          aria-label={fill(say.copyTheWayInFor, { email })}
          onClick={() => void edits.copyWayIn(guest)}
        >
          {say.copyTheirWayIn}
        </Button>
        {!mails && (
          <Button
            kind="link"
            aria-label={fill(say.saveALetter, { email })}
            onClick={() => void edits.fileWayIn(guest)}
          >
            {say.saveItAsALetter}
          </Button>
        )}
        <button
          type="button"
          aria-label={fill(say.inviteNoLonger, { email })}
          className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
          onClick={() => void edits.remove(guest)}
        >
          <X size={16} aria-hidden="true" />
        </button>
      </span>
    </li>
  );
}
