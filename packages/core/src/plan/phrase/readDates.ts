import type { Weekday } from '../../time/dates.js';
import { found, type DateStretch, type DateWords, type Found, type Reader } from './items.js';
import { readAmount } from './readLength.js';
import type { Tokens } from './tokens.js';
import { JOINERS, ORDINAL_ENDINGS, WEEK_WORDS, monthOf, weekdayWord } from './vocabulary.js';

interface ReadDate {
  date: DateWords;
  next: number;
  weekday?: Weekday;
}

const isDay = (n: number | undefined): n is number => n !== undefined && n >= 1 && n <= 31;

/** `3`, `3rd`: a day of a month, and what follows it. */
function readDay(
  tokens: Tokens,
  i: number,
): { day: number; next: number; isOrdinal: boolean } | undefined {
  const day = tokens.number(i);
  if (day === undefined || tokens.textAt(i).length > 2) return undefined;
  const isOrdinal = tokens.isGlued(i + 1) && tokens.is(i + 1, ...ORDINAL_ENDINGS);
  return { day, next: i + (isOrdinal ? 2 : 1), isOrdinal };
}

/** A year in four figures, perhaps behind a comma. */
function readYear(tokens: Tokens, i: number): { year?: number; next: number } {
  const at = tokens.is(i, ',') ? i + 1 : i;
  const year = tokens.number(at);
  const isYear =
    year !== undefined && tokens.textAt(at).length === 4 && year >= 1990 && year <= 2200;
  const isTime = isYear && tokens.is(at + 1, 'h', ':', 'am', 'pm') && tokens.isGlued(at + 1);
  return isYear && !isTime ? { year, next: at + 1 } : { next: i };
}

const dateOfParts = (month: number, day: number, year?: number): DateWords => ({
  month,
  day,
  ...(year === undefined ? {} : { year }),
});

/** `3 Nov`, `3rd of November 2026`. */
function readDayFirst(tokens: Tokens, i: number): ReadDate | undefined {
  const day = readDay(tokens, tokens.is(i, 'the') ? i + 1 : i);
  if (!day) return undefined;
  const at = tokens.is(day.next, 'of') ? day.next + 1 : day.next;
  const month = monthOf(tokens.textAt(at));
  if (month === undefined) return undefined;
  const { year, next } = readYear(tokens, at + 1);
  return { date: dateOfParts(month, day.day, year), next };
}

/** Whether a number after a month is an hour or an amount rather than a day. */
function isNoDay(tokens: Tokens, i: number): boolean {
  if (tokens.isGlued(i) && tokens.is(i, ':', 'h', '/')) return true;
  if (tokens.isGlued(i) && tokens.is(i, '.'))
    return tokens.isGlued(i + 1) && tokens.number(i + 1) !== undefined;
  return tokens.is(i, 'am', 'pm') || (tokens.is(i, 'a', 'p') && tokens.are(i + 1, '.', 'm'));
}

/** `Nov 3`, `November the 3rd, 2026`. */
function readMonthFirst(tokens: Tokens, i: number): ReadDate | undefined {
  const month = monthOf(tokens.textAt(i));
  if (month === undefined) return undefined;
  const dotted = tokens.is(i + 1, '.') && tokens.isGlued(i + 1) ? i + 2 : i + 1;
  const day = readDay(tokens, tokens.is(dotted, 'the') ? dotted + 1 : dotted);
  if (!day || isNoDay(tokens, day.next)) return undefined;
  const { year, next } = readYear(tokens, day.next);
  return { date: dateOfParts(month, day.day, year), next };
}

/** `2026-11-05`, `2026/11/05`. */
function readIso(tokens: Tokens, i: number): ReadDate | undefined {
  const isWhole = [1, 2, 3, 4].every((n) => tokens.isGlued(i + n));
  const sign = tokens.textAt(i + 1);
  const isDate = (sign === '-' || sign === '/') && tokens.is(i + 3, sign);
  if (!isWhole || !isDate || tokens.textAt(i).length !== 4) return undefined;
  const [year, month, day] = [tokens.number(i), tokens.number(i + 2), tokens.number(i + 4)];
  if (year === undefined || month === undefined || day === undefined) return undefined;
  return { date: { year, month, day }, next: i + 5 };
}

const yearOfFigures = (figures: string): number =>
  Number(figures.length === 2 ? `20${figures}` : figures);

/** The numbers of a date written with one sign between them, perhaps with a year. */
function readParts(
  tokens: Tokens,
  i: number,
):
  | { a: number; b: number; sign: string; year?: number; next: number; isClosed: boolean }
  | undefined {
  const [a, b] = [tokens.number(i), tokens.number(i + 2)];
  const sign = tokens.textAt(i + 1);
  const isPair = tokens.isGlued(i + 1) && tokens.isGlued(i + 2) && (sign === '/' || sign === '.');
  if (a === undefined || b === undefined || !isPair) return undefined;
  const isClosed = tokens.isGlued(i + 3) && tokens.is(i + 3, sign);
  const last = tokens.textAt(i + 4);
  const hasYear = isClosed && tokens.isGlued(i + 4) && /^(?:\d\d|\d{4})$/.test(last);
  const next = i + 3 + Number(isClosed) + Number(hasYear);
  return { a, b, sign, next, isClosed, ...(hasYear ? { year: yearOfFigures(last) } : {}) };
}

/** Whether the month stands first: a part over 12 settles it, else the region's custom. */
function standsMonthFirst(a: number, b: number, custom: boolean): boolean {
  if (a > 12) return false;
  return b > 12 || custom;
}

/** `29/10`, `12/11/2026`, `20.10.`, `16.9.2026`: with dots the day stands first, with strokes as the region has it. */
function readNumeric(tokens: Tokens, i: number, monthFirst: boolean): ReadDate | undefined {
  const parts = readParts(tokens, i);
  if (!parts) return undefined;
  const { a, b, sign, year, next, isClosed } = parts;
  // `9.30` is a time, `20.10.` and `16.9.2026` are dates.
  if (sign === '.') return isClosed ? { date: dateOfParts(b, a, year), next } : undefined;
  const isEither = a <= 12 && b <= 12 && a !== b;
  const date = standsMonthFirst(a, b, monthFirst)
    ? dateOfParts(a, b, year)
    : dateOfParts(b, a, year);
  return { date: { ...date, ...(isEither ? { isEither } : {}) } as DateWords, next };
}

/** `the 27th`. */
function readDayAlone(tokens: Tokens, i: number): ReadDate | undefined {
  const day = readDay(tokens, tokens.is(i, 'the') ? i + 1 : i);
  return day?.isOrdinal && !tokens.is(day.next, ...PERIOD_NAMES)
    ? { date: { day: day.day }, next: day.next }
    : undefined;
}
const PERIOD_NAMES = ['period', 'bell', 'lesson'];

const NAMED_DAYS: [string[], number][] = [
  [['the', 'day', 'after', 'tomorrow'], 2],
  [['day', 'after', 'tomorrow'], 2],
  [['a', 'week', 'today'], 7],
  [['a', 'week', 'tomorrow'], 8],
  [['a', 'week', 'from', 'today'], 7],
  [['a', 'week', 'from', 'tomorrow'], 8],
  [['today', 'week'], 7],
  [['tomorrow', 'week'], 8],
  [['today'], 0],
  [['now'], 0],
  [['tomorrow'], 1],
  [['tmrw'], 1],
  [['tmw'], 1],
];

/** Days in a unit; none where the word is no unit of days. */
function daysIn(unit: string): number {
  if (WEEK_WORDS.includes(unit)) return 7;
  if (unit === 'fortnight') return 14;
  return unit === 'day' || unit === 'days' ? 1 : 0;
}

/** `today`, `tomorrow`, `the day after tomorrow`, `in two weeks`, `in 3 days`, `a week today`. */
function readRelative(tokens: Tokens, i: number): ReadDate | undefined {
  const way = NAMED_DAYS.find(([words]) => tokens.are(i, ...words));
  if (way) return { date: { ahead: way[1] }, next: i + way[0].length };
  const amount = tokens.is(i, 'in') ? readAmount(tokens, i + 1) : undefined;
  if (!amount || !Number.isInteger(amount.amount) || amount.amount < 1) return undefined;
  const days = daysIn(tokens.textAt(amount.next));
  return days === 0 ? undefined : { date: { ahead: days * amount.amount }, next: amount.next + 1 };
}

type WeekOf = 'this' | 'next' | 'week-on';

function dayAt(tokens: Tokens, i: number, which: WeekOf, next: number): ReadDate | undefined {
  const word = weekdayWord(tokens.textAt(i));
  return word && !word.isPlural ? { date: { weekday: word.day, which }, next } : undefined;
}

/** `Friday week`, `Friday next week`, `a week on Friday`. */
function readDayOfWeek(tokens: Tokens, i: number): ReadDate | undefined {
  if (tokens.are(i, 'a', 'week') && tokens.is(i + 2, 'on', 'from'))
    return dayAt(tokens, i + 3, 'week-on', i + 4);
  if (tokens.is(i + 1, 'week') && !tokens.is(i + 2, 'of'))
    return dayAt(tokens, i, 'week-on', i + 2);
  if (!tokens.is(i + 2, 'week') || !tokens.is(i + 1, 'this', 'next')) return undefined;
  return dayAt(tokens, i, tokens.is(i + 1, 'next') ? 'next' : 'this', i + 3);
}

/** `this Friday`, `next Friday`, `next week on Friday`. */
function readQualifiedDay(tokens: Tokens, i: number): ReadDate | undefined {
  const behind = readDayOfWeek(tokens, i);
  if (behind) return behind;
  if (!tokens.is(i, 'this', 'next', 'coming')) return undefined;
  const afterWeek = tokens.is(i + 1, 'week') ? i + 2 : i + 1;
  const at = tokens.is(afterWeek, 'on') ? afterWeek + 1 : afterWeek;
  // `next week Mon and Wed` are two days of one week.
  const isList = tokens.is(at + 1, 'and', ',', '&', '/') && weekdayWord(tokens.textAt(at + 2));
  if (isList) return undefined;
  return dayAt(tokens, at, tokens.is(i, 'next') ? 'next' : 'this', at + 1);
}

/** `end of November`, `the end of Nov`. */
function readMonthEnd(tokens: Tokens, i: number): ReadDate | undefined {
  const at = tokens.is(i, 'the') ? i + 1 : i;
  if (!tokens.are(at, 'end', 'of')) return undefined;
  const month = monthOf(tokens.textAt(at + 2));
  return month === undefined ? undefined : { date: { monthEnd: month }, next: at + 3 };
}

/** Christmas, 25 December. */
function readFeast(tokens: Tokens, i: number): ReadDate | undefined {
  return tokens.is(i, 'christmas', 'xmas')
    ? { date: { month: 12, day: 25 }, next: tokens.is(i + 1, 'day') ? i + 2 : i + 1 }
    : undefined;
}

type DateReader = (tokens: Tokens, i: number) => ReadDate | undefined;

/** A date in any of its ways, with a weekday before or behind it. */
function readDate(tokens: Tokens, i: number, readers: DateReader[]): ReadDate | undefined {
  const weekday = weekdayWord(tokens.textAt(i));
  const isBeside = weekday && !weekday.isPlural;
  const first = (at: number): ReadDate | undefined => {
    const all = readers.flatMap((read) => read(tokens, at) ?? []);
    return all.sort((a, b) => b.next - a.next)[0];
  };
  const skips = (at: number): number => {
    const afterComma = tokens.is(at, ',', '.') ? at + 1 : at;
    return tokens.is(afterComma, 'the') && tokens.number(afterComma + 1) === undefined
      ? at
      : afterComma;
  };
  const own = first(i);
  if (isBeside) {
    const date = first(skips(i + 1));
    if (date && 'day' in date.date) return { ...date, weekday: weekday.day };
  }
  return own;
}

/** What joins a day to the next of its month, where one does: a stretch, or a list. */
function joinDays(tokens: Tokens, i: number): { next: number; isStretch: boolean } | undefined {
  if (tokens.is(i, '-', '–', 'to', 'through')) return { next: i + 1, isStretch: true };
  const comma = tokens.is(i, ',') ? i + 1 : i;
  if (tokens.is(comma, 'and', '&')) return { next: comma + 1, isStretch: false };
  return comma > i ? { next: comma, isStretch: false } : undefined;
}

/** More single days than anybody lists; so that a long row is not read anew from each of its places. */
const MOST_IN_ROW = 12;

interface DaysInRow {
  days: { day: number; endsStretch: boolean }[];
  next: number;
}

/** `11 and 18`, `3, 10 and 17`, `23-27`: each a day that is no hour and no amount. */
function readDaysInRow(tokens: Tokens, i: number): DaysInRow {
  const days: DaysInRow['days'] = [];
  let next = i;
  let join: ReturnType<typeof joinDays> = { next: i, isStretch: false };
  while (join && days.length < MOST_IN_ROW) {
    const day = readDay(tokens, join.next);
    if (!day || !isDay(day.day) || isNoDay(tokens, day.next)) break;
    days.push({ day: day.day, endsStretch: join.isStretch });
    next = day.next;
    join = joinDays(tokens, next);
  }
  return { days, next };
}

/** Days of one month in a row: `11 and 18 Nov`, `Nov 6 and 13`, `23-27 Nov`. */
function readDayList(
  tokens: Tokens,
  i: number,
): { stretches: DateStretch[]; next: number } | undefined {
  const isMonthFirst = monthOf(tokens.textAt(i)) !== undefined;
  const row = readDaysInRow(tokens, isMonthFirst ? i + 1 : i);
  const month = monthOf(tokens.textAt(isMonthFirst ? i : row.next));
  if (month === undefined || row.days.length < 2) return undefined;
  const { year, next } = readYear(tokens, isMonthFirst ? row.next : row.next + 1);
  const stretches: DateStretch[] = [];
  for (const { day, endsStretch } of row.days) {
    const date = dateOfParts(month, day, year);
    if (endsStretch) stretches.at(-1)!.last = date;
    else stretches.push({ first: date });
  }
  return { stretches, next };
}

/** Two dates as the ends of a stretch: `9 Nov until 2 Nov`. */
function readStretch(
  tokens: Tokens,
  i: number,
  readers: DateReader[],
): { stretch: DateStretch; next: number } | undefined {
  const first = readDate(tokens, i, readers);
  if (!first) return undefined;
  const stretch: DateStretch = {
    first: first.date,
    ...(first.weekday ? { weekday: first.weekday } : {}),
  };
  if (!tokens.is(first.next, ...JOINERS)) return { stretch, next: first.next };
  const joined = tokens.are(first.next + 1, 'and', 'including') ? first.next + 3 : first.next + 1;
  const last = readDate(tokens, joined, readers);
  if (!last) return { stretch, next: first.next };
  const joint = { by: tokens.textAt(first.next), from: tokens.from(joined) };
  return { stretch: { ...stretch, last: last.date, joined: joint }, next: last.next };
}

/** Dates, or stretches between two, one or several in a row. */
export function datesReader(monthFirst: boolean, closures: DateReader): Reader {
  const readers: DateReader[] = [
    readDayFirst,
    readMonthFirst,
    readIso,
    (tokens, i) => readNumeric(tokens, i, monthFirst),
    readDayAlone,
    readRelative,
    readQualifiedDay,
    readMonthEnd,
    readFeast,
    closures,
  ];
  return (tokens, i): Found | undefined => {
    const list = readDayList(tokens, i);
    const one = readStretch(tokens, i, readers);
    if (list && list.next >= (one?.next ?? 0))
      return found(list.next, { kind: 'dates', stretches: list.stretches });
    return one && found(one.next, { kind: 'dates', stretches: [one.stretch] });
  };
}
