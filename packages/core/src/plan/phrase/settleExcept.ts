import {
  WEEKDAYS,
  dateInWords,
  dateOf,
  dayNumber,
  mondayOf,
  type Weekday,
} from '../../time/dates.js';
import type { FieldRepeat } from '../repeat.js';
import { isContradicted } from './settleEnd.js';
import type { DateStretch, DateWords, Item } from './items.js';
import { resolveDate } from './resolveDate.js';
import type { Settling } from './settling.js';

/** Weekdays that a series leaves out: `every day except Fridays`. */
export function withoutWeekdays(settling: Settling, repeat: FieldRepeat): FieldRepeat {
  const items = settling.all('days', 'except');
  const out = items.flatMap((item) => item.days);
  if (out.length === 0) return repeat;
  const school = WEEKDAYS.filter((day) => settling.context.school.bellOn[day] !== undefined);
  const all: Record<FieldRepeat['every'], Weekday[]> = {
    'school-day': school,
    day: [...WEEKDAYS],
    week: repeat.on ?? [],
    month: [],
  };
  const on = all[repeat.every].filter((day) => !out.includes(day));
  const isKnown = out.every((day) => all[repeat.every].includes(day));
  if (on.length === 0 || !isKnown) {
    for (const item of items) settling.isUnclear(item, 'The series does not meet then.');
    return repeat;
  }
  if (repeat.every === 'school-day') return { ...repeat, every: 'week', on };
  return { ...repeat, on };
}

/** The dates of a series, as day numbers, that some words mean. */
function meant(
  settling: Settling,
  dates: number[],
  { first, last, weekday }: DateStretch,
): number[] | string {
  const from = resolveMet(settling, dates, first);
  if (typeof from === 'string') return from;
  if (last === undefined) {
    if (isContradicted({ first, ...(weekday ? { weekday } : {}) }, from))
      return 'It is another weekday.';
    return dates.includes(from) ? [from] : 'The series does not meet then.';
  }
  const to = resolveDate(settling, last, from);
  if (to.day === undefined) return to.why;
  const inside = dates.filter((day) => day >= from && day <= to.day!);
  return inside.length > 0 ? inside : 'The series does not meet then.';
}

/** A day of the month alone is the one that the series meets. */
function resolveMet(settling: Settling, dates: number[], date: DateWords): number | string {
  const isDayAlone = 'day' in date && date.month === undefined;
  if (isDayAlone)
    return (
      dates.find((day) => Number(dateOf(day).slice(8)) === date.day) ??
      'The series does not meet then.'
    );
  const after = dates[0] ?? settling.today;
  const read = resolveDate(settling, date, Math.max(after, settling.today));
  return read.day ?? read.why;
}

/** Tells of a day alone that the series meets in more than one month. */
function tellMonth(
  settling: Settling,
  item: Item,
  dates: number[],
  { first: date }: DateStretch,
): void {
  if (!('day' in date) || date.month !== undefined) return;
  const [met, other] = dates.filter((d) => Number(dateOf(d).slice(8)) === date.day);
  const instead = other === undefined ? undefined : dateInWords(dateOf(other)).slice(4);
  settling.assume(item, dateInWords(dateOf(met!)), instead);
}

/** Dates of a series that are left out. */
export function settleExcept(settling: Settling, dates: number[]): string[] {
  const out = settling.all('dates', 'except').flatMap((item) =>
    item.stretches.flatMap((stretch) => {
      const days = meant(settling, dates, stretch);
      if (typeof days === 'string') {
        settling.isUnclear(item, days);
        return [];
      }
      tellMonth(settling, item, dates, stretch);
      return days;
    }),
  );
  const weeks = settling.all('week', 'except').flatMap(({ ahead }) => {
    const monday = mondayOf(settling.today) + 7 * ahead;
    return dates.filter((day) => mondayOf(day) === monday);
  });
  return [...new Set([...out, ...weeks])].sort((a, b) => a - b).map(dateOf);
}

/** Days that are held beside the series. */
export function settleAlso(settling: Settling): string[] {
  return settling.all('dates', 'also').flatMap((item) =>
    item.stretches.flatMap((stretch) => {
      const read = resolveDate(settling, stretch.first);
      if (read.day !== undefined && !isContradicted(stretch, read.day)) return [dateOf(read.day)];
      settling.isUnclear(item, read.why ?? 'It is another weekday.');
      return [];
    }),
  );
}

export const daysOf = (keys: string[]): number[] => keys.map((key) => dayNumber(key, 'key'));
