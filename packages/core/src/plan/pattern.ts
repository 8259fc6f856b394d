import { RRuleTemporal } from 'rrule-temporal';
import { fail } from '../input.js';
import type { SchoolIndex } from '../calendar/school.js';
import {
  civilFromDays,
  dateOf,
  daysFromCivil,
  mondayOf,
  weekdayIndex,
  weekdayOf,
} from '../time/dates.js';
import type { SessionPlan } from './plan.js';
import { bearsCycleDay, lastDay, weekdayIndexOf, type FieldRepeat } from './repeat.js';

/** Days of a repeat by weekdays or single days from `first` on, in order, up to `stop`. */
function* everyDay(repeat: FieldRepeat, first: number, stop: number): Generator<number> {
  for (let day = first; day <= stop; day += repeat.interval ?? 1)
    if (repeat.on === undefined || repeat.on.includes(weekdayOf(day))) yield day;
}

function* everySchoolDay(school: SchoolIndex, first: number, stop: number): Generator<number> {
  for (let day = first; day <= stop; day++) if (school.bellOn.has(weekdayOf(day))) yield day;
}

function* everyWeek(repeat: FieldRepeat, first: number, stop: number): Generator<number> {
  const on = (repeat.on ? [...new Set(repeat.on)].map(weekdayIndexOf) : [weekdayIndex(first)]).sort(
    (a, b) => a - b,
  );
  for (let monday = mondayOf(first); monday <= stop; monday += 7 * (repeat.interval ?? 1)) {
    for (const index of on)
      if (monday + index >= first && monday + index <= stop) yield monday + index;
  }
}

/** The wished day of a month (1 to 12), or undefined where the month has none. */
function dayOfMonth(
  repeat: FieldRepeat,
  firstDay: number,
  year: number,
  month: number,
): number | undefined {
  const begins = daysFromCivil(year, month, 1);
  const ends =
    (month === 12 ? daysFromCivil(year + 1, 1, 1) : daysFromCivil(year, month + 1, 1)) - 1;
  if (repeat.nth === undefined) {
    const day = begins + (repeat.monthDay ?? firstDay) - 1;
    return day <= ends ? day : undefined;
  }
  const { n, weekday } = repeat.nth;
  const wished = weekdayIndexOf(weekday);
  const day =
    n === -1
      ? ends - ((weekdayIndex(ends) - wished + 7) % 7)
      : begins + ((wished - weekdayIndex(begins) + 7) % 7) + 7 * (n - 1);
  return day <= ends ? day : undefined;
}

function* everyMonth(repeat: FieldRepeat, first: number, stop: number): Generator<number> {
  const { year, month, day: firstDay } = civilFromDays(first);
  for (let i = 0; ; i += repeat.interval ?? 1) {
    const months = month - 1 + i;
    const [y, m] = [year + Math.floor(months / 12), (months % 12) + 1];
    if (daysFromCivil(y, m, 1) > stop) return;
    const day = dayOfMonth(repeat, firstDay, y, m);
    if (day !== undefined && day >= first && day <= stop) yield day;
  }
}

function daysOfFields(
  repeat: FieldRepeat,
  first: number,
  school: SchoolIndex | null,
  stop: number,
): Generator<number> {
  switch (repeat.every) {
    case 'day':
      return everyDay(repeat, first, stop);
    case 'school-day':
      return everySchoolDay(school!, first, stop);
    case 'week':
      return everyWeek(repeat, first, stop);
    case 'month':
      return everyMonth(repeat, first, stop);
  }
}

const PARTS = [
  'FREQ',
  'INTERVAL',
  'COUNT',
  'UNTIL',
  'BYMONTH',
  'BYWEEKNO',
  'BYYEARDAY',
  'BYMONTHDAY',
  'BYDAY',
  'BYSETPOS',
  'WKST',
];

/** Where a raw rule stands in a plan. */
const RULE = 'repeat.rrule';

/** The parts of a raw rule, each of them one that a plan can hold. */
function partsOf(rrule: string): Map<string, string> {
  const bare = rrule.trim().replace(/^RRULE:/i, '');
  const parts = new Map<string, string>();
  for (const part of bare.split(';').filter(Boolean)) {
    const [name = '', value = ''] = part.toUpperCase().split('=');
    if (!PARTS.includes(name) || value === '' || parts.has(name))
      fail(RULE, `This rule cannot be used here: ${part}.`);
    parts.set(name, value);
  }
  return parts;
}

/** Checks a raw rule for what a plan can hold, and gives it in capitals and without its name. */
export function plainRule(rrule: unknown): string {
  const path = RULE;
  if (typeof rrule !== 'string') fail(path, 'Give a rule as RFC 5545 writes it.');
  const parts = partsOf(rrule);
  if (!['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'].includes(parts.get('FREQ') ?? ''))
    fail(path, 'A rule repeats daily, weekly, monthly or yearly.');
  if (parts.has('BYWEEKNO') && !parts.has('BYDAY'))
    fail(path, 'A rule by week numbers must name weekdays.');
  if (parts.has('COUNT') && parts.has('UNTIL'))
    fail(path, 'A rule ends by a date or by a count, not both.');
  const until = parts.get('UNTIL');
  if (until !== undefined && !/^\d{8}(T\d{6}Z?)?$/.test(until))
    fail(path, 'A rule ends on a date such as 20261218.');
  return [...parts].map(([name, value]) => `${name}=${value}`).join(';');
}

/** Days that a raw rule gives, by RFC 5545; `first` is its DTSTART and must fit it. */
function* daysOfRule(rrule: string, first: number, stop: number): Generator<number> {
  // An end counts by its date, whatever hour it names.
  const rule = plainRule(rrule).replace(/(UNTIL=\d{8})[^;]*/, '$1T000000Z');
  const start = dateOf(first).replaceAll('-', '');
  let dates: Iterable<{ year: number; month: number; day: number }>;
  try {
    const made = new RRuleTemporal({ rruleString: `DTSTART:${start}T000000Z\nRRULE:${rule}` });
    const until = new Date(Math.max(first, stop) * 86400000);
    dates = made.between(new Date(first * 86400000), until, true);
  } catch (error) {
    fail('repeat.rrule', `This rule cannot be used: ${(error as Error).message}`);
  }
  let isFirst = true;
  for (const { year, month, day } of dates) {
    const days = daysFromCivil(year, month, day);
    if (isFirst && days !== first) fail('first', 'The first date does not fit the rule.');
    isFirst = false;
    if (days <= stop) yield days;
  }
  if (isFirst) fail('first', 'The first date does not fit the rule.');
}

/**
 * The days that a plan's pattern gives, in order, up to `stop` (a day number) or its own end, whichever is sooner. A count
 * of sessions held (`times`) is not looked at here: who asks stops asking.
 */
export function* patternDays(
  plan: SessionPlan,
  first: number,
  school: SchoolIndex | null,
  stop: number,
): Generator<number> {
  const { repeat } = plan;
  if (repeat === undefined) {
    if (first <= stop) yield first;
    return;
  }
  if ('rrule' in repeat) {
    yield* daysOfRule(repeat.rrule, first, stop);
    return;
  }
  const last = Math.min(stop, lastDay(repeat, first, school) ?? Infinity);
  for (const day of daysOfFields(repeat, first, school, last))
    if (bearsCycleDay(repeat, school, day)) yield day;
}
