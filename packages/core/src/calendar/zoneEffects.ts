import type { Note } from '../margin/note.js';
import { expandPlan, isHeld } from '../plan/expandPlan.js';
import type { SessionPlan } from '../plan/plan.js';
import { wholeWindow } from '../plan/toRRule.js';
import { dateInWords } from '../time/dates.js';
import { checkZone } from '../time/instants.js';
import { secondsOf } from '../time/seconds.js';
import type { SchoolCalendar } from './school.js';

/** What another time zone of the school does to a series. */
export interface ZoneEffect {
  seriesId: number;
  /** How many of its sessions begin at another moment. */
  sessions: number;
  /** How many of those would have begun already. */
  passed: number;
  /** The first of them, wall clock, which stays as it is. */
  date: string;
  time: string;
  /** Minutes by which it begins later; less than 0: earlier. */
  later: number;
}

/** A plan that goes by the school's zone goes by its new one; another's stays. Times on the wall clock stay as they are. */
export const inZone = (plan: SessionPlan, from: string, to: string): SessionPlan =>
  plan.zone === from ? { ...plan, zone: to } : plan;

/**
 * What becomes of what is still ahead (`now`, an instant) where the school's time zone changes: each session keeps its date
 * and time on the wall clock, and so begins at another moment. Throws GlenInputError at `zone` for one that there is not.
 */
export function zoneEffects(
  series: { id: number; plan: SessionPlan }[],
  school: SchoolCalendar,
  zone: string,
  now: string,
): ZoneEffect[] {
  checkZone(zone, 'zone');
  const after = { ...school, zone };
  return series.flatMap(({ id, plan }) => {
    const moved = inZone(plan, school.zone, zone);
    const fresh = new Map(
      expandPlan(moved, after, wholeWindow(moved, after)).map((o) => [o.key, o.start]),
    );
    const ahead = expandPlan(plan, school, wholeWindow(plan, school))
      .filter((o) => isHeld(o) && o.start > now)
      .map((o) => ({ ...o, anew: fresh.get(o.key) ?? o.start }))
      .filter((o) => o.anew !== o.start);
    const [first] = ahead;
    if (!first) return [];
    return [
      {
        seriesId: id,
        sessions: ahead.length,
        passed: ahead.filter((o) => o.anew <= now).length,
        date: first.date,
        time: first.time,
        later: (secondsOf(first.anew, 'anew') - secondsOf(first.start, 'start')) / 60,
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
  const passed = effects.reduce((sum, e) => sum + e.passed, 0);
  return [
    {
      severity: 'careful',
      title: `${total === 1 ? '1 session begins' : `${total} sessions begin`} at another moment`,
      text: `Their hours stay as they are on the clock, read in ${zone}. ${shown.join('. ')}.${more}`,
    },
    ...(passed > 0
      ? [
          {
            severity: 'wrong' as const,
            title: `${passed === 1 ? '1 session' : `${passed} sessions`} would have begun already`,
            text: 'With the new zone their time has passed; look at the plan once it is changed.',
          },
        ]
      : []),
  ];
}
