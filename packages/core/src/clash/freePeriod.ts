import { bellsOn, dayInfo } from '../calendar/dayInfo.js';
import { meet } from '../slots/meet.js';
import type { SchoolCalendar } from '../calendar/school.js';
import type { Occurrence } from '../plan/plan.js';
import { addDays, dateOf, dayNumber, minuteOfDay, mondayOf } from '../time/dates.js';
import { placeWallTime } from '../time/instants.js';
import { planClashes, type KnownBooking } from './planClashes.js';

/** A bell period in which nothing that a session holds is taken. Times are wall clock. */
export interface FreePeriod {
  date: string;
  time: string;
  minutes: number;
  period: string;
}

/**
 * The nearest free bell period to which one date of a plan could move: that day's first, then those of the same week, none in
 * the past (`now`, an instant). `held`: the plan's own dates, which it must not meet either. Null where the week is full.
 */
export function freePeriod(
  row: Occurrence,
  {
    school,
    holds,
    bookings,
    held,
    now,
  }: {
    school: SchoolCalendar;
    holds: string[];
    bookings: KnownBooking[];
    held: Occurrence[];
    now: string;
  },
): FreePeriod | null {
  const day = dayNumber(row.date, 'date');
  const week = [0, 1, 2, 3, 4, 5, 6]
    .map((i) => mondayOf(day) + i)
    .sort((a, b) => Math.abs(a - day) - Math.abs(b - day) || a - b);
  const minute = minuteOfDay(row.time, 'time');
  for (const date of week.map(dateOf)) {
    if (!dayInfo(school, date).teaching) continue;
    const near = bookings.filter((b) => b.date >= addDays(date, -1) && b.date <= addDays(date, 1));
    const bells = [...bellsOn(school, date)].sort(
      (a, b) =>
        Math.abs(minuteOfDay(a.start, 'start') - minute) -
        Math.abs(minuteOfDay(b.start, 'start') - minute),
    );
    for (const { label, start, end } of bells) {
      const minutes = minuteOfDay(end, 'end') - minuteOfDay(start, 'start');
      const there = { ...row, minutes, ...placeWallTime(date, start, minutes, school.zone) };
      const meetsOwn = held.some((o) => o.key !== row.key && meet(o, there));
      if (there.start > now && !meetsOwn && planClashes([there], holds, near).length === 0)
        return { date, time: start, minutes, period: label };
    }
  }
  return null;
}
