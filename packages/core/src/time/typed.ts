import {
  MONTH_NAMES,
  TWO_DIGITS,
  WEEKDAY_NAMES,
  addDays,
  civilFromDays,
  dayNumber,
  minuteOfDay,
  weekdayOf,
} from './dates.js';

// Dates and times as people write them into a field, and as a field shows them. The rules are those of common practice;
// no source.

/** In which order somebody writes day, month and year. */
export type DateOrder = 'dmy' | 'mdy' | 'ymd';
/** A clock of 24 hours, or of twice 12. */
export type ClockHours = '24' | '12';

const NOON = 12;
/** Where neither am nor pm is said, hours before this one are meant for the afternoon: nobody teaches at three at night. */
const FIRST_HOUR = 7;

/** Hours of the 24-hour clock; nothing where there is no such hour. */
function hourOf(typed: string, half: string | undefined): number | undefined {
  const hour = Number(typed);
  if (half === undefined) {
    const isPlain = hour >= NOON || typed.startsWith('0') || hour >= FIRST_HOUR;
    return isPlain ? hour : hour + NOON;
  }
  if (hour > NOON) return undefined;
  return (hour % NOON) + (half.startsWith('p') ? NOON : 0);
}

const HALF = String.raw`(?:\s*(a|p)\.?(?:m\.?)?)?`;
const CLOCK = new RegExp(String.raw`^(\d{1,2})(?:\s*[:.h]\s*(\d{2})?|(\d{2}))?${HALF}$`);

/**
 * A wall-clock time as it is typed: `9`, `0915`, `9.15`, `14h`, `2:15pm`, `noon`. Hours from 13, and those written with a
 * 0 before them, are of 24; else am or pm as it is said; else the reading between 07:00 and 18:59.
 *
 * @returns `HH:MM`, or nothing where it is no time.
 */
export function readTypedTime(typed: string): string | undefined {
  const text = typed.trim().toLowerCase();
  if (text === 'noon') return '12:00';
  if (text === 'midnight') return '00:00';
  const [, hours, afterMark, run, half] = CLOCK.exec(text) ?? [];
  if (hours === undefined) return undefined;
  const hour = hourOf(hours, half);
  const minute = Number(afterMark ?? run ?? 0);
  if (hour === undefined || hour > 23 || minute > 59) return undefined;
  return `${TWO_DIGITS[hour]!}:${TWO_DIGITS[minute]!}`;
}

/** `14:05`, or `2:05 pm`: a wall-clock time (`HH:MM`) as a field shows it. */
export function timeShown(time: string, hours: ClockHours): string {
  if (hours === '24') return time;
  const minutes = minuteOfDay(time, 'time');
  const hour = Math.floor(minutes / 60);
  const ofTwelve = hour % NOON === 0 ? NOON : hour % NOON;
  return `${ofTwelve}:${TWO_DIGITS[minutes % 60]!} ${hour < NOON ? 'am' : 'pm'}`;
}

/** `Wed 14 Oct 2026`, `Wed Oct 14, 2026` or `Wed 2026-10-14`: a date (`YYYY-MM-DD`) as a field shows it. */
export function dateShown(date: string, order: DateOrder): string {
  const days = dayNumber(date, 'date');
  const weekday = WEEKDAY_NAMES[weekdayOf(days)].slice(0, 3);
  if (order === 'ymd') return `${weekday} ${date}`;
  const { year, month, day } = civilFromDays(days);
  const name = MONTH_NAMES[month - 1]!.slice(0, 3);
  return order === 'dmy'
    ? `${weekday} ${day} ${name} ${year}`
    : `${weekday} ${name} ${day}, ${year}`;
}

interface Parts {
  year: number | undefined;
  month: number;
  day: number;
}

const yearOf = (typed: string | undefined): number | undefined => {
  if (typed === undefined) return undefined;
  return typed.length === 2 ? 2000 + Number(typed) : Number(typed);
};

/** Day and month of two numbers: in the order given, unless one of them can be no month. */
function dayAndMonth(a: number, b: number, isDayFirst: boolean): { day: number; month: number } {
  const dayFirst = a > 12 || (isDayFirst && b <= 12);
  return dayFirst ? { day: a, month: b } : { day: b, month: a };
}

const ISO = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/;
const NUMBERS = /^(\d{1,2})([-/.])(\d{1,2})(?:[-/.](\d{4}|\d{2})?)?$/;

function readNumbers(text: string, order: DateOrder): Parts | undefined {
  const iso = ISO.exec(text);
  if (iso) return { year: Number(iso[1]), month: Number(iso[2]), day: Number(iso[3]) };
  const [, a, mark, b, year] = NUMBERS.exec(text) ?? [];
  if (a === undefined) return undefined;
  // With dots the day comes first, wherever one writes so.
  const isDayFirst = order === 'dmy' || mark === '.';
  return { year: yearOf(year), ...dayAndMonth(Number(a), Number(b), isDayFirst) };
}

const NAMED_DAY_FIRST = /^(\d{1,2})(?:st|nd|rd|th|\.)?\s*([a-z]{3,9})\.?,?\s*(\d{4}|\d{2})?$/;
const NAMED_MONTH_FIRST = /^([a-z]{3,9})\.?\s*(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}|\d{2}))?$/;

function readNamed(text: string): Parts | undefined {
  const dayFirst = NAMED_DAY_FIRST.exec(text);
  const monthFirst = NAMED_MONTH_FIRST.exec(text);
  const day = dayFirst?.[1] ?? monthFirst?.[2];
  const name = dayFirst?.[2] ?? monthFirst?.[1];
  if (name === undefined) return undefined;
  const month = MONTH_NAMES.findIndex((full) => full.toLowerCase().startsWith(name)) + 1;
  return { year: yearOf(dayFirst?.[3] ?? monthFirst?.[3]), month, day: Number(day) };
}

const isoOf = ({ year, month, day }: Parts & { year: number }): string | undefined => {
  const date = `${String(year).padStart(4, '0')}-${TWO_DIGITS[month]!}-${TWO_DIGITS[day]!}`;
  return isDate(date) ? date : undefined;
};

function isDate(date: string): boolean {
  try {
    dayNumber(date, 'date');
    return true;
  } catch {
    return false;
  }
}

/** Of the same day in three years the one that lies nearest. */
function nearest(parts: Parts, near: string): string | undefined {
  const around = Number(near.slice(0, 4));
  const away = (date: string): number =>
    Math.abs(dayNumber(date, 'date') - dayNumber(near, 'near'));
  return [around - 1, around, around + 1]
    .map((year) => isoOf({ ...parts, year }))
    .filter((date) => date !== undefined)
    .sort((a, b) => away(a) - away(b))[0];
}

const WEEKDAY = new RegExp(
  String.raw`^(?:${Object.values(WEEKDAY_NAMES)
    .map((name) => `${name.slice(0, 3)}(?:${name.slice(3)})?`)
    .join('|')})[a-z]?\.?,?\s+`,
  'i',
);

/**
 * A date as it is typed: `14 Oct`, `Oct 14, 2026`, `14.10.`, `14/10/26`, `2026-10-14`. Of two numbers the day stands first
 * or second by the order, with dots always first; a number over 12 settles it. A weekday before it is left aside, so that
 * the number alone can be changed. Without a year the date nearest to `near` (`YYYY-MM-DD`) is meant.
 *
 * @returns `YYYY-MM-DD`, or nothing where it is no date.
 */
export function readTypedDate(
  typed: string,
  { order, near }: { order: DateOrder; near: string },
): string | undefined {
  const text = typed.trim().toLowerCase().replace(WEEKDAY, '');
  if (text === 'today') return near;
  if (text === 'tomorrow') return addDays(near, 1);
  const parts = readNumbers(text, order) ?? readNamed(text);
  if (!parts) return undefined;
  const { year } = parts;
  return year === undefined ? nearest(parts, near) : isoOf({ ...parts, year });
}
