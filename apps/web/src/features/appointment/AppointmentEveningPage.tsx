import { Link, useParams } from 'react-router';
import { dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { FieldError } from '../../ui/Field.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Guests } from './Guests.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Evening = Answer<'appointmentEvening'>;
type Host = Evening['hosts'][number];

/** One teacher's times, with who comes: to go by and to print, a sheet each. */
function OneHost({ host, day }: { host: Host; day: string }) {
  const { name, classTitle, off, slots, seriesId, linkId, isMine } = host;
  const taken = slots.filter(({ who }) => who !== null).length;
  return (
    <section className="break-inside-avoid border-t border-line py-3" aria-label={name}>
      <h3 className="flex flex-wrap items-baseline gap-x-3">
        <b>{name}</b>
        <span className="text-md font-normal text-soft">
          {classTitle}
          {host.date !== day && `, ${fill(say.onDate, { date: dateInWords(host.date) })}`}
        </span>
        <span className="text-md font-normal text-soft">
          {off ??
            (taken === slots.length
              ? say.full
              : fill(say.takenOfSlotsCountTaken, { taken, slotsCount: slots.length }))}
        </span>
      </h3>
      {isMine && (
        <p className="flex flex-wrap gap-x-4 print:hidden">
          <Link className={buttonClass('link')} to={`/slots/${seriesId}`}>
            {say.yourSlots}
          </Link>
          <Link className={buttonClass('link')} to={`/desk/${linkId}`}>
            {say.yourDesk}
          </Link>
        </p>
      )}
      <ul className="mt-1">
        {slots.map(({ nth, time, end, who, about }) => (
          <li key={nth} className="flex gap-x-4 py-0.5">
            <span className="w-28 shrink-0 font-mono">
              {time}–{end}
            </span>
            <span className={`min-w-0 break-words ${who === null ? 'text-soft' : ''}`}>
              {who ?? say.free}
              {about && <span className="text-soft"> {fill(say.about, { about })}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Has guests choose no longer, or again. */
function Choosing({ evening }: { evening: Evening }) {
  const { id: eveningId, version, state } = evening;
  const [set, { isLoading, error }] = api.useSetAppointmentsMutation();
  const next = state === 'open' ? 'closed' : 'open';
  return (
    <>
      <Button
        disabled={isLoading}
        onClick={() => void set({ params: { eveningId }, body: { version, state: next } })}
      >
        {state === 'open' ? say.closeTheChoice : say.letGuestsChooseAgain}
      </Button>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </>
  );
}

function Header({ evening }: { evening: Evening }) {
  const { title, date, time, until, state, mayChange } = evening;
  return (
    <header>
      <p className="mb-1 print:hidden">
        <Link className={buttonClass('link')} to="/appointments">
          {say.eveningsByAppointment}
        </Link>
      </p>
      <ScreenTitle tab={fill(say.appointmentsTitle, { title })}>{title}</ScreenTitle>
      <p className="flex flex-wrap items-center gap-x-3">
        <span>
          <b>{dateInWords(date, 'with-year')}</b>,{' '}
          <span className="font-mono">
            {time}–{until}
          </span>
        </span>
        <Chip tone={state === 'open' ? 'well' : 'plain'}>
          {state === 'open' ? say.guestsChoose : say.closed}
        </Chip>
      </p>
      <p className="mt-3 flex flex-wrap gap-3 print:hidden">
        <Button onClick={() => window.print()}>{say.printTheLists}</Button>
        {mayChange && <Choosing evening={evening} />}
      </p>
    </header>
  );
}

/** What guests choose meanwhile is looked up now and then. */
const LOOK_AGAIN_MS = 15000;

/** An evening by appointment: who sees whom when, and who was invited. */
export default function AppointmentEveningPage() {
  const eveningId = Number(useParams().eveningId);
  const asked = api.useAppointmentEveningQuery(
    { params: { eveningId } },
    { pollingInterval: LOOK_AGAIN_MS },
  );
  return (
    <Loaded asked={asked}>
      {(evening) => (
        <Screen margin={false}>
          <Header evening={evening} />
          <div className="mt-5 grid items-start gap-x-10 gap-y-6 wide:grid-cols-2 print:block">
            <section aria-label={say.whoSeesWhom}>
              <h2 className="text-lg">{say.whoSeesWhom}</h2>
              {evening.hosts.map((host) => (
                <OneHost key={host.seriesId} host={host} day={evening.date} />
              ))}
            </section>
            {evening.mayChange && <Guests evening={evening} />}
          </div>
        </Screen>
      )}
    </Loaded>
  );
}
