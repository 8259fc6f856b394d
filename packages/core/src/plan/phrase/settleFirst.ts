import { dayInfo } from '../../calendar/dayInfo.js';
import {
  WEEKDAY_NAMES,
  addDays,
  dateInWords,
  dateOf,
  dayNumber,
  mondayOf,
  weekdayOf,
  type Weekday,
} from '../../time/dates.js';
import { expandPlan } from '../expandPlan.js';
import type { FieldRepeat } from '../repeat.js';
import { saysEnd, isContradicted } from './settleEnd.js';
import type { DateStretch, DateWords, Item } from './items.js';
import { resolveDate } from './resolveDate.js';
import type { Pattern } from './settlePattern.js';
import { startOn, type SaidTime } from './settleTime.js';
import type { ItemOf, Settling } from './settling.js';

/** The first day and what follows from how it was said. */
export interface Days {
  first: number;
  repeat?: FieldRepeat;
  /** More single dates. */
  alsoOn: number[];
  /** The last day, where a stretch of dates or a week says it. */
  last?: number;
}

interface SaidDate {
  day: number;
  stretch: DateStretch;
  item: Item;
}

const isAhead = (settling: Settling, said: SaidTime, day: number): boolean =>
  day > settling.today ||
  (day === settling.today && (startOn(settling, said, day) ?? 1440) > settling.now);

const inWords = (day: number): string => dateInWords(dateOf(day));

/** Tells of a numeric date whose parts could be the other way round. */
function tellOrder(
  settling: Settling,
  item: Item,
  { first: date }: DateStretch,
  day: number,
): void {
  if (!('isEither' in date) || !date.isEither) return;
  const other: DateWords = {
    month: date.day,
    day: date.month,
    ...(date.year ? { year: date.year } : {}),
  };
  const read = resolveDate(settling, other);
  const instead = read.day === undefined ? undefined : inWords(read.day).slice(4);
  settling.assume(item, inWords(day), instead);
}

/** The days of the dates that play a part, each checked; what is no date, or past, is unclear. */
function datesOf(settling: Settling, items: ItemOf<'dates'>[]): SaidDate[] {
  return items.flatMap((item) =>
    item.stretches.flatMap((stretch): SaidDate[] => {
      const read = resolveDate(settling, stretch.first);
      if (read.day === undefined) {
        settling.isUnclear(item, read.why);
        return [];
      }
      if (isContradicted(stretch, read.day)) {
        settling.isUnclear(item, `It is a ${dateInWords(dateOf(read.day), 'long').split(',')[0]}.`);
        return [];
      }
      tellOrder(settling, item, stretch, read.day);
      return [{ day: read.day, stretch, item }];
    }),
  );
}

/** The next school day, or today where there is still time. */
function nextSchoolDay(settling: Settling, said: SaidTime): number {
  const { school } = settling.context;
  for (let i = 0; i < 120; i++) {
    const day = settling.today + i;
    if (dayInfo(school, dateOf(day)).teaching && isAhead(settling, said, day)) return day;
  }
  return settling.today + 1;
}

/** The first day on or after another that a repeat holds, whatever its interval: it counts from there. */
function firstOfRepeat(settling: Settling, repeat: FieldRepeat, from: number): number {
  const { school } = settling.context;
  const start = dateOf(from);
  const { interval: _interval, until: _until, weeks: _weeks, times: _times, ...pattern } = repeat;
  const isSchoolDay = repeat.every === 'school-day' || repeat.cycleDays !== undefined;
  const rows = expandPlan(
    {
      first: start,
      at: { time: '12:00', minutes: 1 },
      zone: school.zone,
      closures: isSchoolDay ? 'skip' : 'keep',
      repeat: pattern,
    },
    school,
    { from: start, to: addDays(start, 400) },
  );
  const first = rows.find((row) => row.status === 'planned') ?? rows[0];
  return first ? dayNumber(first.key, 'key') : from;
}

/** The stretch that one item of dates says, or its one date: a series begins there. */
function startOfSeries(settling: Settling): { from: number; last?: number } {
  const said = [...settling.all('dates'), ...settling.all('dates', 'from')];
  const [one, ...others] = datesOf(settling, said);
  for (const other of others) settling.isUnclear(other.item, 'A series begins on one day.');
  const week = [...settling.all('week'), ...settling.all('week', 'from')][0];
  const monday = week && mondayOf(settling.today) + 7 * week.ahead;
  if (week && week.role === undefined)
    return { from: Math.max(monday!, settling.today), last: monday! + 6 };
  if (week) return { from: Math.max(monday!, settling.today) };
  const [weekday] = settling.all('days', 'from');
  if (weekday && !one) return { from: coming(settling, weekday.days[0]!) };
  if (!one) return { from: settling.today };
  if (!one.stretch.last) {
    if (one.item.role === undefined) settling.assume(one.item, `from ${inWords(one.day)} on`);
    return { from: one.day };
  }
  const last = resolveDate(settling, one.stretch.last);
  if (last.day === undefined || last.day < one.day) {
    settling.isUnclear(one.item, last.why ?? 'It would end before it begins.');
    return { from: one.day };
  }
  return { from: one.day, last: last.day };
}

const coming = (settling: Settling, weekday: Weekday): number =>
  resolveDate(settling, { weekday, which: 'coming' }).day!;

function series(settling: Settling, repeat: FieldRepeat, said: SaidTime): Days {
  const { from, last } = startOfSeries(settling);
  const begins = isAhead(settling, said, from) ? from : from + 1;
  const first = firstOfRepeat(settling, repeat, begins);
  const interval = repeat.interval ?? 1;
  const [item] = [...settling.all('days'), ...settling.all('repeat')];
  if (repeat.every === 'week' && interval > 1 && item && from === settling.today) {
    const other = inWords(firstOfRepeat(settling, repeat, first + 1)).slice(4);
    const words = settling.text.slice(item.from, item.to);
    settling.assume(item, `from ${inWords(first)} on`, `${words} from ${other}`);
  }
  if (repeat.every === 'week' && repeat.on === undefined && item)
    settling.assume(item, `on ${WEEKDAY_NAMES[weekdayOf(first)]}s`);
  return { first, repeat, alsoOn: [], ...(last === undefined ? {} : { last }) };
}

/** A day that is said to be today, or any day, must still be ahead. */
function mustBeAhead(settling: Settling, said: SaidTime, date: SaidDate): boolean {
  if (isAhead(settling, said, date.day)) return true;
  settling.isUnclear(date.item, 'That time is past.');
  return false;
}

/** One date by its weekday: the next one whose time is ahead, or that of a week that was named. */
function byWeekday(
  settling: Settling,
  { day: weekday, item }: NonNullable<Pattern['weekday']>,
  said: SaidTime,
): number {
  const [week] = settling.all('week');
  if (week) {
    const which = week.ahead > 0 ? 'next' : 'this';
    const read = resolveDate(settling, { weekday, which });
    if (read.day === undefined) settling.isUnclear(item, read.why);
    else return read.day;
  }
  const day = coming(settling, weekday);
  if (day !== settling.today) return day;
  const isToday = isAhead(settling, said, day);
  const words = settling.text.slice(item.from, item.to);
  if (isToday) settling.assume(item, `today, ${inWords(day)}`, `next ${words}`);
  else settling.assume(item, inWords(day + 7));
  return isToday ? day : day + 7;
}

/** A weekday apart from its date must be that date's. */
function agreesWith(
  settling: Settling,
  weekday: Pattern['weekday'],
  { day, item, stretch }: SaidDate,
): boolean {
  if (!weekday || !isContradicted({ ...stretch, weekday: weekday.day }, day)) return true;
  settling.isUnclear(weekday.item, 'The date is another weekday.');
  settling.isUnclear(item, 'The weekday is another one.');
  return false;
}

function isStretch(settling: Settling, dates: SaidDate[]): boolean {
  const stretch = dates.find((date) => date.stretch.last);
  if (stretch) settling.isUnclear(stretch.item, 'How often in that time?');
  return stretch !== undefined;
}

function single(settling: Settling, pattern: Pattern, said: SaidTime): Days {
  const items = settling.all('dates');
  const dates = datesOf(settling, items);
  const [first, ...others] = dates;
  if (first && !isStretch(settling, dates)) {
    const isFine =
      agreesWith(settling, pattern.weekday, first) && mustBeAhead(settling, said, first);
    const day = isFine ? first.day : nextSchoolDay(settling, said);
    return { first: day, alsoOn: others.map((other) => other.day) };
  }
  if (pattern.weekday && items.length === 0)
    return { first: byWeekday(settling, pattern.weekday, said), alsoOn: [] };
  return { first: withoutDay(settling, said, items.length > 0), alsoOn: [] };
}

/** Where no day is said: today where there is still time, else the next school day. */
function withoutDay(settling: Settling, said: SaidTime, isTold: boolean): number {
  const [part] = settling.all('day-part');
  const [week] = settling.all('week');
  if (part?.isToday) {
    if (!isAhead(settling, said, settling.today)) settling.isUnclear(part, 'That time is past.');
    return settling.today;
  }
  if (week) settling.isUnclear(week, 'On which day?');
  const day = nextSchoolDay(settling, said);
  const isAnything = settling.items.some(
    (item) => !['filler', 'unknown', 'wrong'].includes(item.kind),
  );
  if (!isTold && !week && isAnything) {
    const next = inWords(nextSchoolDayAfter(settling, said, day)).slice(4);
    settling.assumeMissing(inWords(day), `on ${next}`);
  }
  return day;
}

function nextSchoolDayAfter(settling: Settling, said: SaidTime, day: number): number {
  const { school } = settling.context;
  for (let next = day + 1; next < day + 120; next++)
    if (dayInfo(school, dateOf(next)).teaching && isAhead(settling, said, next)) return next;
  return day + 1;
}

const weekly = (day: Weekday): FieldRepeat => ({ every: 'week', on: [day] });

/** What else makes a series of one weekday: an end, a beginning, dates that are left out. */
const makesSeries = (settling: Settling): boolean =>
  saysEnd(settling) ||
  settling.items.some((item) => item.role === 'from' || item.role === 'except');

/** A date with a number of weeks or times is held weekly from there; one with a last date might be daily too. */
function fromDate(settling: Settling): FieldRepeat | undefined {
  const dates = settling.all('dates');
  const starts = [...dates, ...settling.all('dates', 'from')];
  if (!saysEnd(settling) && settling.all('dates', 'from').length === 0) return undefined;
  const counted = settling.all('end').length > 0;
  if (starts.length === 0 && !counted) {
    for (const item of settling.items.filter((i) => i.role === 'until' || i.role === 'before'))
      if (item.kind !== 'marker') settling.isUnclear(item, 'How often until then?');
    return undefined;
  }
  if (counted) {
    const [start] = starts;
    if (start) settling.assume(start, 'every week from then on');
    else settling.assumeMissing('every week');
    return { every: 'week' };
  }
  for (const item of starts) settling.isUnclear(item, 'How often from then on?');
  return undefined;
}

/** Which days: a series from its first date on, or single dates. */
export function settleDays(settling: Settling, pattern: Pattern, said: SaidTime): Days {
  const { repeat, weekday } = pattern;
  if (repeat) return series(settling, repeat, said);
  if (weekday && makesSeries(settling) && settling.all('dates').length === 0)
    return series(settling, weekly(weekday.day), said);
  const counted = weekday ? undefined : fromDate(settling);
  if (!counted) return single(settling, pattern, said);
  const begins = startOfSeries(settling).from;
  const isAny = settling.all('dates').length + settling.all('dates', 'from').length === 0;
  const first = isAny ? nextSchoolDay(settling, said) : begins;
  return { first, repeat: counted, alsoOn: [] };
}
