import type { Note } from '../margin/note.js';
import { expandPlan, isHeld } from '../plan/expandPlan.js';
import type { Occurrence, SessionPlan } from '../plan/plan.js';
import { wholeWindow } from '../plan/toRRule.js';
import { dateInWords } from '../time/dates.js';
import { checkZone, wallClockAt } from '../time/instants.js';
import { secondsOf } from '../time/seconds.js';
import type { SchoolCalendar } from './school.js';

/** What another time zone of the school does to a series. */
export interface ZoneEffect {
  seriesId: number;
  /** How many of its sessions begin at another moment. */
  sessions: number;
  /** How many stay where they are, because their hour has passed already there. */
  stays: number;
  /** The first of them, wall clock, which stays as it is. */
  date: string;
  time: string;
  /** Minutes by which it begins later; less than 0: earlier. */
  later: number;
}

/** A plan that goes by the school's zone goes by its new one; another's stays. Times on the wall clock stay as they are. */
export const inZone = (plan: SessionPlan, from: string, to: string): SessionPlan =>
  plan.zone === from ? { ...plan, zone: to } : plan;

/** The school's zone changing at an instant. */
interface ZoneChange {
  school: SchoolCalendar;
  zone: string;
  now: string;
}

const expanded = (plan: SessionPlan, school: SchoolCalendar): Occurrence[] =>
  expandPlan(plan, school, wholeWindow(plan, school));

/** A session that is still ahead and whose hour has passed already where the zone is another. */
const hasPassed = (was: Occurrence, is: Occurrence, now: string): boolean =>
  isHeld(was) && was.start > now && is.start <= now;

/**
 * A series' occurrences where the school's zone is another from now on: each at its date and time on the wall clock, there.
 * One that is still ahead, and whose hour has passed there already, stays at the moment it had, so that nobody misses it
 * and changing the zone back puts everything where it was.
 */
export function occurrencesInZone(
  plan: SessionPlan,
  { school, zone, now }: ZoneChange,
): Occurrence[] {
  const before = new Map(expanded(plan, school).map((o) => [o.key, o]));
  return expanded(inZone(plan, school.zone, zone), { ...school, zone }).map((o) => {
    const was = before.get(o.key);
    if (!was || !hasPassed(was, o, now)) return o;
    const { date, time } = wallClockAt(was.start, zone);
    return { ...o, start: was.start, end: was.end, date, time };
  });
}

/**
 * What becomes of what is still ahead where the school's time zone changes: each session keeps its date and time on the
 * wall clock, and so begins at another moment. Throws GlenInputError at `zone` for one that there is not.
 */
export function zoneEffects(
  series: { id: number; plan: SessionPlan }[],
  { school, zone, now }: ZoneChange,
): ZoneEffect[] {
  checkZone(zone, 'zone');
  return series.flatMap(({ id, plan }) => {
    const there = expanded(inZone(plan, school.zone, zone), { ...school, zone });
    const fresh = new Map(there.map((o) => [o.key, o]));
    const ahead = expanded(plan, school)
      .filter((o) => isHeld(o) && o.start > now)
      .map((was) => ({ was, is: fresh.get(was.key) ?? was }))
      .filter(({ was, is }) => is.start !== was.start);
    const moved = ahead.filter(({ was, is }) => !hasPassed(was, is, now));
    const [first] = moved;
    if (!first) return [];
    return [
      {
        seriesId: id,
        sessions: moved.length,
        stays: ahead.length - moved.length,
        date: first.was.date,
        time: first.was.time,
        later: (secondsOf(first.is.start, 'is') - secondsOf(first.was.start, 'was')) / 60,
      },
    ];
  });
}

/** `4 hours earlier`, `90 minutes later`. */
function shiftInWords(minutes: number): string {
  const size = Math.abs(minutes);
  const [n, unit] = size % 60 === 0 ? [size / 60, 'hour'] : [size, 'minute'];
  return `${n} ${unit}${n === 1 ? '' : 's'} ${minutes < 0 ? 'earlier' : 'later'}`;
}

const SHOWN = 3;

/** Notes about a change of zone, before it is made. `titleOf`: what a series is called. */
export function notesForZone(
  effects: ZoneEffect[],
  zone: string,
  titleOf: (seriesId: number) => string,
): Note[] {
  const total = effects.reduce((sum, e) => sum + e.sessions, 0);
  if (total === 0)
    return [
      {
        severity: 'well',
        title: 'No session changes',
        text: 'Nothing ahead begins at another moment.',
      },
    ];
  const shown = effects
    .slice(0, SHOWN)
    .map(
      (e) =>
        `${titleOf(e.seriesId)}: ${dateInWords(e.date)} ${e.time}, ${shiftInWords(e.later)} than now`,
    );
  const more = effects.length > SHOWN ? ` And ${effects.length - SHOWN} more series.` : '';
  const stays = effects.reduce((sum, e) => sum + e.stays, 0);
  return [
    {
      severity: 'careful',
      title: `${total === 1 ? '1 session begins' : `${total} sessions begin`} at another moment`,
      text: `Their hours stay as they are on the clock, read in ${zone}. ${shown.join('. ')}.${more}`,
    },
    ...(stays > 0
      ? [
          {
            severity: 'inform' as const,
            title:
              stays === 1 ? '1 session stays where it is' : `${stays} sessions stay where they are`,
            text: 'With the new zone their hour would have passed already, so today they begin as planned.',
          },
        ]
      : []),
  ];
}
