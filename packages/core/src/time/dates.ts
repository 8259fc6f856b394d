import { fail } from '../input.js';

/** Weekdays as RFC 5545 abbreviates them; weeks begin on Monday (ISO 8601). */
export const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export const WEEKDAY_NAMES: Record<Weekday, string> = {
  MO: 'Monday',
  TU: 'Tuesday',
  WE: 'Wednesday',
  TH: 'Thursday',
  FR: 'Friday',
  SA: 'Saturday',
  SU: 'Sunday',
};

export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/**
 * Days since 1970-01-01 of a proleptic Gregorian date.
 * Source: H. Hinnant, "chrono-Compatible Low-Level Date Algorithms" (published), `days_from_civil`.
 */
export function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra =
    yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146097 + dayOfEra - 719468;
}

/** The inverse of daysFromCivil (`civil_from_days` of the same source). */
export function civilFromDays(days: number): { year: number; month: number; day: number } {
  const z = days + 719468;
  const era = Math.floor(z / 146097);
  const dayOfEra = z - era * 146097;
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36524) -
      Math.floor(dayOfEra / 146096)) /
      365,
  );
  const dayOfYear =
    dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const mp = Math.floor((5 * dayOfYear + 2) / 153);
  const month = mp < 10 ? mp + 3 : mp - 9;
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: dayOfYear - Math.floor((153 * mp + 2) / 5) + 1,
  };
}

/** Day number (days since 1970-01-01) of `YYYY-MM-DD`; throws at `path` on anything that is no real date. */
export function dayNumber(date: unknown, path: string): number {
  const parts = typeof date === 'string' ? /^(\d{4})-(\d{2})-(\d{2})$/.exec(date) : null;
  if (!parts) fail(path, 'Give a date as YYYY-MM-DD.');
  const [year, month, day] = [Number(parts[1]), Number(parts[2]), Number(parts[3])];
  const days = daysFromCivil(year, month, day);
  const back = civilFromDays(days);
  if (month < 1 || month > 12 || back.month !== month || back.day !== day)
    fail(path, `There is no such date as ${date as string}.`);
  return days;
}

/** `00` to `99`, and `00:00` to `23:59`: written once, as dates and times are written all day. */
export const TWO_DIGITS: readonly string[] = Array.from({ length: 100 }, (_, n) =>
  String(n).padStart(2, '0'),
);
const TIMES: readonly string[] = Array.from(
  { length: 1440 },
  (_, n) => `${TWO_DIGITS[Math.floor(n / 60)]!}:${TWO_DIGITS[n % 60]!}`,
);
/** What follows the date in an instant of a whole minute: `T00:00:00Z` to `T23:59:00Z`. */
export const TAILS: readonly string[] = TIMES.map((time) => `T${time}:00Z`);

/** `YYYY-MM-DD` of a day number. */
export function dateOf(days: number): string {
  const { year, month, day } = civilFromDays(days);
  return `${year > 999 ? year : String(year).padStart(4, '0')}-${TWO_DIGITS[month]!}-${TWO_DIGITS[day]!}`;
}

/** 0 (Monday) to 6 (Sunday) of a day number; 1970-01-01 was a Thursday. */
export const weekdayIndex = (days: number): number => (((days + 3) % 7) + 7) % 7;
export const weekdayOf = (days: number): Weekday => WEEKDAYS[weekdayIndex(days)]!;
/** The Monday of the ISO week that holds the day. */
export const mondayOf = (days: number): number => days - weekdayIndex(days);

/** Minutes after midnight of `HH:MM`; throws at `path` on anything else. */
export function minuteOfDay(time: unknown, path: string): number {
  const parts = typeof time === 'string' ? /^([01]\d|2[0-3]):([0-5]\d)$/.exec(time) : null;
  if (!parts) fail(path, 'Give a time as HH:MM, from 00:00 to 23:59.');
  return Number(parts[1]) * 60 + Number(parts[2]);
}

/** `HH:MM` of minutes after midnight (0 to 1439). */
export const timeOf = (minutes: number): string => TIMES[minutes]!;

/** `addMinutes('10:45', 50)` is `11:35`; past midnight it wraps, as a clock on the wall does. */
export function addMinutes(time: string, minutes: number): string {
  return timeOf((((minuteOfDay(time, 'time') + minutes) % 1440) + 1440) % 1440);
}

/** A date shifted by whole days. */
export const addDays = (date: string, days: number): string =>
  dateOf(dayNumber(date, 'date') + days);

/** `Wed 14 Oct 2026` (or without the year), the form all screens use. */
export function dateInWords(date: string, form: 'short' | 'with-year' | 'long' = 'short'): string {
  const n = dayNumber(date, 'date');
  const { year, month, day } = civilFromDays(n);
  const weekday = WEEKDAY_NAMES[weekdayOf(n)];
  if (form === 'long') return `${weekday}, ${day} ${MONTH_NAMES[month - 1]} ${year}`;
  const short = `${weekday.slice(0, 3)} ${day} ${MONTH_NAMES[month - 1]!.slice(0, 3)}`;
  return form === 'short' ? short : `${short} ${year}`;
}
