import { minuteOfDay } from '@glen/core/light';
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

/** Today's sessions as the day line shows them, and which hours it spans. */
export function shownSessions(
  today: Today,
  nowMinute: number,
): { shown: ShownSession[]; hours: [number, number] } {
  const spans = today.sessions
    .filter((s) => s.status !== 'cancelled' && s.date === today.date)
    .map((session) => {
      const start = minuteOfDay(session.time, 'time');
      return { session, start, end: start + session.minutes };
    });
  const bells = today.bells.map((b) => ({
    start: minuteOfDay(b.start, 'start'),
    end: minuteOfDay(b.end, 'end'),
  }));
  const lanes = lanesOf(spans);
  const shown = spans.map((span, i) => ({ ...span, lane: lanes[i]!.lane, lanes: lanes[i]!.of }));
  return { shown, hours: hoursShown([...bells, ...spans], nowMinute) };
}
