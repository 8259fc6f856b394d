import { addDays } from '../time/dates.js';
import { placeWallTime, wallClockAt } from '../time/instants.js';
import { bellsOn, dayInfo } from './dayInfo.js';
import type { SchoolCalendar } from './school.js';

const A_YEAR = 366;

/** The next instant at which a bell rings (a period begins or ends) on a teaching day; null where none does within a year. */
export function nextBell(school: SchoolCalendar, now: string): string | null {
  const { date } = wallClockAt(now, school.zone);
  for (let i = 0; i < A_YEAR; i++) {
    const day = addDays(date, i);
    if (!dayInfo(school, day).teaching) continue;
    const times = bellsOn(school, day)
      .flatMap((bell) => [bell.start, bell.end])
      .sort();
    const ring = times
      .map((time) => placeWallTime(day, time, 0, school.zone).start)
      .find((at) => at > now);
    if (ring) return ring;
  }
  return null;
}
