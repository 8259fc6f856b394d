import { dayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import { expandPlan, isHeld } from '../plan/expandPlan.js';
import type { Occurrence, SessionPlan } from '../plan/plan.js';
import { addDays } from '../time/dates.js';
import { planClashes, type KnownBooking } from './planClashes.js';

/** So many days on, a session would no longer stand for the one that falls out. */
const MOST_DAYS = 14;

interface Known {
  school: SchoolCalendar;
  holds: string[];
  bookings: KnownBooking[];
  /** The plan's own dates, which it must not meet either. */
  held: Occurrence[];
  /** An instant; nothing before it is offered. */
  now: string;
}

/**
 * Where a date of a plan could be held instead: the next school day after it on which the plan has no session of its own
 * and meets nothing, at the time that the plan has on that day. Null where two weeks offer none.
 */
export function nextFreeDay(row: Occurrence, plan: SessionPlan, known: Known): Occurrence | null {
  const { school, holds, bookings, held, now } = known;
  const { at, zone } = plan;
  const taken = new Set(held.filter((o) => o.key !== row.key).map((o) => o.date));
  for (let i = 1; i <= MOST_DAYS; i++) {
    const date = addDays(row.date, i);
    if (taken.has(date) || !dayInfo(school, date).teaching) continue;
    const single: SessionPlan = { first: date, at, zone, closures: 'keep' };
    const [there] = expandPlan(single, school, { from: date, to: addDays(date, 1) });
    const isFree = there && isHeld(there) && there.start > now;
    if (isFree && planClashes([there], holds, bookings).length === 0) return there;
  }
  return null;
}
