import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { ChoiceBox } from '../../ui/choices.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Kept = Answer<'seriesSlots'>;
type Held = Kept['sessions'][number];
type HeldSlot = Held['slots'][number];
type SignUp = NonNullable<HeldSlot['signUp']>;
type Given = Pick<Sent<'signUpFor'>, 'personId' | 'about'>;

interface OfSeries {
  seriesId: number;
  people: Kept['people'];
}

interface GiveProps extends OfSeries {
  on: string;
  nth: number;
  onDone: () => void;
}

/** Gives a slot to somebody whom the session is for; they are told. */
function GiveSlot({ seriesId, people, on, nth, onDone }: GiveProps) {
  const [give] = api.useSignUpForMutation();
  const { register, watch, change, errorAt, problem, isSending, submit } = useServerForm<
    Given,
    Given,
    Kept
  >({
    start: { personId: people[0]?.id ?? 0, about: '' },
    send: (said) => give({ params: { seriesId }, body: { ...said, on, nth } }),
    onDone,
  });
  return (
    <form
      className="mt-2 grid max-w-xl gap-3 rounded-small bg-shade p-3"
      noValidate
      onSubmit={submit}
    >
      <ChoiceBox
        label={say.toWhom}
        value={String(watch('personId'))}
        choices={people.map(({ id, name }) => ({ value: String(id), label: name }))}
        invalid={errorAt('personId') !== undefined}
        onChange={(value) => change({ personId: Number(value) })}
      />
      <TextField
        label={say.whatItIsAbout}
        maxLength={300}
        autoComplete="off"
        error={errorAt('about')}
        {...register('about')}
      />
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex flex-wrap gap-2">
        <Button kind="act" type="submit" disabled={isSending}>
          {say.giveItToThem}
        </Button>
        <Button onClick={onDone}>{say.back}</Button>
      </p>
    </form>
  );
}

/** What somebody has signed up for. */
function Holder({ signUp }: { signUp: SignUp }) {
  const { name, group, about, address } = signUp;
  return (
    <>
      <b>{name}</b>
      {group && <span className="text-soft"> {fill(say.forGroup, { group })}</span>}
      {about && <span className="block break-words text-soft">{about}</span>}
      {address && (
        <a className="block break-all text-loch-deep underline" href={address} rel="noreferrer">
          {address}
        </a>
      )}
    </>
  );
}

interface LineProps extends OfSeries {
  session: Held;
  slot: HeldSlot;
}

/** Takes a slot from whoever has it; it can be given back, and they hear of both. */
function useTakeAway(seriesId: number, { on }: Held, { nth, time }: HeldSlot) {
  const [drop, { isLoading, error }] = api.useDropTheirSlotMutation();
  const [give] = api.useSignUpForMutation();
  const params = { seriesId };
  return {
    isLoading,
    error,
    takeFrom: async ({
      id,
      version,
      personId,
      name,
      group,
      about,
      address,
    }: SignUp): Promise<void> => {
      const { data } = await drop({ params, body: { id, version } });
      // A group's slot is its own to take again.
      if (!data || group) return;
      offerUndo(fill(say.isSNoLonger, { time, name }), async () => {
        await give({ params, body: { personId, on, nth, about, address } }).unwrap();
      });
    },
  };
}

function SlotLine({ session, slot, ...of }: LineProps) {
  const [isGiving, setGiving] = useState(false);
  const { takeFrom, isLoading, error } = useTakeAway(of.seriesId, session, slot);
  const { time, end, signUp, missed } = slot;
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span className="w-28 font-mono">
          {time}–{end}
        </span>
        <span className="min-w-0 flex-1 basis-48">
          {signUp ? <Holder signUp={signUp} /> : <span className="text-soft">{say.free}</span>}
        </span>
        {missed.map((name) => (
          <Chip key={name} tone="careful">
            {fill(say.didNotCome, { name })}
          </Chip>
        ))}
        {signUp ? (
          <Button
            kind="danger-link"
            aria-label={fill(say.takeTheSlotAtFrom, { time, signUp: signUp.name })}
            disabled={isLoading}
            onClick={() => void takeFrom(signUp)}
          >
            {say.takeItFromThem}
          </Button>
        ) : (
          of.people.length > 0 && (
            <Button
              kind="link"
              aria-label={fill(say.giveTheSlot, { time })}
              aria-expanded={isGiving}
              onClick={() => setGiving(!isGiving)}
            >
              {say.giveItToDots}
            </Button>
          )
        )}
      </div>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
      {isGiving && !signUp && (
        <GiveSlot {...of} on={session.on} nth={slot.nth} onDone={() => setGiving(false)} />
      )}
    </li>
  );
}

function Slots({ seriesId, people, session }: OfSeries & { session: Held }) {
  return (
    <>
      <ul>
        {session.slots.map((slot) => (
          <SlotLine key={slot.nth} {...{ session, slot, seriesId, people }} />
        ))}
      </ul>
      {session.waiting.length > 0 && (
        <p className="mt-1 text-soft">
          {fill(say.waitingForOne, { waiting: session.waiting.map(({ name }) => name).join(', ') })}
        </p>
      )}
    </>
  );
}

/** So many sessions are shown whole, whoever comes to them. */
const SHOWN_WHOLE = 2;

const isTaken = ({ slots, waiting }: Held): boolean =>
  waiting.length > 0 || slots.some(({ signUp }) => signUp !== null);

const When = ({ session: { date, time } }: { session: Held }) => (
  <>
    {dateInWords(date)}, <span className="font-mono text-base">{time}</span>
  </>
);

/** Who has which slot of the sessions ahead, and who waits; later ones that nobody has signed up for are a line each. */
export function HeldSessions({ seriesId, sessions, people }: OfSeries & { sessions: Held[] }) {
  return sessions.map((session, i) => {
    const slots = <Slots {...{ seriesId, people, session }} />;
    const isWhole = i < SHOWN_WHOLE || isTaken(session);
    return (
      <section
        key={session.on}
        className={isWhole ? 'mt-6 max-w-3xl' : 'mt-3 max-w-3xl'}
        aria-label={dateInWords(session.date)}
      >
        {isWhole ? (
          <>
            <h2 className="mb-1 text-lg">
              <When session={session} />
            </h2>
            {slots}
          </>
        ) : (
          <details>
            <summary className="cursor-pointer">
              <When session={session} />
              <span className="text-soft">
                {' '}
                {fill(say.allFree, { slotsCount: session.slots.length })}
              </span>
            </summary>
            {slots}
          </details>
        )}
      </section>
    );
  });
}
