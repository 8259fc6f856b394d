import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { toast } from '../../ui/toast.js';
import type { OwnEvening } from './fittedOnPage.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Mine = OwnEvening['mine'][number];

interface OneProps {
  token: string;
  own: OwnEvening;
  one: Mine;
}

/** Gives an appointment up; somebody else may have it a moment later, so that it is asked once more. */
function GiveUp({ token, own, one }: OneProps) {
  const [isAsking, setAsking] = useState(false);
  const [change, { isLoading, error }] = api.useChangeAppointmentsMutation();
  if (!isAsking)
    return (
      <Button
        kind="danger-link"
        className="min-h-11"
        aria-label={fill(say.giveUp, { time: one.time, host: one.host })}
        onClick={() => setAsking(true)}
      >
        {say.giveItUpDots}
      </Button>
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <Button
        kind="danger"
        className="min-h-11"
        disabled={isLoading}
        onClick={() =>
          void change({
            params: { token },
            body: { version: own.version, take: [], drop: [one.id] },
          })
        }
      >
        {fill(say.giveUpTime, { time: one.time })}
      </Button>
      <Button className="min-h-11" onClick={() => setAsking(false)}>
        {say.keepIt}
      </Button>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </span>
  );
}

function OneAppointment({ token, own, one }: OneProps) {
  return (
    <li className="border-t border-line py-2">
      <p>
        {one.date !== own.date && <b>{dateInWords(one.date)}, </b>}
        <span className="font-mono">
          {one.time}–{one.end}
        </span>{' '}
        <b>{one.host}</b>
        {one.about && <span className="break-words"> {one.about}</span>}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
        <a className={`${buttonClass()} min-h-11`} href={one.door}>
          {say.toTheDoor}
        </a>
        {own.state === 'open' && <GiveUp token={token} own={own} one={one} />}
      </div>
      <p className="hidden font-mono text-sm break-all print:block">{one.door}</p>
    </li>
  );
}

/** How a guest comes in who is not signed in on this device: by a letter to the mailbox that they were invited by. */
function WayIn({ token, own }: { token: string; own: OwnEvening }) {
  const { data: me } = api.useMeQuery();
  const [send, { isLoading, error }] = api.useWayToAppointmentMutation();
  const [first] = own.mine;
  if (me?.account?.email === own.email)
    return <p className="mt-2 text-soft print:hidden">{say.youAreSigned}</p>;
  if (!own.mails) return <p className="mt-2 text-soft">{say.whoeverInvitedYouSendsYou}</p>;
  return (
    <div className="mt-2 print:hidden">
      <p className="text-soft">{say.theDoorsKnowYouOnce}</p>
      <Button
        className="mt-1 min-h-11"
        disabled={isLoading}
        onClick={() =>
          void send({ params: { token }, body: { seriesId: first!.seriesId } })
            .unwrap()
            .then(
              () => toast(fill(say.yourWayInGoesTo, { email: own.email })),
              () => undefined,
            )
        }
      >
        {say.sendMeMyWayIn}
      </Button>
      {error && (
        <FieldError>{problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}</FieldError>
      )}
    </div>
  );
}

/** What a guest has of an evening, to go by and to print. */
export function OwnAppointments({ token, own }: { token: string; own: OwnEvening }) {
  if (own.mine.length === 0) return null;
  return (
    <section className="mt-5" aria-label={say.yourAppointments}>
      <h2 className="text-lg">{say.yourAppointments}</h2>
      <ul className="mt-1">
        {own.mine.map((one) => (
          <OneAppointment key={one.id} token={token} own={own} one={one} />
        ))}
      </ul>
      <WayIn token={token} own={own} />
      <p className="mt-3 print:hidden">
        <Button className="min-h-11" onClick={() => window.print()}>
          {say.printThisList}
        </Button>
      </p>
    </section>
  );
}
