import { Hand } from 'lucide-react';
import { useEffect, useRef, type KeyboardEvent, type RefObject } from 'react';
import { useNavigate } from 'react-router';
import { minuteOfDay } from '@glen/core/light';
import type { Answer, Session } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { mayEdit } from '../school/mayEdit.js';
import { DaySession } from './DaySession.js';
import { shownSessions } from './shownSessions.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Today = Answer<'today'>;
type ByHand = Today['hand'][number];
type Place = (minute: number) => string;

/** A number of an hour steps aside for a mark that is nearer than this part of the strip. */
const NEARNESS = 1 / 15;

/** The numbers of the hours, but for those that another mark would cover. Minutes of the day. */
function Hours({
  hours,
  marks,
  place,
}: {
  hours: [number, number];
  marks: number[];
  place: Place;
}) {
  const [from, to] = hours;
  const nearest = (to - from) * 60 * NEARNESS;
  const isCovered = (hour: number): boolean =>
    marks.some((mark) => Math.abs(hour * 60 - mark) < nearest);
  return Array.from({ length: to - from }, (_, i) => from + i).map((hour) => (
    <span
      key={hour}
      aria-hidden="true"
      className={`absolute top-1 font-mono text-xs text-soft ${isCovered(hour) ? 'opacity-0' : ''}`}
      style={{ left: place(hour * 60) }}
    >
      {String(hour).padStart(2, '0')}
    </span>
  ));
}

/** Something to be put up by hand, at its minute. */
function HandMark({ byHand, left, onOpen }: { byHand: ByHand; left: string; onOpen: () => void }) {
  const words = fill(say.timeByHandWhere, { time: byHand.time, where: byHand.where });
  const dress = byHand.waits
    ? 'border-edge bg-sheet text-soft'
    : 'border-gorse bg-gorse-tint text-gorse-deep';
  return (
    <button
      type="button"
      title={words}
      onClick={onOpen}
      className={`absolute top-0.5 z-10 flex size-5 -translate-x-1/2 items-center justify-center rounded-small border ${dress}`}
      style={{ left }}
    >
      <Hand size={12} aria-hidden="true" />
      <span className="sr-only">{words}</span>
    </button>
  );
}

const NowMark = ({ time, left }: { time: string; left: string }) => (
  <span
    className="pointer-events-none absolute inset-y-0 border-l-2 border-bracken"
    style={{ left }}
  >
    <span className="ml-1 font-mono text-xs font-bold text-bracken-deep">{time}</span>
  </span>
);

/** Where a session of today is looked at: a draft in the plan, one's own at its desk, else at its class period. */
function pathOf(session: Session, today: Today): string {
  if (session.draft) return `/plan/${session.seriesId}?on=${session.key}`;
  const classPeriod = today.classes.find((c) => c.id === session.classId);
  const isOnlyRead = classPeriod && !mayEdit(classPeriod) && !today.acting.includes(session.id);
  return isOnlyRead ? `/classes/${session.classId}` : `/desk/${session.linkId}`;
}

/** On a phone there is to be room for what stands on it; an empty strip needs none, and nobody could scroll it by keys. */
const WIDER = 'max-half:right-auto max-half:w-200';

const STEPS: Partial<Record<string, number>> = { ArrowRight: 1, ArrowLeft: -1 };

/** Arrows go from button to button of the strip. */
function stepThrough(strip: HTMLElement, event: KeyboardEvent): void {
  const step = STEPS[event.key];
  if (step === undefined) return;
  const buttons = [...strip.querySelectorAll('button')];
  const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
  buttons[Math.min(buttons.length - 1, Math.max(0, at + step))]?.focus();
  event.preventDefault();
}

/** On a phone the strip is wider than its window, and lies so that now is to be seen, with a little of what was. */
function useScrolledToNow(strip: RefObject<HTMLElement | null>, share: number): void {
  // The hour that it was first looked at is enough: who scrolls is not pulled back each minute.
  const first = useRef(share);
  useEffect(() => {
    const line = strip.current;
    if (line) line.scrollLeft = first.current * line.scrollWidth - line.clientWidth / 3;
  }, [strip]);
}

/**
 * Today as a strip of hours: its sessions and the now mark. One glance, one click; arrows go from session
 * to session.
 */
export function DayLine({ today, now, zone }: { today: Today; now: string; zone: string }) {
  const navigate = useNavigate();
  const strip = useRef<HTMLElement>(null);
  const clock = wallClock(now, zone);
  const nowMinute = minuteOfDay(clock.time, 'time');
  const { shown, hours } = shownSessions(today, nowMinute);
  const [from, to] = hours;
  useScrolledToNow(strip, (nowMinute - from * 60) / ((to - from) * 60));
  const place: Place = (minute) => `${((minute - from * 60) / ((to - from) * 60)) * 100}%`;
  const hasAny = shown.length > 0 || today.hand.length > 0;
  const hand = today.hand.map((byHand) => ({ byHand, minute: minuteOfDay(byHand.time, 'time') }));
  return (
    <nav
      ref={strip}
      aria-label={say.todaysHours}
      onKeyDown={(event) => stepThrough(strip.current!, event)}
      className="relative h-15 shrink-0 overflow-x-auto overflow-y-hidden border-b border-line bg-shade print:hidden"
    >
      <div className={`absolute inset-x-6 inset-y-0 ${hasAny ? WIDER : ''}`}>
        <Hours hours={hours} marks={[nowMinute, ...hand.map((h) => h.minute)]} place={place} />
        {shown.map((one) => (
          <DaySession
            key={one.session.id}
            shown={one}
            pennant={today.classes.find((c) => c.id === one.session.classId)?.pennant}
            now={now}
            place={place}
            onOpen={() => void navigate(pathOf(one.session, today))}
          />
        ))}
        {hand.map(({ byHand, minute }) => (
          <HandMark
            key={`${byHand.postId} ${byHand.time} ${byHand.where}`}
            byHand={byHand}
            left={place(minute)}
            onOpen={() => void navigate(`/posts?show=${byHand.postId}`)}
          />
        ))}
        <NowMark time={clock.time} left={place(nowMinute)} />
      </div>
    </nav>
  );
}
