import { bellsOn, dayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import type { TimeWindow } from '../slots/cutSlots.js';
import { addDays, minuteOfDay } from '../time/dates.js';
import { placeWallTime } from '../time/instants.js';
import { secondsOf, utcOf } from '../time/seconds.js';

/** A window of one day: the school's local date, and its two instants. */
export interface DayWindow extends TimeWindow {
  date: string;
}

export interface DaysAsked {
  /** Local dates, both of them included. */
  from: string;
  to: string;
  /** The school's wall clock, each day. */
  hours: { from: string; to: string };
  /** On days that teach, or on every day of the week, closures too. */
  days: 'school' | 'every';
}

const QUARTER = 900;
const datesBetween = (from: string, to: string): string[] => {
  const dates: string[] = [];
  for (let date = from; date <= to; date = addDays(date, 1)) dates.push(date);
  return dates;
};

/** The next quarter of an hour: nobody meets at eleven minutes past. */
const nextQuarter = (now: string): string =>
  utcOf(Math.ceil(secondsOf(now, 'now') / QUARTER) * QUARTER);

/** The windows in which people may meet, in order; what of them is past is left out. `now` is an instant. */
export function dayWindows(
  calendar: SchoolCalendar,
  { from, to, hours, days }: DaysAsked,
  now: string,
): DayWindow[] {
  const minutes = minuteOfDay(hours.to, 'hours.to') - minuteOfDay(hours.from, 'hours.from');
  if (minutes <= 0) return [];
  const earliest = nextQuarter(now);
  return datesBetween(from, to)
    .filter((date) => days === 'every' || dayInfo(calendar, date).teaching)
    .map((date) => ({ ...placeWallTime(date, hours.from, minutes, calendar.zone), date }))
    .map(({ date, start, end }) => ({ date, start: start < earliest ? earliest : start, end }))
    .filter(({ start, end }) => start < end);
}

/** When class periods at some places in the timetable are taught between two local dates: instants, by the bells of each day. */
export function taughtAt(
  calendar: SchoolCalendar,
  labels: string[],
  { from, to }: { from: string; to: string },
): TimeWindow[] {
  if (labels.length === 0) return [];
  return datesBetween(from, to)
    .filter((date) => dayInfo(calendar, date).teaching)
    .flatMap((date) =>
      bellsOn(calendar, date)
        .filter(({ label }) => labels.includes(label))
        .map(({ start, end }) => {
          const minutes = minuteOfDay(end, 'end') - minuteOfDay(start, 'start');
          const { start: begins, end: ends } = placeWallTime(date, start, minutes, calendar.zone);
          return { start: begins, end: ends };
        }),
    );
}
