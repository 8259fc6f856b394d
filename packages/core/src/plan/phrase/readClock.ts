import { found, type Clock, type Found, type Reader } from './items.js';
import type { Tokens } from './tokens.js';
import {
  HOUR_WORDS,
  JOINERS,
  MINUTE_WORDS,
  ORDINAL_ENDINGS,
  WEEK_WORDS,
  numberWord,
  weekdayWord,
} from './vocabulary.js';

interface At<T> {
  value: T;
  next: number;
}

/** `am`, `p.m.`, `o'clock` after a time. */
function readHalf(tokens: Tokens, i: number): At<'am' | 'pm' | undefined> {
  const word = tokens.textAt(i);
  if (word === 'am' || word === 'pm') return { value: word, next: i + 1 };
  const isDotted = (word === 'a' || word === 'p') && tokens.are(i + 1, '.', 'm');
  if (!isDotted) return { value: undefined, next: i };
  const next = i + 3 + (tokens.is(i + 3, '.') && tokens.isGlued(i + 3) ? 1 : 0);
  return { value: word === 'a' ? 'am' : 'pm', next };
}

/** A time in figures: two of them with minutes are read as they stand. */
function clockOf(hour: string, minute: string): Clock {
  const h = Number(hour);
  const isPlain = hour.length === 2 && minute !== '';
  return {
    hour: h,
    minute: Number(minute),
    isExact: h > 12 || hour.startsWith('0'),
    ...(isPlain ? { isPlain } : {}),
  };
}

/** `2:15`, `2.15`, `9h30`. */
function readPair(tokens: Tokens, i: number): At<Clock> | undefined {
  const isGlued = tokens.isGlued(i + 1) && tokens.isGlued(i + 2);
  const minute = tokens.textAt(i + 2);
  if (!isGlued || !/^[0-9]{2}$/.test(minute) || !tokens.is(i + 1, ':', '.', 'h')) return undefined;
  return { value: clockOf(tokens.textAt(i), minute), next: i + 3 };
}

/** Hours and minutes in figures: `2:15`, `0215`, `9h30`, `14h`; a bare `2` only where `mayBeBare`. */
function readFigures(tokens: Tokens, i: number, mayBeBare: boolean): At<Clock> | undefined {
  const figures = tokens.textAt(i);
  if (/^[0-9]{3,4}$/.test(figures))
    return { value: clockOf(figures.slice(0, -2), figures.slice(-2)), next: i + 1 };
  if (!/^[0-9]{1,2}$/.test(figures)) return undefined;
  const pair = readPair(tokens, i);
  if (pair) return pair;
  const value = clockOf(figures, '');
  // `2h` is a length, `14h` is a time.
  const isHours = tokens.is(i + 1, 'h') && tokens.isGlued(i + 1) && value.hour > 4;
  if (isHours) return { value, next: i + 2 };
  const isHour = mayBeBare || readHalf(tokens, i + 1).value !== undefined;
  return isHour || isOClock(tokens, i + 1) ? { value, next: i + 1 } : undefined;
}

const isOClock = (tokens: Tokens, i: number): boolean =>
  tokens.is(i, "o'clock", 'o’clock', 'oclock');

const NAMED_HOURS: Record<string, number> = { noon: 12, midday: 12, midnight: 0 };

/** `noon`, `midnight`. */
function readNamedHour(tokens: Tokens, i: number): At<Clock> | undefined {
  const word = tokens.textAt(i);
  if (!Object.hasOwn(NAMED_HOURS, word)) return undefined;
  return { value: { hour: NAMED_HOURS[word]!, minute: 0, isExact: true }, next: i + 1 };
}

const PARTS_OF_HOUR: Record<string, number> = { half: 30, quarter: 15 };

/** Minutes past or to an hour: in words, or in figures, which only `past` can follow: `2 to 3` is a stretch. */
function minutesAt(tokens: Tokens, i: number, isPast: boolean): number | undefined {
  const word = tokens.textAt(i);
  const inWords = Object.hasOwn(PARTS_OF_HOUR, word) ? PARTS_OF_HOUR[word] : numberWord(word);
  const minutes = inWords ?? (isPast ? tokens.number(i) : undefined);
  if (minutes === undefined || minutes < 1 || minutes > 30) return undefined;
  // `from nine to ten` is a stretch, `ten to nine` is not.
  const isStretch = !isPast && (minutes % 5 !== 0 || tokens.is(i - 1, 'from', 'between'));
  return isStretch ? undefined : minutes;
}

/** `half past nine`, `quarter to ten`, `ten past 3`. */
function readPast(tokens: Tokens, i: number): At<Clock> | undefined {
  const at = tokens.is(i, 'a') ? i + 1 : i;
  if (!tokens.is(at + 1, 'past', 'to')) return undefined;
  const isPast = tokens.is(at + 1, 'past');
  const minute = minutesAt(tokens, at, isPast);
  const hour = tokens.number(at + 2) ?? numberWord(tokens.textAt(at + 2));
  if (minute === undefined || hour === undefined || hour < 1 || hour > 12) return undefined;
  const before = hour === 1 ? 12 : hour - 1;
  const value = isPast
    ? { hour, minute, isExact: false }
    : { hour: before, minute: 60 - minute, isExact: false };
  return { value, next: at + 3 };
}

/** An hour in words with `o'clock`: `three o'clock`. */
function readHourWord(tokens: Tokens, i: number, mayBeBare: boolean): At<Clock> | undefined {
  const hour = numberWord(tokens.textAt(i));
  if (hour === undefined || hour > 12) return undefined;
  const isTold =
    isOClock(tokens, i + 1) || readHalf(tokens, i + 1).value !== undefined || mayBeBare;
  return isTold ? { value: { hour, minute: 0, isExact: false }, next: i + 1 } : undefined;
}

/** One clock time. */
function readOne(tokens: Tokens, i: number, mayBeBare: boolean): At<Clock> | undefined {
  const read =
    readNamedHour(tokens, i) ??
    readPast(tokens, i) ??
    readFigures(tokens, i, mayBeBare) ??
    readHourWord(tokens, i, mayBeBare);
  if (!read) return undefined;
  const afterClock = isOClock(tokens, read.next) ? read.next + 1 : read.next;
  const half = readHalf(tokens, afterClock);
  return { value: { ...read.value, ...(half.value ? { half: half.value } : {}) }, next: half.next };
}

const noTime = (tokens: Tokens, from: number, to: number): string =>
  `${tokens.text.slice(tokens.from(from), tokens.to(to - 1))} is no time.`;

function isTime({ hour, minute, half }: Clock): boolean {
  return minute < 60 && (half ? hour >= 1 && hour <= 12 : hour < 24);
}

/** Whether a number is told by what follows it to be something other than an hour. */
function isOther(tokens: Tokens, i: number): boolean {
  if (tokens.isGlued(i) && tokens.is(i, ...ORDINAL_ENDINGS, '/')) return true;
  if (tokens.isGlued(i) && tokens.is(i, '.', ':')) return tokens.number(i + 1) !== undefined;
  const isTimes = tokens.is(i, 'x') && tokens.number(i + 1) === undefined;
  return isTimes || tokens.is(i, ...HOUR_WORDS, ...MINUTE_WORDS, ...WEEK_WORDS, 'times', 'days');
}

/** `4 to 7pm`, `12-1`, `between 2 and 3`. */
function readSpan(tokens: Tokens, i: number): Found | undefined {
  const isBetween = tokens.is(i, 'between');
  const begins = isBetween ? i + 1 : i;
  const start = readOne(tokens, begins, true);
  if (!start) return undefined;
  const joiners = isBetween ? [...JOINERS, 'and'] : JOINERS;
  if (!tokens.is(start.next, ...joiners)) return undefined;
  const end = readOne(tokens, start.next + 1, true);
  if (!end || isOther(tokens, end.next)) return undefined;
  if (!isTime(start.value) || !isTime(end.value))
    return found(end.next, { kind: 'wrong', why: noTime(tokens, begins, end.next) });
  return found(end.next, { kind: 'clock', start: start.value, end: end.value });
}

/** `20.10` may be a date, day first. */
function asDate({ hour, minute, half }: Clock): { day: number; month: number } | undefined {
  const isDate = !half && hour >= 1 && hour <= 31 && minute >= 1 && minute <= 12;
  return isDate ? { day: hour, month: minute } : undefined;
}

/** A clock time, or a stretch between two. */
export const readClock: Reader = (tokens, i) => {
  const span = readSpan(tokens, i);
  if (span) return span;
  const one = readOne(tokens, i, false);
  if (!one) return undefined;
  if (!isTime(one.value))
    return found(one.next, { kind: 'wrong', why: noTime(tokens, i, one.next) });
  const date = tokens.is(i + 1, '.') ? asDate(one.value) : undefined;
  return found(one.next, {
    kind: 'clock',
    start: one.value,
    ...(date ? { asDate: date } : {}),
  });
};

const HALVES: Record<string, 'am' | 'pm'> = { morning: 'am', afternoon: 'pm', evening: 'pm' };
const halfAt = (tokens: Tokens, i: number): 'am' | 'pm' | undefined =>
  Object.hasOwn(HALVES, tokens.textAt(i)) ? HALVES[tokens.textAt(i)] : undefined;

/** `this afternoon`, `in the evening`, `tonight`, `Friday morning`: by what stands beside it no name of a class period. */
export const readDayPart: Reader = (tokens, i) => {
  if (tokens.is(i, 'tonight')) return found(i + 1, { kind: 'day-part', half: 'pm', isToday: true });
  const today = tokens.is(i, 'this') ? halfAt(tokens, i + 1) : undefined;
  if (today) return found(i + 2, { kind: 'day-part', half: today, isToday: true });
  const inThe = tokens.are(i, 'in', 'the') ? halfAt(tokens, i + 2) : undefined;
  if (inThe) return found(i + 3, { kind: 'day-part', half: inThe });
  const before = tokens.textAt(i - 1);
  const isBehindDay = weekdayWord(before) !== undefined || ['today', 'tomorrow'].includes(before);
  return isBehindDay ? readDayPartAlone(tokens, i) : undefined;
};

/** `morning` by itself. */
export const readDayPartAlone: Reader = (tokens, i) => {
  const half = halfAt(tokens, i);
  return half && found(i + 1, { kind: 'day-part', half });
};

/** A number that nothing else has read; `at 9` is a time. */
export const readNumber: Reader = (tokens, i) => {
  const isAt = tokens.is(i - 1, 'at', '@', 'from');
  const number = tokens.number(i) ?? (isAt ? numberWord(tokens.textAt(i)) : undefined);
  if (number === undefined || /^[0-9]{3}/.test(tokens.textAt(i))) return undefined;
  return found(i + 1, { kind: 'number', number, isAt });
};
