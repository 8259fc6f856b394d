import { useState } from 'react';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { copyText } from '../../app/copyText.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { guestsReadSoFar } from '../link/guestsReadSoFar.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Evening = Answer<'appointmentEvening'>;
type Guest = Evening['guests'][number];

interface OfGuest {
  eveningId: number;
  guest: Guest;
}

const nameOf = ({ name, email }: Guest): string => name || email;

/** Takes a guest off; what they have is off with it, so that it is asked once more. */
function TakeOff({ eveningId, guest }: OfGuest) {
  const [isAsking, setAsking] = useState(false);
  const [drop, { isLoading, error }] = api.useDropAppointmentGuestMutation();
  if (!isAsking)
    return (
      <Button
        kind="danger-link"
        aria-label={fill(say.takeOff, { name: nameOf(guest) })}
        onClick={() => setAsking(true)}
      >
        {say.takeOffDots}
      </Button>
    );
  const count = guest.appointments.length;
  return (
    <div
      className="w-full rounded-small bg-berry-tint p-3"
      role="group"
      aria-label={say.takeOffShort}
    >
      <p>
        {count === 0
          ? say.theirAddressLeadsNowhereAny
          : fill(say.ofTheirsBecomeFree, { count: many(say.times, count) })}
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button
          kind="danger"
          disabled={isLoading}
          onClick={() => void drop({ params: { eveningId }, body: { guestId: guest.id } })}
        >
          {say.takeThemOff}
        </Button>
        <Button onClick={() => setAsking(false)}>{say.keepThem}</Button>
      </p>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </div>
  );
}

/** Where no letters go out: their way in, to send to them by hand. */
function PassOn({ eveningId, guest }: OfGuest) {
  const [make, { isLoading }] = api.useAppointmentWayInMutation();
  const copy = async (): Promise<void> => {
    const { data } = await make({ params: { eveningId }, body: { guestId: guest.id } });
    if (data) await copyText(data.address, fill(say.theWay, { name: nameOf(guest) }));
  };
  return (
    <Button
      kind="link"
      disabled={isLoading}
      aria-label={fill(say.copyTheWayInOf, { name: nameOf(guest) })}
      onClick={() => void copy()}
    >
      {say.copyTheirWayIn}
    </Button>
  );
}

function OneGuest({ evening, guest }: { evening: Evening; guest: Guest }) {
  const { name, email, address, appointments } = guest;
  const of = { eveningId: evening.id, guest };
  return (
    <li className="break-inside-avoid border-t border-line py-2">
      <p>
        <b>{nameOf(guest)}</b> {name && <span className="text-soft">{email}</span>}
      </p>
      <p className="text-md text-soft">
        {appointments.length === 0
          ? say.hasChosenNothingYet
          : appointments.map(({ time, host }) => `${time} ${host}`).join(', ')}
      </p>
      <div className="flex flex-wrap gap-x-4 print:hidden">
        <Button
          kind="link"
          aria-label={fill(say.copyTheAddressOf, { name: nameOf(guest) })}
          onClick={() =>
            void copyText(address, fill(say.whereChoosesIsCopied, { name: nameOf(guest) }))
          }
        >
          {say.copyWhereTheyChoose}
        </Button>
        {!evening.mails && appointments.length > 0 && <PassOn {...of} />}
        <TakeOff {...of} />
      </div>
    </li>
  );
}

/** Invites more guests. */
function Invite({ evening }: { evening: Evening }) {
  const [add] = api.useAddAppointmentGuestsMutation();
  const form = useServerForm<{ text: string }, { text: string }, Evening>({
    start: { text: '' },
    send: (body) => add({ params: { eveningId: evening.id }, body }),
    keepAs: { name: `appointment guests ${evening.id}` },
    onDone: () => form.reset({ text: '' }),
  });
  const { register, watch, errorAt, problem, isSending, submit } = form;
  return (
    <form className="mt-4 grid gap-2 print:hidden" noValidate onSubmit={submit}>
      <Field
        label={say.inviteMoreByName}
        error={errorAt('text')}
        hint={guestsReadSoFar(watch('text'))}
      >
        {(p) => (
          <textarea
            {...p}
            rows={2}
            spellCheck={false}
            className={inputClass}
            {...register('text')}
          />
        )}
      </Field>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" disabled={isSending}>
          {say.inviteThem}
        </Button>
      </p>
    </form>
  );
}

/** Who was invited, what each has chosen, and where they choose. */
export function Guests({ evening }: { evening: Evening }) {
  const { guests, mails } = evening;
  const waiting = guests.filter(({ appointments }) => appointments.length === 0).length;
  return (
    <section aria-label={say.guests}>
      <h2 className="text-lg">{say.guests}</h2>
      <p className="text-md text-soft print:hidden">
        {mails ? say.eachHasALetter : say.noLettersGoOutHere}{' '}
        {waiting > 0 && fill(say.chosenNothingYet, { count: many(say.have, waiting) })}
      </p>
      <ul className="mt-2">
        {guests.map((guest) => (
          <OneGuest key={guest.id} evening={evening} guest={guest} />
        ))}
      </ul>
      <Invite evening={evening} />
    </section>
  );
}
