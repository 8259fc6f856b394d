import { GlenInputError } from '../input.js';
import type { Note } from '../margin/note.js';
import { expandPlan, isHeld } from '../plan/expandPlan.js';
import type { Occurrence, SessionPlan } from '../plan/plan.js';
import { wholeWindow } from '../plan/toRRule.js';
import { addMinutes, dateInWords, dayNumber } from '../time/dates.js';
import type { SchoolCalendar } from './school.js';

interface Place {
  date: string;
  time: string;
  minutes: number;
}

/**
 * What an edited calendar does to one date of a series: it moves, vanishes, or is held where it was not; `stays` is a date
 * that somebody changed singly and that the calendar now closes: it is kept, and worth a look. `breaks`: the plan cannot be
 * followed at all any more, for the reason given.
 */
export interface CalendarEffect {
  seriesId: number;
  key: string;
  kind: 'moves' | 'vanishes' | 'comes-back' | 'stays' | 'breaks';
  from?: Place;
  to?: Place;
  why?: string;
}

const placeOf = ({ date, time, minutes }: Occurrence): Place => ({ date, time, minutes });
const isSame = (a: Occurrence, b: Occurrence): boolean =>
  a.start === b.start && a.minutes === b.minutes && a.date === b.date;

/** An edit of the calendar, looked at from an instant. */
interface CalendarEdit {
  before: SchoolCalendar;
  after: SchoolCalendar;
  now: string;
}

function effectsOn(
  seriesId: number,
  plan: SessionPlan,
  { before, after, now }: CalendarEdit,
): CalendarEffect[] {
  const rowsOf = (school: SchoolCalendar): Map<string, Occurrence> =>
    new Map(expandPlan(plan, school, wholeWindow(plan, school)).map((o) => [o.key, o]));
  const old = rowsOf(before);
  let fresh: Map<string, Occurrence>;
  try {
    fresh = rowsOf(after);
  } catch (error) {
    if (error instanceof GlenInputError)
      return [{ seriesId, key: plan.first, kind: 'breaks', why: error.message }];
    throw error;
  }
  const closedOnly = (o: Occurrence): boolean =>
    o.status === 'moved' &&
    after.closures.some((c) => c.first <= o.date && o.date <= c.last) &&
    !before.closures.some((c) => c.first <= o.date && o.date <= c.last);
  return [...new Set([...old.keys(), ...fresh.keys()])].sort().flatMap((key): CalendarEffect[] => {
    const [was, is] = [old.get(key), fresh.get(key)];
    const wasHeld = was !== undefined && isHeld(was) && was.start > now;
    const isHeldNow = is !== undefined && isHeld(is) && is.start > now;
    if (wasHeld && isHeldNow) {
      if (!isSame(was, is))
        return [{ seriesId, key, kind: 'moves', from: placeOf(was), to: placeOf(is) }];
      return closedOnly(is) ? [{ seriesId, key, kind: 'stays', to: placeOf(is) }] : [];
    }
    if (wasHeld)
      return [
        { seriesId, key, kind: 'vanishes', from: placeOf(was), why: is?.why ?? 'after its end' },
      ];
    return isHeldNow ? [{ seriesId, key, kind: 'comes-back', to: placeOf(is) }] : [];
  });
}

/** What an edit of the calendar would do to what is still ahead (`now`, an instant) of every series, by series and key. Throws GlenInputError for a calendar that is wrong. */
export const calendarEffects = (
  series: { id: number; plan: SessionPlan }[],
  before: SchoolCalendar,
  after: SchoolCalendar,
  now: string,
): CalendarEffect[] =>
  series.flatMap(({ id, plan }) => effectsOn(id, plan, { before, after, now }));

const SHOWN = 4;
const KINDS = [
  ['breaks', 'wrong', 'cannot be followed any more'],
  ['vanishes', 'careful', 'off the books'],
  ['moves', 'careful', 'at another time'],
  ['comes-back', 'inform', 'back on the plan'],
  ['stays', 'inform', 'changed singly, and kept'],
] as const;

/** Where something moves to: the date only where that is another. */
function newTime(from: Place, to: Place): string {
  const date = to.date === from.date ? '' : `${dateInWords(to.date)}, `;
  return `${date}${to.time}–${addMinutes(to.time, to.minutes)}`;
}

/** One date's fate in a few words. `title`: what the session is called. */
export function effectInWords({ kind, from, to, why }: CalendarEffect, title: string): string {
  switch (kind) {
    case 'moves':
      return `${title}, ${dateInWords(from!.date)}: ${from!.time} becomes ${newTime(from!, to!)}`;
    case 'vanishes':
      return `${title}, ${dateInWords(from!.date)}: ${why}`;
    case 'comes-back':
    case 'stays':
      return `${title}, ${dateInWords(to!.date)}, ${to!.time}`;
    case 'breaks':
      return `${title}: ${why}`;
  }
}

/** What a kind of fate befalls: a series as a whole, or so many of its sessions. */
function befallen(kind: CalendarEffect['kind'], n: number): string {
  if (kind === 'breaks') return `${n} series`;
  return n === 1 ? '1 session' : `${n} sessions`;
}

/** What leaves the books and what comes anew in its place: of one series, the nearest within a week. */
interface Pair {
  leaves: CalendarEffect;
  comes: CalendarEffect;
}

const PAIRED_WITHIN = 7;

function daysApart(a: Place, b: Place): number {
  return Math.abs(dayNumber(a.date, 'date') - dayNumber(b.date, 'date'));
}

/** Dates that leave, each beside the one that comes instead; and whatever has no other half. */
export function pairEffects(effects: CalendarEffect[]): {
  pairs: Pair[];
  single: CalendarEffect[];
} {
  const free = new Set(effects.filter((e) => e.kind === 'comes-back'));
  const pairs: Pair[] = [];
  for (const leaves of effects.filter((e) => e.kind === 'vanishes')) {
    const comes = [...free]
      .filter(
        (e) => e.seriesId === leaves.seriesId && daysApart(e.to!, leaves.from!) <= PAIRED_WITHIN,
      )
      .sort((a, b) => daysApart(a.to!, leaves.from!) - daysApart(b.to!, leaves.from!))[0];
    if (!comes) continue;
    free.delete(comes);
    pairs.push({ leaves, comes });
  }
  const paired = new Set(pairs.flatMap(({ leaves, comes }) => [leaves, comes]));
  return { pairs, single: effects.filter((e) => !paired.has(e)) };
}

const more = (n: number): string => (n > SHOWN ? ` And ${n - SHOWN} more.` : '');

function pairNote(pairs: Pair[], titleOf: (seriesId: number) => string): Note[] {
  if (pairs.length === 0) return [];
  const shown = pairs.slice(0, SHOWN).map(({ leaves, comes }) => {
    const to = `${dateInWords(comes.to!.date)}, ${comes.to!.time}`;
    return `${titleOf(leaves.seriesId)}, ${dateInWords(leaves.from!.date)}: instead ${to}`;
  });
  return [
    {
      severity: 'careful',
      title: `${befallen('vanishes', pairs.length)} on another day`,
      text: `${shown.join('. ')}.${more(pairs.length)}`,
    },
  ];
}

/** Notes about what an edit would do, one for each kind of fate, worst first; what leaves and what comes in its place are told as one. */
export function notesForEffects(
  effects: CalendarEffect[],
  titleOf: (seriesId: number) => string,
): Note[] {
  if (effects.length === 0)
    return [
      {
        severity: 'well',
        title: 'No session changes',
        text: 'Every date ahead stays where it is.',
      },
    ];
  const { pairs, single } = pairEffects(effects);
  const kinds = KINDS.flatMap(([kind, severity, words]): Note[] => {
    const of = single.filter((e) => e.kind === kind);
    if (of.length === 0) return [];
    const shown = of.slice(0, SHOWN).map((e) => effectInWords(e, titleOf(e.seriesId)));
    const text = `${shown.join('. ')}.${more(of.length)}`;
    return [{ severity, title: `${befallen(kind, of.length)} ${words}`, text }];
  });
  const wrong = kinds.filter((note) => note.severity === 'wrong');
  return [...wrong, ...pairNote(pairs, titleOf), ...kinds.filter((note) => !wrong.includes(note))];
}
