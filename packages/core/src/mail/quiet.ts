import { minuteOfDay } from '../time/dates.js';
import { placeWallTime } from '../time/instants.js';
import { plusMinutes } from '../time/seconds.js';

/** Hours in which nobody is written to of what can wait, by the school's wall clock (common practice, no source). */
const QUIET = { from: '21:00', until: '06:30' };
const DAY_MINUTES = 24 * 60;

/** So many minutes a letter that can wait waits at a wall-clock time: until the quiet hours end; 0 outside of them. */
export function quietMinutes(time: string): number {
  const now = minuteOfDay(time, 'time');
  const [from, until] = [minuteOfDay(QUIET.from, 'from'), minuteOfDay(QUIET.until, 'until')];
  if (now >= from) return DAY_MINUTES - now + until;
  return now < until ? until - now : 0;
}

/** A session that begins within so many minutes cannot wait for a night to end. */
const SOON_MINUTES = 18 * 60;

interface Standing {
  date: string;
  time: string;
  minutes: number;
}

/** Whether what has become of a session is to be heard at once: it begins soon, or people would come soon in vain. `now`: an instant. */
export const isUrgent = (
  { now, zone }: { now: string; zone: string },
  ...standings: (Standing | null | undefined)[]
): boolean =>
  standings.some((standing) => {
    if (!standing) return false;
    const { start } = placeWallTime(standing.date, standing.time, standing.minutes, zone);
    return start <= plusMinutes(now, SOON_MINUTES);
  });
