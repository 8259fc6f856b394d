import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import {
  CHAT_KEPT,
  dateInWords,
  recordedInWords,
  turnInWords,
  type SlotTurn,
} from '@glen/core/light';
import type { Answer, Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { timeUntil, useNow, wallClock } from '../../app/clock.js';
import { watchDoor } from '../../app/live.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Loading } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { doorWords } from '../entry/doorWords.js';
import { DoorProgramme } from '../evening/DoorProgramme.js';
import { AfterLessons } from './AfterLessons.js';
import { DoorAccounts } from './DoorAccounts.js';
import { DoorHead } from './DoorHead.js';
import { EnterForm } from './EnterForm.js';
import { TryDevices } from './TryDevices.js';
import { TypeCode } from './TypeCode.js';
import { useEntering, type Entering } from './useEntering.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Door = Answer<'door'>;

/** A look now and then, for what no event tells (a host's three minutes of grace running out). */
const LOOK_AGAIN_MS = 20000;

/** When the door opens, with its date where that is another; null where no time is known. */
function openingTime({ until }: Door['decision'], now: string, zone: string): string | null {
  if (!until) return null;
  const { date, time } = wallClock(until, zone);
  return date === wallClock(now, zone).date
    ? time
    : fill(say.timeOnDate, { time, date: dateInWords(date) });
}

/** Where people come by slots: whose turn it is, and where one is taken. */
function Turn({ turn, code, zone }: { turn: SlotTurn; code: string; zone: string }) {
  return (
    <p className="mt-3 border-t border-line pt-3">
      {turnInWords(turn, (instant) => wallClock(instant, zone).time)}{' '}
      <Link className="text-loch-deep underline" to={`/sign-up/${code}`}>
        {turn.kind === 'none' ? say.takeASlot : say.yourSlots}
      </Link>
    </p>
  );
}

/** What the door says to whoever stands before it. */
function Sign({ me, door, entering }: { me: Me; door: Door; entering: Entering }) {
  const now = useNow();
  const { decision, elsewhere } = door;
  const { isGone } = entering;
  const codeProblem = entering.errorAt('entryCode');
  const words = doorWords(door, openingTime(decision, now, me.school.zone));
  const isRefused = decision.outcome === 'refused' && decision.reason !== 'code-needed';
  return (
    <section aria-live="polite" className="mt-5 rounded-big bg-shade p-4">
      <h2 className="text-lg">{isGone ? say.goingInDots : words.title}</h2>
      <p className="mt-1">{isGone ? say.ifNothingHappensGo : words.text}</p>
      {decision.until && (
        <p className="mt-3 font-mono text-3xl" aria-label={say.timeUntilTheDoorOpens}>
          {timeUntil(decision.until, now)}
        </p>
      )}
      {door.turn && <Turn turn={door.turn} code={door.code} zone={me.school.zone} />}
      {elsewhere && (
        <p className="mt-3">
          <Link className={buttonClass('act')} to={`/door/${elsewhere.code}`}>
            {say.toThatDoor}
          </Link>
        </p>
      )}
      {door.noRoom && !isRefused && decision.reason !== 'no-host' && (
        <p className="mt-2 text-soft">{say.noRoomIsBehindThis}</p>
      )}
      {door.hosts && door.noRoom && !door.isOver && (
        <p className="mt-3">
          <Link className={buttonClass('act')} to={`/desk/${door.linkId}`}>
            {say.toTheDesk}
          </Link>
        </p>
      )}
      {isRefused && codeProblem && <FieldError>{codeProblem}</FieldError>}
    </section>
  );
}

/** Whoever is refused for good has nothing to try devices for. */
const canStillCome = ({ decision: { outcome, reason } }: Door): boolean =>
  outcome !== 'refused' || reason === 'code-needed' || reason === 'code-wrong' || reason === 'full';

/** Whoever is recorded, or written down, knows it before they go in. */
function Recorded({ me, door: { rules, pastedRoom } }: { me: Me; door: Door }) {
  const keepsChat = me.school.keepsChat && me.services.video && rules.chat && !pastedRoom;
  const words = [recordedInWords(rules.recording), keepsChat && CHAT_KEPT].filter(Boolean);
  return words.length > 0 && <p className="mt-3 text-soft">{words.join(' ')}</p>;
}

interface StandingProps {
  me: Me;
  code: string;
  door: Door;
  onBack: () => void;
}

function Standing({ me, code, door, onBack }: StandingProps) {
  const entering = useEntering({ me, code, door, onBack });
  return (
    <>
      <DoorHead me={me} door={door} />
      <Sign me={me} door={door} entering={entering} />
      <EnterForm
        entering={entering}
        knocks={door.decision.outcome === 'lobby'}
        watches={door.watchesOnly}
        mayWatch={door.mayWatch && !entering.isGone}
        pastedRoom={door.pastedRoom}
      />
      {canStillCome(door) && <DoorProgramme code={code} />}
      {canStillCome(door) && <Recorded me={me} door={door} />}
      {canStillCome(door) && !door.watchesOnly && <TryDevices />}
      <DoorAccounts me={me} door={door} />
      {!door.watchesOnly && <AfterLessons code={door.code} />}
      {door.invitedThen && (
        <p className="mt-5">
          <Link className="text-loch-deep underline" to="/">
            {say.toYourOwnDay}
          </Link>
        </p>
      )}
      {!door.watchesOnly && (
        <p className="mt-5">
          <Link className="text-loch-deep underline" to={`/door/${door.code}/how`}>
            {say.howToGetInStep}
          </Link>
        </p>
      )}
      {me.school.help && (
        <p className="mt-2 text-soft">
          {fill(say.somethingTechnicalFailsAskHelp, { help: me.school.help })}
        </p>
      )}
    </>
  );
}

const NOT_SHOWN: Record<number, string> = say.notShown;

/** Why no door can be shown, and what to do about it. */
function NoDoor({ problem, code, retry }: { problem: Problem; code: string; retry: () => void }) {
  return (
    <>
      <ScreenTitle tab={NOT_SHOWN[problem.status] ?? say.theDoorCannotBeReached} />
      <p className="mt-2 text-soft">{problem.detail ?? problem.title}</p>
      {problem.status === 404 ? (
        <TypeCode start={code} />
      ) : (
        <Button className="mt-4" onClick={retry}>
          {say.tryAgain}
        </Button>
      )}
    </>
  );
}

/** Keeps the page up with its door: its title, its address, and the moment at which it opens. */
function useDoor(code: string) {
  const { data, error, refetch } = api.useDoorQuery(
    { params: { code } },
    { pollingInterval: LOOK_AGAIN_MS },
  );
  const now = useNow();
  // The door hears of itself by the code it goes by now, and that is the address to keep.
  const current = data?.code ?? code;
  useEffect(() => watchDoor(current), [current]);
  const isFormer =
    data?.came?.by === 'replaced' && data.code !== code && data.decision.reason !== 'link-retired';
  useEffect(() => {
    if (isFormer) window.history.replaceState(window.history.state, '', `/door/${current}`);
  }, [isFormer, current]);
  // The moment it opens is known beforehand: ask then.
  const until = data?.decision.until;
  const isDue = until !== undefined && until <= now;
  useEffect(() => {
    if (isDue) void refetch();
  }, [isDue, now, refetch]);
  return { door: data, problem: problemOf(error), look: () => void refetch() };
}

/** The door: what a visitor meets behind a link, on any phone. */
export default function DoorPage({ me }: { me: Me }) {
  const code = useParams().code ?? '';
  const { door, problem, look } = useDoor(code);
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      {door && (
        <Standing key={me.account?.id ?? 'nobody'} me={me} code={code} door={door} onBack={look} />
      )}
      {!door && problem && <NoDoor problem={problem} code={code} retry={look} />}
      {!door && !problem && <Loading lines={4} />}
    </main>
  );
}
