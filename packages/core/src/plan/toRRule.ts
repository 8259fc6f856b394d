import { indexSchool, type SchoolCalendar, type SchoolIndex } from '../calendar/school.js';
import { WEEKDAYS, addDays, dateOf, dayNumber } from '../time/dates.js';
import { expandPlan, isHeld, type Window } from './expandPlan.js';
import { patternDays, plainRule } from './pattern.js';
import type { Occurrence, SessionPlan } from './plan.js';
import { lastDay, type FieldRepeat } from './repeat.js';

/** A plan as RFC 5545 tells it. Dates are local, in the plan's zone; every override bears the time of its own. */
export interface RuleSet {
  /** Without `RRULE:`, its UNTIL at the end of the last date (in UTC, as the RFC asks beside a zone); none where the plan is for single dates. */
  rrule?: string;
  exdates: string[];
  rdates: string[];
  /** Held ones that differ in date, time or length from what most of them have. */
  overrides: Occurrence[];
}

/** The time and length that most of the held dates have; of equals the first. Null where none is held. */
export function usualTime(held: Occurrence[]): { time: string; minutes: number } | null {
  const counts = new Map<string, { time: string; minutes: number; n: number }>();
  for (const { time, minutes, status } of held) {
    if (status === 'moved') continue;
    const key = `${time}/${minutes}`;
    const seen = counts.get(key) ?? { time, minutes, n: 0 };
    counts.set(key, { ...seen, n: seen.n + 1 });
  }
  const [most] = [...counts.values()].sort((a, b) => b.n - a.n);
  const usual = most ?? held[0];
  return usual ? { time: usual.time, minutes: usual.minutes } : null;
}

function monthParts({ nth, monthDay }: FieldRepeat): string[] {
  if (nth) return [`BYDAY=${nth.n}${nth.weekday}`];
  return monthDay ? [`BYMONTHDAY=${monthDay}`] : [];
}

/** The parts of a rule that give a repeat's dates, cycle days and ends apart. */
function partsOf(repeat: FieldRepeat, school: SchoolIndex | null): string[] {
  const interval =
    repeat.interval === undefined || repeat.interval === 1 ? [] : [`INTERVAL=${repeat.interval}`];
  const byDay = (days: readonly string[] | undefined): string[] =>
    days ? [`BYDAY=${WEEKDAYS.filter((day) => days.includes(day)).join(',')}`] : [];
  switch (repeat.every) {
    case 'day':
      return ['FREQ=DAILY', ...interval, ...byDay(repeat.on)];
    case 'school-day':
      return ['FREQ=WEEKLY', ...byDay([...school!.bellOn.keys()])];
    case 'week':
      return ['FREQ=WEEKLY', ...interval, ...byDay(repeat.on)];
    case 'month':
      return ['FREQ=MONTHLY', ...interval, ...monthParts(repeat)];
  }
}

/** A repeat with the weekday or day of the month that it takes from its first date spelt out, so that it can begin on another. */
export function spelledOut(repeat: FieldRepeat, first: string): FieldRepeat {
  if (repeat.every === 'week' && !repeat.on)
    return { ...repeat, on: [WEEKDAYS[(dayNumber(first, 'first') + 3) % 7]!] };
  if (repeat.every === 'month' && !repeat.nth && !repeat.monthDay)
    return { ...repeat, monthDay: Number(first.slice(8)) };
  return repeat;
}

const untilEndOf = (date: string): string => `UNTIL=${date.replaceAll('-', '')}T235959Z`;

/** The dates of the plan's rule inside the window, and the rule itself; without a repeat, its one date and no rule. */
function ruleOf(
  plan: SessionPlan,
  index: SchoolIndex | null,
  keys: string[],
  window: Window,
): { rrule?: string; days: number[] } {
  const first = dayNumber(plan.first, 'first');
  const from = dayNumber(window.from, 'window.from');
  const stop = dayNumber(window.to, 'window.to') - 1;
  const { repeat } = plan;
  if (repeat === undefined) return { days: first >= from && first <= stop ? [first] : [] };
  if ('rrule' in repeat)
    return {
      rrule: plainRule(repeat.rrule).replace(/(UNTIL=\d{8})[^;]*/, '$1T235959Z'),
      days: [...patternDays(plan, first, index, stop)].filter((day) => day >= from),
    };
  const { cycleDays: _cycle, times: _times, weeks: _weeks, until: _until, ...bare } = repeat;
  const endless =
    plan.closures === 'keep' &&
    repeat.times === undefined &&
    lastDay(repeat, first, index) === undefined;
  const pattern = [
    ...patternDays(
      { ...plan, repeat: bare },
      first,
      index,
      endless ? stop : dayNumber(keys.at(-1)!, 'key'),
    ),
  ].filter((day) => day >= from);
  const end = endless ? [] : [untilEndOf(keys.at(-1)!)];
  return {
    rrule: [...partsOf(spelledOut(bare, plan.first), index), ...end].join(';'),
    days: pattern,
  };
}

/**
 * A plan as a rule with its exceptions, for the dates in a window: expanded by RFC 5545 from the first held date that is none of
 * the plan's extra ones (of a raw rule, from the plan's first), the rule less `exdates` and with `rdates` gives the keys of the held ones again; `overrides` are those that stand elsewhere than
 * most (moved, or on days of other bells). A plan without end that closures do not stop keeps a rule without end.
 * Throws GlenInputError like expandPlan.
 */
export function toRRule(plan: SessionPlan, school: SchoolCalendar | null, window: Window): RuleSet {
  const rows = expandPlan(plan, school, window);
  const held = rows.filter(isHeld);
  const usual = usualTime(held);
  if (!usual) return { exdates: [], rdates: [], overrides: [] };
  const extra = new Set(plan.alsoOn);
  const ofPattern = held
    .map((o) => o.key)
    .filter((key) => !extra.has(key))
    .sort();
  const { rrule, days } =
    ofPattern.length === 0
      ? { days: [] }
      : ruleOf(plan, school ? indexSchool(school) : null, ofPattern, window);
  const given = new Set(days.map(dateOf));
  const heldKeys = new Set(held.map((o) => o.key));
  return {
    ...(rrule === undefined ? {} : { rrule }),
    exdates: [...given].filter((date) => !heldKeys.has(date)),
    // Extra dates are told even where the rule gives them: it may begin after them.
    rdates: [...heldKeys]
      .filter(
        (key) => extra.has(key) || (rrule === undefined ? key !== plan.first : !given.has(key)),
      )
      .sort(),
    overrides: held.filter(
      (o) =>
        o.status === 'moved' ||
        o.date !== o.key ||
        o.time !== usual.time ||
        o.minutes !== usual.minutes,
    ),
  };
}

/** The last day on which a plan can hold a session, as far as the calendar knows: its own end, else the end of the school year, or a year on where that is over. */
function lastKnown(plan: SessionPlan, school: SchoolCalendar | null): string {
  const { first, repeat } = plan;
  if (repeat === undefined) return first;
  const yearEnd = school?.terms.at(-1)?.last;
  const known = yearEnd !== undefined && yearEnd > first ? yearEnd : addDays(first, A_YEAR);
  if ('rrule' in repeat) return known;
  const end = lastDay(repeat, dayNumber(first, 'first'), school ? indexSchool(school) : null);
  if (end !== undefined) return dateOf(Math.min(end, dayNumber(first, 'first') + FARTHEST));
  // A count that no closure holds up runs to its own end; one that does stops where the calendar does.
  return repeat.times !== undefined && plan.closures === 'keep' ? addDays(first, FARTHEST) : known;
}

const A_YEAR = 366;
const FARTHEST = 3600;

/** The window in which everything of a plan lies: from the day before its first date to the day after its last. Throws GlenInputError for a wrong end. */
export function wholeWindow(plan: SessionPlan, school: SchoolCalendar | null): Window {
  const dates = [
    plan.first,
    lastKnown(plan, school),
    ...(plan.alsoOn ?? []),
    ...(plan.changes ?? []).flatMap((c) => (c.kind === 'move' ? [c.date] : [])),
  ].sort();
  return { from: addDays(dates[0]!, -1), to: addDays(dates.at(-1)!, 2) };
}
