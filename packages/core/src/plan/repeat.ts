import { dayInfoAt } from '../calendar/dayInfo.js';
import type { SchoolIndex } from '../calendar/school.js';
import { checkOneOf, checkWhole, fail } from '../input.js';
import { WEEKDAYS, dayNumber, type Weekday } from '../time/dates.js';
import type { PlanRepeat } from './plan.js';

/** A repeat by our own fields. */
export type FieldRepeat = Exclude<PlanRepeat, { rrule: string }>;

const FIELDS = [
  'every',
  'interval',
  'on',
  'monthDay',
  'nth',
  'cycleDays',
  'until',
  'times',
  'weeks',
];
/** What each `every` knows beside its ends and cycle days. */
const KNOWS: Record<FieldRepeat['every'], string[]> = {
  day: ['interval', 'on'],
  'school-day': ['interval'],
  week: ['interval', 'on'],
  month: ['interval', 'monthDay', 'nth'],
};
const MOST = { times: 1000, weeks: 60, interval: 52 };

const NAMED_ENDS = ['term-end', 'exams', 'year-end'] as const;
type NamedEnd = (typeof NAMED_ENDS)[number];
const isNamed = (until: string): until is NamedEnd =>
  (NAMED_ENDS as readonly string[]).includes(until);

/** The last day of a named end, as the calendar stands now. */
function namedEnd(until: NamedEnd, first: number, school: SchoolIndex | null): number {
  if (!school) fail('repeat.until', 'The end of a term needs a school calendar.');
  if (until === 'year-end')
    return school.terms.at(-1)?.last ?? fail('repeat.until', 'The calendar has no terms.');
  if (until === 'term-end')
    return (
      school.terms.find((t) => t.last >= first)?.last ??
      fail('repeat.until', 'No term ends after that date.')
    );
  const exams = school.closures.filter((c) => c.kind === 'exams' && c.first > first);
  if (exams.length === 0) fail('repeat.until', 'No examinations begin after that date.');
  // A calendar may list its closures in any order.
  return Math.min(...exams.map((c) => c.first)) - 1;
}

/** The last day that the pattern may use; undefined where nothing but a count, or nothing at all, ends it. */
export function lastDay(
  repeat: FieldRepeat,
  first: number,
  school: SchoolIndex | null,
): number | undefined {
  if (repeat.weeks !== undefined) return first + 7 * repeat.weeks - 1;
  if (repeat.until === undefined) return undefined;
  const last = isNamed(repeat.until)
    ? namedEnd(repeat.until, first, school)
    : dayNumber(repeat.until, 'repeat.until');
  if (last < first) fail('repeat.until', 'It would end before it begins.');
  return last;
}

function checkList(list: unknown[] | undefined, path: string, what: string): void {
  if (list !== undefined && (!Array.isArray(list) || list.length === 0))
    fail(path, `Choose at least one ${what}.`);
}

/** Fields that only some ways to repeat know. */
const NOT_ALWAYS = ['interval', 'on', 'monthDay', 'nth'];

function checkFields(repeat: FieldRepeat, every: FieldRepeat['every']): void {
  for (const [field, value] of Object.entries(repeat)) {
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a field may be there and undefined
    if (value === undefined) continue;
    if (!FIELDS.includes(field)) fail(`repeat.${field}`, `A repeat has no ${field}.`);
    if (NOT_ALWAYS.includes(field) && !KNOWS[every].includes(field))
      fail(`repeat.${field}`, `Every ${every} knows no ${field}.`);
  }
}

function checkDays({ on, monthDay, nth }: FieldRepeat): void {
  checkList(on, 'repeat.on', 'weekday');
  on?.forEach((day) => checkOneOf(day, WEEKDAYS, 'repeat.on'));
  if (monthDay !== undefined && nth !== undefined)
    fail('repeat.nth', 'Give a day of the month or a weekday of it, not both.');
  if (monthDay !== undefined) checkWhole(monthDay, 1, 31, 'repeat.monthDay');
  if (nth === undefined) return;
  if (![1, 2, 3, 4, 5, -1].includes(nth.n))
    fail('repeat.nth', 'First to fifth, or -1 for the last.');
  checkOneOf(nth.weekday, WEEKDAYS, 'repeat.nth');
}

function checkCycleDays({ cycleDays }: FieldRepeat, school: SchoolIndex | null): void {
  checkList(cycleDays, 'repeat.cycleDays', 'cycle day');
  for (const label of cycleDays ?? []) {
    if (!school?.cycle)
      fail('repeat.cycleDays', 'Cycle days need a school calendar that has a cycle.');
    if (!school.cycle.labels.includes(label))
      fail('repeat.cycleDays', `The cycle has no ${label} day.`);
  }
}

function checkEnds(repeat: FieldRepeat): void {
  const { times, weeks } = repeat;
  const ends = (['until', 'times', 'weeks'] as const).filter((end) => repeat[end] !== undefined);
  if (ends.length > 1)
    fail(`repeat.${ends[1]}`, 'Give one end: a date, a number of times, or a number of weeks.');
  if (times !== undefined) checkWhole(times, 1, MOST.times, 'repeat.times');
  if (weeks !== undefined) checkWhole(weeks, 1, MOST.weeks, 'repeat.weeks');
}

/** Throws GlenInputError at the first field of the repeat that is wrong. */
export function checkRepeat(repeat: FieldRepeat, first: number, school: SchoolIndex | null): void {
  const known = Object.keys(KNOWS) as FieldRepeat['every'][];
  const every = checkOneOf(repeat.every, known, 'repeat.every');
  checkFields(repeat, every);
  if (every === 'school-day' && !school)
    fail('repeat.every', 'School days need a school calendar.');
  const most = every === 'school-day' ? 1 : MOST.interval;
  if (repeat.interval !== undefined) checkWhole(repeat.interval, 1, most, 'repeat.interval');
  checkDays(repeat);
  checkCycleDays(repeat, school);
  checkEnds(repeat);
  lastDay(repeat, first, school);
}

/** Whether a day bears one of the wished labels; all do where none are wished. */
export const bearsCycleDay = (
  repeat: FieldRepeat,
  school: SchoolIndex | null,
  day: number,
): boolean =>
  repeat.cycleDays === undefined ||
  repeat.cycleDays.includes(dayInfoAt(school!, day).cycleDay ?? '');

export const weekdayIndexOf = (weekday: Weekday): number => WEEKDAYS.indexOf(weekday);
