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
import { fill } from '../../../ui/fill.js';
import * as say from '../words.js';

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

/** The other sessions it would meet there, each once. */
function clashesAt(row: Occurrence, notch: Notch, books: Books | undefined): string[] {
  const others = (books?.bookings ?? []).filter((b) => b.id !== `session ${notch.id}`);
  const clashes = planClashes([row], books?.holds ?? [], others as KnownBooking[]);
  return [...new Set(clashes.map(({ other }) => `${other.title}, ${other.time}`))];
}

/** Bells of that day that are not those of the day it comes from. */
function otherBells(notch: Notch, date: string, school: SchoolCalendar): string[] {
  const [there, here] = [dayInfo(school, date).bell, dayInfo(school, notch.date).bell];
  return there !== undefined && there !== here ? [fill(say.thereBells, { there })] : [];
}

/** What would become of a session if it were put down somewhere: where it would stand, and all that it would meet there. */
export function landingOf(
  notch: Notch,
  target: LandingTarget,
  known: { session: Session; books: Books | undefined },
  school: SchoolCalendar,
): Landing {
  const { row, warnings } = moved(notch, known.session, target, school);
  const when = `${dateInWords(target.date)}${row ? `, ${row.time}` : ''}`;
  if (!row) return { row, text: fill(say.noBellGivesIt, { when }), tone: 'wrong' };
  const clashes = clashesAt(row, notch, known.books);
  const day = dayInfo(school, target.date);
  const closed = day.teaching ? [] : [day.why ?? 'closed'];
  const own = warnings.filter((w) => w.code === 'same-day').map(() => say.theSeriesMeetsThatDay);
  const careful = [...closed, ...own, ...otherBells(notch, target.date, school)];
  const meets =
    clashes.length > 0
      ? [fill(say.clashesWith, { clashes: clashes.join(' and ') }), ...careful]
      : careful;
  if (meets.length === 0) return { row, text: fill(say.whenFree, { when }), tone: 'well' };
  const tone = clashes.length > 0 ? 'wrong' : 'careful';
  return { row, text: `${when}: ${meets.join('; ')}.`, tone };
}
