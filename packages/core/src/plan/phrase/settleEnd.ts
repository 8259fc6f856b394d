import {
  WEEKDAYS,
  WEEKDAY_NAMES,
  civilFromDays,
  dateOf,
  daysFromCivil,
  mondayOf,
  weekdayIndex,
  weekdayOf,
} from '../../time/dates.js';
import type { FieldRepeat } from '../repeat.js';
import type { DateStretch, Item } from './items.js';
import { resolveDate } from './resolveDate.js';
import type { Settling } from './settling.js';

/** Where a series ends, and the words that say so. */
export interface SaidEnd {
  end: Pick<FieldRepeat, 'until' | 'weeks' | 'times'>;
  item: Item;
}

const ENDS: Item['role'][] = ['until', 'before'];

/** Everything that says an end: amounts, named ends, dates. */
function sayings(settling: Settling): Item[] {
  return settling.items.filter(
    (item) =>
      item.kind === 'end' ||
      (item.role !== undefined && ENDS.includes(item.role) && item.kind !== 'marker'),
  );
}

/** Whether an end is said at all: it makes a series of a single weekday. */
export const saysEnd = (settling: Settling): boolean => sayings(settling).length > 0;

/** A weekday said beside a date must be that date's. */
export function isContradicted({ weekday }: DateStretch, day: number): boolean {
  return weekday !== undefined && weekdayOf(day) !== weekday;
}

/** The day that words behind `until` mean, on or after the first; or why there is none. */
function endDay(settling: Settling, item: Item, first: number): { day: number } | { why: string } {
  if (item.kind === 'week')
    return { day: mondayOf(settling.today) + 7 * item.ahead + (item.role === 'before' ? 0 : 6) };
  if (item.kind === 'days') {
    const ahead = (WEEKDAYS.indexOf(item.days[0]!) - weekdayIndex(first) + 7) % 7;
    return item.days.length > 1 ? { why: 'Until which day?' } : { day: first + ahead };
  }
  if (item.kind !== 'dates' || item.stretches.length > 1 || item.stretches[0]!.last)
    return { why: 'Until which day?' };
  const [stretch] = item.stretches;
  const read = resolveDate(settling, stretch!.first, settling.today);
  if (read.day === undefined) return { why: read.why };
  if (isContradicted(stretch!, read.day)) return { why: wrongWeekday(read.day) };
  return { day: read.day };
}

const wrongWeekday = (day: number): string => `It is a ${WEEKDAY_NAMES[weekdayOf(day)]}.`;

/** `for 2 months` from its first day on. */
function afterMonths(first: number, months: number): number {
  const { year, month, day } = civilFromDays(first);
  const index = month - 1 + months;
  return daysFromCivil(year + Math.floor(index / 12), (index % 12) + 1, day) - 1;
}

function endOf(settling: Settling, item: Item, first: number): SaidEnd | undefined {
  if (item.kind === 'end') {
    if (!('months' in item.end)) return { end: item.end, item };
    return { end: { until: dateOf(afterMonths(first, item.end.months)) }, item };
  }
  if (item.kind === 'named-end') {
    const isVague = item.role === 'before' && item.until !== 'exams';
    if (!isVague) return { end: { until: item.until }, item };
    settling.isUnclear(item, 'Before which day?');
    return undefined;
  }
  const read = endDay(settling, item, first);
  if ('why' in read) {
    settling.isUnclear(item, read.why);
    return undefined;
  }
  const last = item.role === 'before' ? read.day - 1 : read.day;
  if (last < first) {
    settling.isUnclear(item, 'It would end before it begins.');
    return undefined;
  }
  return { end: { until: dateOf(last) }, item };
}

/** The end that is said; of two neither counts. */
export function settleEnd(settling: Settling, first: number): SaidEnd | undefined {
  const said = sayings(settling);
  if (said.length > 1) {
    for (const item of said) settling.isUnclear(item, 'One end is enough.');
    return undefined;
  }
  return said[0] && endOf(settling, said[0], first);
}
