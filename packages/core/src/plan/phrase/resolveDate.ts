import {
  WEEKDAYS,
  civilFromDays,
  daysFromCivil,
  dayNumber,
  mondayOf,
  weekdayIndex,
} from '../../time/dates.js';
import type { DateWords } from './items.js';
import type { Settling } from './settling.js';

/** A date as a day number, or why there is none. */
type Resolved = { day: number; why?: undefined } | { day?: undefined; why: string };

const MOST_DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** The day number of a date, where its month has that day. */
function realDay(year: number, month: number, day: number): number | undefined {
  if (month < 1 || month > 12 || day < 1) return undefined;
  const n = daysFromCivil(year, month, day);
  const back = civilFromDays(n);
  return back.month === month && back.day === day ? n : undefined;
}

/** The last day of the school year; without terms a year from now. */
const lastDayOf = ({ context: { school }, today }: Settling): number => {
  const last = school.terms.at(-1)?.last;
  return last === undefined ? today + 365 : dayNumber(last, 'terms.last');
};

/** A date without a year: the first on or after a day; one that has been is next year's within the school year. */
function comingDate(settling: Settling, month: number, day: number, after: number): Resolved {
  const { year } = civilFromDays(after);
  if (month < 1 || month > 12 || day < 1 || day > MOST_DAYS[month - 1]!)
    return { why: 'There is no such date.' };
  for (const y of [year, year + 1]) {
    const date = realDay(y, month, day);
    if (date === undefined || date < after) continue;
    if (y > year && date > lastDayOf(settling)) return { why: 'That date is past.' };
    return { day: date };
  }
  return { why: 'There is no such date.' };
}

/** The next day of that number: `the 27th`. */
function comingDayOfMonth(day: number, after: number): Resolved {
  const { year, month } = civilFromDays(after);
  for (let i = 0; i < 12; i++) {
    const [y, m] = [year + Math.floor((month - 1 + i) / 12), ((month - 1 + i) % 12) + 1];
    const date = realDay(y, m, day);
    if (date !== undefined && date >= after) return { day: date };
  }
  return { why: 'There is no such date.' };
}

function closureDay({ context: { school } }: Settling, name: string, after: number): Resolved {
  const coming = school.closures
    .filter((closure) => closure.name === name)
    .map((closure) => dayNumber(closure.first, 'closures.first'))
    .find((day) => day >= after);
  return coming === undefined ? { why: `${name} is past.` } : { day: coming };
}

function monthEnd(month: number, after: number): Resolved {
  const { year } = civilFromDays(after);
  const endIn = (y: number): number =>
    daysFromCivil(month === 12 ? y + 1 : y, (month % 12) + 1, 1) - 1;
  return { day: endIn(year) >= after ? endIn(year) : endIn(year + 1) };
}

/** Which day a date means: where it does not say its year, the first on or after a day. What is past is no date. */
export function resolveDate(settling: Settling, date: DateWords, after = settling.today): Resolved {
  const { today } = settling;
  if ('ahead' in date) return { day: today + date.ahead };
  if ('closure' in date) return closureDay(settling, date.closure, after);
  if ('monthEnd' in date) return monthEnd(date.monthEnd, after);
  if ('weekday' in date) {
    const index = WEEKDAYS.indexOf(date.weekday);
    if (date.which === 'week-on')
      return { day: today + 8 + ((index - weekdayIndex(today + 1) + 7) % 7) };
    if (date.which === 'coming') return { day: after + ((index - weekdayIndex(after) + 7) % 7) };
    const day = mondayOf(today) + (date.which === 'next' ? 7 : 0) + index;
    return day < today ? { why: 'That day is past.' } : { day };
  }
  if (date.month === undefined) return comingDayOfMonth(date.day, after);
  if (date.year === undefined) return comingDate(settling, date.month, date.day, after);
  const day = realDay(date.year, date.month, date.day);
  if (day === undefined) return { why: 'There is no such date.' };
  return day < today ? { why: 'That date is past.' } : { day };
}
