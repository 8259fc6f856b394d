import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { TakeSlot, takeWords, type OwnSlot, type SessionInSlots, type Wanted } from './TakeSlot.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type There = Answer<'signUps'>;
type Slot = SessionInSlots['slots'][number];

/** Somebody else may be faster; the page looks now and then. */
const LOOK_AGAIN_MS = 15000;

const spanOf = ({ time, end }: Pick<Slot, 'time' | 'end'>): string => `${time}–${end}`;

/** `Wed 14 Oct, 11:40–11:55`: a slot of one's own, or that one waits. */
function ownInWords({ date, slots }: SessionInSlots, { nth, missed }: OwnSlot): string {
  const slot = nth === null ? undefined : slots[nth];
  if (!slot) return fill(say.youWaitForASlot, { date: dateInWords(date) });
  const when = `${dateInWords(date)}, ${spanOf(slot)}`;
  return missed ? fill(say.youDidNotCome, { when }) : when;
}

interface MineProps {
  code: string;
  session: SessionInSlots;
  own: OwnSlot;
  onChange: () => void;
}

/** What somebody has, with what it is about. */
function Mine({ code, session, own, onChange }: MineProps) {
  const [drop, { isLoading, error }] = api.useDropSignUpMutation();
  const { id, version, about, address, group, missed, isOwn } = own;
  return (
    <li className="border-t border-line py-3">
      <b>{ownInWords(session, own)}</b>
      {group && <span className="text-soft"> {fill(say.forGroup, { group })}</span>}
      {about && <p className="break-words">{about}</p>}
      {address && (
        <p>
          <a className="break-all text-loch-deep underline" href={address} rel="noreferrer">
            {address}
          </a>
        </p>
      )}
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
      {isOwn && !missed && (
        <p className="mt-1 flex flex-wrap gap-x-4">
          <Button kind="link" className="min-h-11" onClick={onChange}>
            {say.changeIt}
          </Button>
          <Button
            kind="danger-link"
            className="min-h-11"
            disabled={isLoading}
            onClick={() => void drop({ params: { code }, body: { id, version } })}
          >
            {own.nth === null ? say.stopWaiting : say.giveItUp}
          </Button>
        </p>
      )}
    </li>
  );
}

const STATES: Record<Exclude<Slot['state'], 'free'>, string> = {
  taken: 'taken',
  mine: 'yours',
  over: 'over',
};

interface SlotLineProps {
  slot: Slot;
  /** Why it cannot be had stands above all of them. */
  isSaid: boolean;
  /** What a press would do; null: nothing. */
  press: string | null;
  onPress: () => void;
}

/** Why none of the free slots of a session can be had, where that is one reason for all. */
function whyNone({ slots }: SessionInSlots): string | null {
  const reasons = new Set(slots.filter(({ state }) => state === 'free').map(({ why }) => why));
  return reasons.size === 1 ? [...reasons][0]! : null;
}

function SlotLine({ slot, isSaid, press, onPress }: SlotLineProps) {
  const { state, why } = slot;
  const free = isSaid ? 'free' : (why ?? 'free');
  const said = state === 'free' ? free : STATES[state];
  return (
    <div className="flex min-h-11 flex-wrap items-center gap-x-4">
      <span className="w-28 font-mono">{spanOf(slot)}</span>
      <span
        className={`min-w-0 flex-1 ${state === 'mine' ? 'font-semibold text-moss-deep' : 'text-soft'}`}
      >
        {said}
      </span>
      {press !== null && (
        <Button className="min-h-11" onClick={onPress}>
          {press}
        </Button>
      )}
    </div>
  );
}

interface SessionProps {
  code: string;
  groups: There['groups'];
  session: SessionInSlots;
  moving: OwnSlot | null;
  onMoved: () => void;
}

/** A session's slots, free and taken; one that is pressed asks what it is about. */
function Session({ code, groups, session, moving, onMoved }: SessionProps) {
  const [nth, setNth] = useState<number | 'wait' | null>(null);
  const { date, time, minutes, slots, waiting, mayWait } = session;
  const none = moving === null ? whyNone(session) : null;
  const done = (): void => {
    setNth(null);
    onMoved();
  };
  const form = (wanted: Pick<Wanted, 'nth'>) => (
    <TakeSlot code={code} groups={groups} wanted={{ session, moving, ...wanted }} onDone={done} />
  );
  // One's own can be pressed while it is changed: for other words alone.
  const canHave = (slot: Slot): boolean =>
    (slot.state === 'free' && (slot.why === null || moving !== null)) ||
    (slot.state === 'mine' && moving?.nth === slot.nth);
  return (
    <section className="mt-6" aria-label={dateInWords(date)}>
      <h2 className="text-lg">
        {dateInWords(date)},{' '}
        <span className="font-mono text-base">
          {time}–{addMinutes(time, minutes)}
        </span>
      </h2>
      {none !== null && <p className="text-soft">{none}</p>}
      <ul>
        {slots.map((slot) => (
          <li key={slot.nth} className="border-t border-line py-1">
            <SlotLine
              slot={slot}
              isSaid={none !== null}
              press={canHave(slot) ? takeWords({ session, moving, nth: slot.nth }) : null}
              onPress={() => setNth(slot.nth)}
            />
            {nth === slot.nth && canHave(slot) && form({ nth: slot.nth })}
          </li>
        ))}
      </ul>
      {waiting > 0 && (
        <p className="text-soft">
          {fill(say.forOneThatBecomesFree, { count: many(say.wait, waiting) })}
        </p>
      )}
      {mayWait && (
        <>
          <Button className="mt-2 min-h-11" onClick={() => setNth('wait')}>
            {say.waitForASlot}
          </Button>
          {nth === 'wait' && form({ nth: null })}
        </>
      )}
    </section>
  );
}

const NOT_FOR_YOU: Record<Exclude<There['state'], 'may'>, string> = say.notForYou;

/** What one has, and what there is to take. */
function Slots({ there }: { there: There }) {
  const { code, sessions, groups } = there;
  const [moving, setMoving] = useState<OwnSlot | null>(null);
  const mine = sessions.flatMap((session) => session.mine.map((own) => ({ session, own })));
  if (sessions.length === 0) return <Empty title={say.noSlotsYet}>{say.asSoonAsThere}</Empty>;
  return (
    <>
      {mine.length > 0 && (
        <section className="mt-5" aria-label={say.yours}>
          <h2 className="text-lg">{say.yours}</h2>
          <ul>
            {mine.map(({ session, own }) => (
              <Mine
                key={own.id}
                code={code}
                session={session}
                own={own}
                onChange={() => setMoving(moving?.id === own.id ? null : own)}
              />
            ))}
          </ul>
          {moving && <p role="status">{say.pressTheSlotThatYou}</p>}
        </section>
      )}
      {sessions.map((session) => (
        <Session
          key={`${session.seriesId} ${session.on}`}
          code={code}
          groups={groups}
          session={session}
          moving={moving}
          onMoved={() => setMoving(null)}
        />
      ))}
    </>
  );
}

/** Signing up for a slot, on any phone. */
export default function SignUpPage({ me }: { me: Me }) {
  const { code } = useParams() as { code: string };
  const asked = api.useSignUpsQuery({ params: { code } }, { pollingInterval: LOOK_AGAIN_MS });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <Loaded asked={asked} isPart>
        {(there) => (
          <>
            <header className="flex items-center gap-4">
              <Pennant pennant={there.pennant} size="large" />
              <div className="min-w-0">
                <ScreenTitle tab={fill(say.signUp, { classTitle: there.classTitle })}>
                  {there.classTitle}
                </ScreenTitle>
                <p className="text-soft">{fill(say.withHost, { host: there.host })}</p>
              </div>
            </header>
            <p className="mt-3 text-soft">
              <Said as={say.youAreOthersSee} email={me.account?.email} />
            </p>
            {there.state === 'may' ? (
              <Slots there={there} />
            ) : (
              <p className="mt-5">{NOT_FOR_YOU[there.state]}</p>
            )}
            <p className="mt-8">
              <Link className={buttonClass()} to={`/door/${there.code}`}>
                {say.toTheDoor}
              </Link>
            </p>
          </>
        )}
      </Loaded>
    </main>
  );
}
