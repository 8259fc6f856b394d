import { X } from 'lucide-react';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import type { Guest, useGuests } from './useGuests.js';

const COMES = [
  { value: 'inside', label: 'comes as others do' },
  { value: 'speaker', label: 'speaks', hint: 'presents, and goes straight in' },
  { value: 'watcher', label: 'only watches', hint: 'has no seat' },
];

const SAID = { yes: 'will come', no: 'will not come' };

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
            {SAID[said]}
          </span>
        )}
      </span>
    )}
    {refused && (
      <span className="block text-berry-deep">
        A letter did not reach them: copy their way in, and send it another way. {refused}
      </span>
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
          label={`How ${email} comes`}
          value={comes}
          marked={false}
          choices={COMES}
          onChange={(next) => void edits.setComes(guest, next as Guest['comes'])}
        />
        {mails && (
          <Button
            kind="link"
            aria-label={`Mail the way in to ${email}`}
            onClick={() => void edits.mailWayIn(guest)}
          >
            Mail their way in
          </Button>
        )}
        <Button
          kind="link"
          aria-label={`Copy the way in for ${email}`}
          onClick={() => void edits.copyWayIn(guest)}
        >
          {mails ? 'Copy it' : 'Copy their way in'}
        </Button>
        {!mails && (
          <Button
            kind="link"
            aria-label={`Save a letter with the way in for ${email}`}
            onClick={() => void edits.fileWayIn(guest)}
          >
            Save it as a letter
          </Button>
        )}
        <button
          type="button"
          aria-label={`Invite ${email} no longer`}
          className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
          onClick={() => void edits.remove(guest)}
        >
          <X size={16} aria-hidden="true" />
        </button>
      </span>
    </li>
  );
}
