import {
  addDays,
  dateInWords,
  dayInfo,
  editSeries,
  expandPlan,
  isHeld,
  planClashes,
  type KnownBooking,
  type Occurrence,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import type { Notch } from './layout.js';

export interface Landing {
  row: Occurrence | null;
  text: string;
  tone: 'well' | 'careful' | 'wrong';
}

export interface LandingTarget {
  date: string;
  time?: string;
}

type Books = Answer<'bookings'>;

/** The series with the one session moved: its row there, and what the rules say to that. */
function moved(notch: Notch, session: Session, target: LandingTarget, school: SchoolCalendar) {
  const plan = { ...session.plan, zone: session.plan.zone ?? school.zone } as SessionPlan;
  const { date, time } = target;
  const at = time === undefined ? {} : { time, minutes: notch.minutes };
  const { keep, warnings } = editSeries(
    { title: '', description: '', plan },
    { scope: 'one', key: notch.key, change: { kind: 'move', date, ...at } },
    school,
  );
  const range = { from: date, to: addDays(date, 1) };
  const rows = expandPlan(keep!.plan, school, range);
  return { row: rows.find((o) => o.key === notch.key && isHeld(o)) ?? null, warnings };
}

/** The first other session it would meet there. */
function clashAt(row: Occurrence, notch: Notch, books: Books | undefined) {
  const others = (books?.bookings ?? []).filter((b) => b.id !== `session ${notch.id}`);
  const [clash] = planClashes([row], books?.holds ?? [], others as KnownBooking[]);
  return clash?.other;
}

/** What would become of a session if it were put down somewhere: where it would stand, and what it would meet there. */
export function landingOf(
  notch: Notch,
  target: LandingTarget,
  known: { session: Session; books: Books | undefined },
  school: SchoolCalendar,
): Landing {
  const { row, warnings } = moved(notch, known.session, target, school);
  const when = `${dateInWords(target.date)}${row ? `, ${row.time}` : ''}`;
  if (!row) return { row, text: `${when}: no bell gives it a time there.`, tone: 'wrong' };
  const other = clashAt(row, notch, known.books);
  if (other)
    return { row, text: `${when}: clashes with ${other.title}, ${other.time}.`, tone: 'wrong' };
  const day = dayInfo(school, target.date);
  const closed = day.teaching ? undefined : `${when}: ${day.why}.`;
  const warning = warnings[0]?.message ?? closed;
  if (warning) return { row, text: warning, tone: 'careful' };
  return { row, text: `${when}: free.`, tone: 'well' };
}
