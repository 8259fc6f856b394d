import { useState } from 'react';
import { capital, guestCountInWords } from '@glen/core';
import type { Answer, LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { GuestRow } from './GuestRow.js';
import { InviteGuests } from './InviteGuests.js';
import { WatchAddress } from './WatchAddress.js';
import { useGuests } from './useGuests.js';
import { whensOf } from './whens.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

/** Guests whose name and address are not kept any more, counted. */
const endedInWords = (count: number): string => many(say.moreWereInvitedWhoseNamesAreNot, count);

type Guests = Answer<'guests'>['guests'];

/** How many are expected: of each that they are invited to, where that is not the same for all. */
function Counts({ invited }: { invited: Guests }) {
  const whens = [...new Set(invited.map((guest) => guest.when))];
  const named = (when: string): string => (when === '' ? say.alwaysTitle : capital(when));
  return whens.map((when) => (
    <p key={when} className="mt-2 font-semibold">
      {whens.length > 1 && `${named(when)}: `}
      {guestCountInWords(invited.filter((guest) => guest.when === when))}
    </p>
  ));
}

/** Everybody on the list, and how many of them are expected. */
function Invited({ linkId, guests, mails }: { linkId: number; guests: Guests; mails: boolean }) {
  const edits = useGuests(linkId);
  const invited = guests.filter((guest) => !guest.hasEnded);
  const ended = guests.length - invited.length;
  return (
    <>
      {invited.length > 0 && <p className="text-soft">{say.theyAreToldWhatIt}</p>}
      <Counts invited={invited} />
      <ul aria-label={say.guests} className="mt-1">
        {invited.map((guest) => (
          <GuestRow key={guest.id} guest={guest} edits={edits} mails={mails} />
        ))}
      </ul>
      {ended > 0 && <p className="border-t border-line py-2 text-soft">{endedInWords(ended)}</p>}
      {edits.problem && <FieldError>{edits.problem.title}</FieldError>}
    </>
  );
}

interface GuestListProps {
  link: LinkDetail;
  sessions: ClassPeriod['sessions'];
}

/** Who comes from outside the school, what they learn, how each of them comes and what they said. */
export function GuestList({ link, sessions }: GuestListProps) {
  const [isInviting, setInviting] = useState(false);
  const { data } = api.useGuestsQuery({ params: { linkId: link.id } });
  return (
    <section aria-label={say.fromOutsideTheSchool} className="mt-4 max-w-3xl">
      <h2 className="text-base">{say.fromOutsideTheSchool}</h2>
      {data && <Invited linkId={link.id} guests={data.guests} mails={data.mails} />}
      {isInviting && (
        <InviteGuests
          linkId={link.id}
          whens={whensOf(link, sessions)}
          onDone={() => setInviting(false)}
        />
      )}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        {/* There from the first, so that nothing below moves where there are no guests. */}
        {!isInviting && <Button onClick={() => setInviting(true)}>{say.inviteGuests}</Button>}
        {data && <WatchAddress linkId={link.id} guests={data} />}
      </div>
    </section>
  );
}
