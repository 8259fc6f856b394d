import { RRuleTemporal } from 'rrule-temporal';
import { toText } from 'rrule-temporal/totext';
import type { SchoolCalendar } from '../calendar/school.js';
import { addDays, civilFromDays, dateInWords, dayNumber, type Weekday } from '../time/dates.js';
import { expandPlan, isHeld, type Window } from './expandPlan.js';
import type { PlanRepeat, PlanTime, SessionPlan } from './plan.js';
import type { FieldRepeat } from './repeat.js';

const SHORT: Record<Weekday, string> = {
  MO: 'Mon',
  TU: 'Tue',
  WE: 'Wed',
  TH: 'Thu',
  FR: 'Fri',
  SA: 'Sat',
  SU: 'Sun',
};
const NTH: Record<string, string> = {
  1: 'first',
  2: 'second',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  '-1': 'last',
};
/** How far an endless or counted plan is looked through for its first and last date. */
const FAR_DAYS = 3650;

const joined = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;
function each(n: number, unit: string): string {
  if (n === 1) return `Every ${unit}`;
  return n === 2 ? `Every second ${unit}` : `Every ${n} ${unit}s`;
}

/** On which day of a month: the third Thursday, or by its number. */
function dayOfMonth({ nth, monthDay }: FieldRepeat, firstDay: number): string {
  return nth ? `the ${NTH[nth.n]} ${SHORT[nth.weekday]}` : `day ${monthDay ?? firstDay}`;
}

function frequency(repeat: FieldRepeat, firstWeekday: Weekday, firstDay: number): string {
  const n = repeat.interval ?? 1;
  const days = (on: Weekday[]): string => joined(on.map((day) => SHORT[day]));
  const cycle = repeat.cycleDays ? `, on ${joined(repeat.cycleDays)} days` : '';
  switch (repeat.every) {
    case 'school-day':
      return repeat.cycleDays ? `Every ${joined(repeat.cycleDays)} day` : 'Every school day';
    case 'day':
      return `${each(n, 'day')}${repeat.on ? `, if a ${days(repeat.on)}` : ''}${cycle}`;
    case 'week': {
      const on = days(repeat.on ?? [firstWeekday]);
      return `${n === 1 ? `Every ${on}` : `${each(n, 'week')} on ${on}`}${cycle}`;
    }
    case 'month':
      return `${each(n, 'month')} on ${dayOfMonth(repeat, firstDay)}${cycle}`;
  }
}

/** "10 min after the last bell", "when period 3 begins". */
function bellInWords({
  period,
  edge,
  offset,
}: Extract<PlanTime, { bell: unknown }>['bell']): string {
  const isEdgeOfDay =
    (period === 'first' && edge === 'start') || (period === 'last' && edge === 'end');
  const isNamed = period === 'first' || period === 'last';
  const lesson = isNamed ? `the ${period} period` : `period ${period}`;
  const verb = edge === 'start' ? 'begins' : 'ends';
  const place = isEdgeOfDay ? `the ${period} bell` : `${lesson} ${verb}`;
  if (offset === 0) return isEdgeOfDay ? `at ${place}` : `when ${place}`;
  return `${Math.abs(offset)} min ${offset > 0 ? 'after' : 'before'} ${place}`;
}

function timeInWords(at: PlanTime): string {
  if ('time' in at) return `${at.time} for ${at.minutes} min`;
  if ('period' in at) return `period ${at.period}`;
  return `${bellInWords(at.bell)}, for ${at.minutes} min`;
}

/** A raw rule in words; its end and where its weeks begin are told apart, or not at all. */
function rawInWords(rrule: string, first: string): string {
  const bare = rrule
    .replace(/^RRULE:/i, '')
    .split(';')
    .filter((part) => !/^(UNTIL|COUNT|WKST)=/i.test(part))
    .join(';');
  const words = toText(
    new RRuleTemporal({
      rruleString: `DTSTART:${first.replaceAll('-', '')}T000000Z\nRRULE:${bare}`,
    }),
    'en',
  );
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const year = (date: string): number => civilFromDays(dayNumber(date, 'date')).year;
const dayAndMonth = (date: string): string => dateInWords(date).slice(4);

/** `19 Oct – 16 Dec 2026`, or with both years where they differ. */
function range(from: string, to: string): string {
  if (from === to) return `${dayAndMonth(from)} ${year(from)}`;
  const yearOfFirst = year(from) === year(to) ? '' : ` ${year(from)}`;
  return `${dayAndMonth(from)}${yearOfFirst} – ${dayAndMonth(to)} ${year(to)}`;
}

/** Whether nothing but the calendar ends a repeat. */
export const isEndless = (repeat: PlanRepeat): boolean =>
  'rrule' in repeat
    ? !/COUNT|UNTIL/i.test(repeat.rrule)
    : repeat.until === undefined && repeat.times === undefined && repeat.weeks === undefined;

/** From the first held date to the last; an endless plan has no last. */
function datesInWords(held: string[], endless: boolean): string {
  const [first] = held;
  if (first === undefined) return 'on no date';
  return endless ? `from ${dayAndMonth(first)} ${year(first)}` : range(first, held.at(-1)!);
}

function repeatInWords(repeat: PlanRepeat, first: string): string {
  if ('rrule' in repeat) return rawInWords(repeat.rrule, first);
  const { day } = civilFromDays(dayNumber(first, 'first'));
  return frequency(repeat, dateInWords(first).slice(0, 2).toUpperCase() as Weekday, day);
}

/** So many dates that are left out are named; of more only how many they are. */
const MOST_NAMED = 4;

/** Those dates of the pattern that are left out: "except 9 Nov and 13 Nov". */
function exceptInWords(plan: SessionPlan, school: SchoolCalendar | null, window: Window): string {
  const { except = [], ...whole } = plan;
  if (except.length === 0) return '';
  const given = new Set(expandPlan({ ...whole, changes: [] }, school, window).map((o) => o.key));
  const left = [...new Set(except)].filter((date) => given.has(date)).sort();
  if (left.length === 0) return '';
  if (left.length > MOST_NAMED) return `, except ${left.length} dates`;
  return `, except ${joined(left.map(dayAndMonth))}`;
}

/**
 * A plan as part of an English sentence: how often, when, from its first held date to its last, such as
 * `Every Mon and Wed, period 3, 19 Oct – 16 Dec 2026`; then what is left out of it. Throws GlenInputError like expandPlan.
 */
export function describePlan(plan: SessionPlan, school: SchoolCalendar | null): string {
  const { repeat, first, at } = plan;
  const window = { from: first, to: addDays(first, FAR_DAYS) };
  const rows = expandPlan({ ...plan, changes: [] }, school, window);
  const held = rows.filter(isHeld).map((o) => o.date);
  if (repeat === undefined)
    return `${dateInWords(held[0] ?? first, 'with-year')}, ${timeInWords(at)}`;
  const dates = datesInWords(held, isEndless(repeat));
  const left = exceptInWords(plan, school, window);
  return `${repeatInWords(repeat, first)}, ${timeInWords(at)}, ${dates}${left}`;
}
