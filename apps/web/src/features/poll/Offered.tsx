import { useState } from 'react';
import { Link } from 'react-router';
import { dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { copyText } from '../../app/copyText.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { FieldError } from '../../ui/Field.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Poll = Answer<'polls'>['polls'][number];

const STATES: Record<Poll['state'], { words: string; tone: 'well' | 'careful' | 'plain' }> = {
  open: { words: say.open, tone: 'plain' },
  booked: { words: say.scheduled, tone: 'well' },
  nobody: { words: say.noTimeHasComeAbout, tone: 'careful' },
  stopped: { words: say.takenBack, tone: 'plain' },
};

/** Who was asked, and who has answered. */
function Guests({ guests }: Pick<Poll, 'guests'>) {
  return (
    <p className="text-md text-soft">
      {guests.map(({ id, name, email, answered }, i) => (
        <span key={id}>
          {i > 0 && ', '}
          {name || email} <span>{answered ? say.hasAnswered : say.hasNotAnsweredYet}</span>
        </span>
      ))}
    </p>
  );
}

/** Takes an offer back; whoever was asked is told, so that it is asked once more. */
function TakeBack({ poll: { id, version, classId, title } }: { poll: Poll }) {
  const [isAsking, setAsking] = useState(false);
  const [stop, { isLoading, error }] = api.useStopPollMutation();
  if (!isAsking)
    return (
      <Button
        kind="danger-link"
        aria-label={fill(say.takeBack, { title })}
        onClick={() => setAsking(true)}
      >
        {say.takeItBackDots}
      </Button>
    );
  return (
    <div
      className="mt-2 rounded-small bg-berry-tint p-3"
      role="group"
      aria-label={fill(say.takeBack, { title })}
    >
      <p>{say.whoeverWasAskedIsTold}</p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button
          kind="danger"
          disabled={isLoading}
          onClick={() => void stop({ params: { classId }, body: { id, version } })}
        >
          {say.takeItBack}
        </Button>
        <Button onClick={() => setAsking(false)}>{say.keepIt}</Button>
      </p>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </div>
  );
}

function OneOffer({ poll }: { poll: Poll }) {
  const { classId, title, minutes, state, times, closes } = poll;
  const { words, tone } = STATES[state];
  return (
    <li className="border-t border-line py-3">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <b>{title}</b>
        <span className="text-soft">{fill(say.minutes, { minutes })}</span>
        <Chip tone={tone}>{words}</Chip>
        {state === 'open' && (
          <span className="text-soft">
            {fill(say.untilDateTime, { date: dateInWords(closes.date), time: closes.time })}
          </span>
        )}
        {state === 'booked' && (
          <Link className={buttonClass('link')} to={`/classes/${classId}`}>
            {say.itsClassPeriod}
          </Link>
        )}
      </p>
      <ul className="my-1">
        {times.map((time) => (
          <li key={time.id} className={time.isSettled ? 'font-semibold text-moss-deep' : ''}>
            <Said
              as={say.suitsOf}
              date={dateInWords(time.date)}
              what={
                <span className="font-mono">
                  {time.time}–{time.until}
                </span>
              }
              chosen={time.chosen}
              guestsCount={poll.guests.length}
            />
          </li>
        ))}
      </ul>
      <Guests guests={poll.guests} />
      {state === 'open' && <TakeBack poll={poll} />}
    </li>
  );
}

/** Times that one has offered to guests, and what they say. */
export function Offered() {
  const { data } = api.usePollsQuery();
  if (!data || data.polls.length === 0) return null;
  return (
    <section className="mt-8 max-w-3xl" aria-label={say.offered}>
      <h2 className="mb-2 text-lg">{say.offered}</h2>
      <ul>
        {data.polls.map((poll) => (
          <OneOffer key={poll.id} poll={poll} />
        ))}
      </ul>
    </section>
  );
}

/** The addresses of those who are asked: told once, to copy where no letters go out. */
export function OfferAddresses({ added }: { added: Answer<'addPoll'> }) {
  const { addresses, mailed } = added;
  const all = addresses.map(({ email, address }) => `${email} ${address}`).join('\n');
  return (
    <section
      className="mt-4 max-w-3xl rounded-big border border-moss bg-moss-tint p-4"
      aria-label={say.whereTheyChoose}
    >
      <p>
        <b>{many(say.guestsAreAsked, addresses.length)}</b>{' '}
        {mailed ? say.eachHasALetter : say.sendEachTheirOwnAddress}
      </p>
      <ul className="mt-2 grid gap-1">
        {addresses.map(({ email, address }) => (
          <li key={email} className="text-md break-all">
            {email}: <span className="font-mono">{address}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <Button onClick={() => copyText(all, say.theAddressesAreCopied)}>{say.copyThem}</Button>
      </p>
    </section>
  );
}
