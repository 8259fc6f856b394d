import { isOvernight, minuteOfDay } from '@glen/core/light';
import type { Answer, Session } from '@glen/contract';
import { hoursShown, lanesOf } from '../plan/dayLineLayout.js';

type Today = Answer<'today'>;

export interface ShownSession {
  session: Session;
  /** Minutes of the day. */
  start: number;
  end: number;
  /** Which of how many lanes it lies in, where sessions overlap. */
  lane: number;
  lanes: number;
}

const MINUTES_OF_DAY = 1440;

/** It is held today, or began yesterday and runs past midnight; one that was moved away from today is neither. */
const isToday = (s: Session, { date }: Today): boolean => s.date === date || isOvernight(s, date);

/** From when to when today, in minutes after midnight: what began yesterday from midnight on. */
function minutesToday({ date, time, minutes }: Session, today: Today) {
  const began = minuteOfDay(time, 'time') - (date < today.date ? MINUTES_OF_DAY : 0);
  return { start: Math.max(0, began), end: Math.min(MINUTES_OF_DAY, began + minutes) };
}

/** Today's sessions as the day line shows them, and which hours it spans. */
export function shownSessions(
  today: Today,
  nowMinute: number,
): { shown: ShownSession[]; hours: [number, number] } {
  const spans = today.sessions
    .filter((s) => s.status !== 'cancelled' && isToday(s, today))
    .map((session) => ({ session, ...minutesToday(session, today) }));
  const bells = today.bells.map((b) => ({
    start: minuteOfDay(b.start, 'start'),
    end: minuteOfDay(b.end, 'end'),
  }));
  const lanes = lanesOf(spans);
  const shown = spans.map((span, i) => ({ ...span, lane: lanes[i]!.lane, lanes: lanes[i]!.of }));
  return { shown, hours: hoursShown([...bells, ...spans], nowMinute) };
}
