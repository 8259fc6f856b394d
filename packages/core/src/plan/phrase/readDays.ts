import { WEEKDAYS, type Weekday } from '../../time/dates.js';
import { found, type Reader } from './items.js';
import type { Tokens } from './tokens.js';
import {
  ORDINAL_ENDINGS,
  WEEK_WORDS,
  numberWord,
  ordinalWord,
  weekdayLetters,
  weekdayWord,
} from './vocabulary.js';

interface DayList {
  days: Weekday[];
  isPlural: boolean;
  next: number;
}

/** One weekday, or several as one word. */
function readOneOrLetters(tokens: Tokens, i: number): DayList | undefined {
  const word = tokens.textAt(i);
  // The `th` of `11th` is no Thursday.
  if (tokens.isGlued(i) && tokens.number(i - 1) !== undefined) return undefined;
  const one = weekdayWord(word);
  if (one) return { days: [one.day], isPlural: one.isPlural, next: i + 1 };
  const several = weekdayLetters(word);
  return several && { days: several, isPlural: true, next: i + 1 };
}

/** All weekdays from one to another, over the weekend where they go round. */
function daysBetween(first: Weekday, last: Weekday): Weekday[] {
  const from = WEEKDAYS.indexOf(first);
  const count = ((WEEKDAYS.indexOf(last) - from + 7) % 7) + 1;
  return Array.from({ length: count }, (_, n) => WEEKDAYS[(from + n) % 7]!);
}

const RANGE = ['-', '–', '—', 'to', 'through', 'thru', 'till', 'til', 'until'];

/** What joins one weekday to the next: nothing where none follows. */
function joinAt(tokens: Tokens, i: number): { next: number; isRange: boolean } | undefined {
  if (tokens.is(i, ...RANGE)) return { next: i + 1, isRange: true };
  if (tokens.is(i, ',') && tokens.is(i + 1, 'and', '&')) return { next: i + 2, isRange: false };
  if (tokens.is(i, ',', 'and', '&', '/', '+')) return { next: i + 1, isRange: false };
  // `Mon Wed Fri`
  return weekdayWord(tokens.textAt(i)) ? { next: i, isRange: false } : undefined;
}

const SINGLE: Record<string, Weekday> = { m: 'MO', t: 'TU', w: 'WE', r: 'TH', th: 'TH', f: 'FR' };
const letterAt = (tokens: Tokens, i: number): Weekday | undefined =>
  Object.hasOwn(SINGLE, tokens.textAt(i)) ? SINGLE[tokens.textAt(i)] : undefined;

/** `M/W/F`, `M-Th`: letters count only where strokes join them. */
function readJoinedLetters(tokens: Tokens, i: number): DayList | undefined {
  const first = letterAt(tokens, i);
  if (!first) return undefined;
  const days = [first];
  let next = i + 1;
  for (;;) {
    const day = letterAt(tokens, next + 1);
    const isJoined = tokens.isGlued(next) && tokens.isGlued(next + 1);
    if (!day || !isJoined || !tokens.is(next, '/', '-', '–', ',')) break;
    const isRange = tokens.is(next, '-', '–');
    days.push(...(isRange ? daysBetween(days.at(-1)!, day) : [day]));
    next += 2;
  }
  if (next === i + 1) return undefined;
  return { days: WEEKDAYS.filter((day) => days.includes(day)), isPlural: true, next };
}

/** `Mon`, `mon-thu`, `Mon, Wed & Fri`, `tues/thurs`, `MWF`. */
function readDayList(tokens: Tokens, i: number): DayList | undefined {
  const joined = readJoinedLetters(tokens, i);
  if (joined) return joined;
  const first = readOneOrLetters(tokens, i);
  if (!first) return undefined;
  let { days, isPlural, next } = first;
  for (;;) {
    const join = joinAt(tokens, next);
    const after = join && readOneOrLetters(tokens, join.next);
    if (!after || isDated(tokens, after.next)) break;
    const more = join.isRange ? daysBetween(days.at(-1)!, after.days[0]!) : after.days;
    days = [...days, ...more];
    isPlural ||= after.isPlural;
    next = after.next;
  }
  return { days: WEEKDAYS.filter((day) => days.includes(day)), isPlural, next };
}

/** `till Fri 20 Nov` ends a series; its weekday is no part of the list before it. */
function isDated(tokens: Tokens, i: number): boolean {
  const isDay = tokens.number(i) !== undefined && tokens.textAt(i).length <= 2;
  return (
    isDay &&
    /^\p{L}{3,}$/u.test(tokens.textAt(i + 1)) &&
    !tokens.is(i + 1, 'min', 'mins', 'minutes', 'sessions', 'times', 'weeks')
  );
}

/** How many steps `every` takes: `other`, `second`, `3rd`, `2`. */
function readStep(tokens: Tokens, i: number): { step: number; next: number } {
  if (tokens.is(i, 'other', 'alternate')) return { step: 2, next: i + 1 };
  const ordinal = ordinalWord(tokens.textAt(i));
  if (ordinal !== undefined && ordinal > 1) return { step: ordinal, next: i + 1 };
  const number = tokens.number(i) ?? numberWord(tokens.textAt(i));
  if (number === undefined || number > 52) return { step: 1, next: i };
  const hasEnding = tokens.isGlued(i + 1) && tokens.is(i + 1, ...ORDINAL_ENDINGS);
  return { step: number, next: i + (hasEnding ? 2 : 1) };
}

/** `on`, `on the` before a list of weekdays. */
const afterOn = (tokens: Tokens, i: number): number => (tokens.is(i, 'on') ? i + 1 : i);

/** `weekly on Tue`, `every 3 weeks`, `fortnightly on Mondays`, `every Mon and Wed`. */
export const readWeekdays: Reader = (tokens, i) => {
  const lead = readLead(tokens, i);
  if (!lead) {
    const list = readDayList(tokens, i);
    if (!list) return undefined;
    const repeats = list.isPlural || list.days.length > 1;
    return found(list.next, { kind: 'days', days: list.days, repeats });
  }
  const list = readDayList(tokens, lead.isWeeks ? afterOn(tokens, lead.next) : lead.next);
  const interval = lead.step > 1 ? { interval: lead.step } : {};
  if (lead.step < 1)
    return found(list?.next ?? lead.next, { kind: 'wrong', why: 'Every 0 weeks is never.' });
  if (list) return found(list.next, { kind: 'days', days: list.days, repeats: true, ...interval });
  if (!lead.isWeeks) return undefined;
  return found(lead.next, { kind: 'repeat', repeat: { every: 'week', ...interval } });
};

interface Lead {
  step: number;
  next: number;
  /** Weeks were named, so that no weekday need follow. */
  isWeeks: boolean;
}

/** What stands before the weekdays of a series. */
function readLead(tokens: Tokens, i: number): Lead | undefined {
  if (tokens.is(i, 'weekly')) return { step: 1, next: i + 1, isWeeks: true };
  if (tokens.is(i, 'fortnightly', 'biweekly')) return { step: 2, next: i + 1, isWeeks: true };
  if (tokens.are(i, 'bi', '-', 'weekly')) return { step: 2, next: i + 3, isWeeks: true };
  if (tokens.is(i, 'alternate', 'alternating')) {
    const isWeeks = tokens.is(i + 1, ...WEEK_WORDS);
    return { step: 2, next: isWeeks ? i + 2 : i + 1, isWeeks };
  }
  if (!tokens.is(i, 'every', 'each')) return undefined;
  if (tokens.is(i + 1, 'fortnight')) return { step: 2, next: i + 2, isWeeks: true };
  const { step, next } = readStep(tokens, i + 1);
  const isWeeks = tokens.is(next, ...WEEK_WORDS);
  return { step, next: isWeeks ? next + 1 : next, isWeeks };
}

/** Saturdays and Sundays too: said behind `every day`. */
const readIncluding = (tokens: Tokens, i: number): number => {
  const open = tokens.is(i, ',', '(') ? i + 1 : i;
  const at = tokens.is(open, 'and') ? open + 1 : open;
  if (tokens.is(at, 'incl', 'including', 'also', 'even', 'with')) {
    const dotted = tokens.is(at + 1, '.') ? at + 2 : at + 1;
    const word = tokens.is(dotted, 'on', 'at') ? dotted + 1 : dotted;
    const the = tokens.is(word, 'the') ? word + 1 : word;
    return tokens.is(the, 'weekend', 'weekends') ? the + 1 : i;
  }
  return at > open && tokens.is(at, 'weekends') ? at + 1 : i;
};

/** `every day`, `weekdays`, `school days`, `every 3 days`, `every day incl. weekends`, `weekends`. */
export const readEveryDay: Reader = (tokens, i) => {
  if (tokens.is(i, 'weekends'))
    return found(i + 1, { kind: 'days', days: ['SA', 'SU'], repeats: true });
  if (tokens.is(i, 'every', 'each') && tokens.is(i + 1, 'weekend'))
    return found(i + 2, { kind: 'days', days: ['SA', 'SU'], repeats: true });
  const including = readIncluding(tokens, i);
  if (including > i) return found(including, { kind: 'weekends' });
  const next = readDaily(tokens, i);
  if (next)
    return found(next, { kind: 'repeat', repeat: { every: 'school-day' }, isEveryDay: true });
  const schoolDays = readSchoolDays(tokens, i);
  if (schoolDays) return found(schoolDays, { kind: 'repeat', repeat: { every: 'school-day' } });
  if (!tokens.is(i, 'every', 'each')) return undefined;
  const { step, next: unit } = readStep(tokens, i + 1);
  if (step < 2 || !tokens.is(unit, 'day', 'days')) return undefined;
  return found(unit + 1, { kind: 'repeat', repeat: { every: 'day', interval: step } });
};

function readDaily(tokens: Tokens, i: number): number | undefined {
  if (tokens.is(i, 'daily', 'everyday')) return i + 1;
  return tokens.is(i, 'every', 'each') && tokens.is(i + 1, 'day') ? i + 2 : undefined;
}

function readSchoolDays(tokens: Tokens, i: number): number | undefined {
  const at = tokens.is(i, 'every', 'each', 'all') ? i + 1 : i;
  const isAll = at > i;
  if (tokens.is(at, 'weekdays', 'schooldays') || (isAll && tokens.is(at, 'weekday', 'schoolday')))
    return at + 1;
  const isSchool = tokens.is(at, 'school', 'teaching');
  return isSchool && tokens.is(at + 1, 'days', ...(isAll ? ['day'] : [])) ? at + 2 : undefined;
}

/** `Ebb days`, `every Ebb and Flood day`, `Ebb Mondays`: days of the school's own cycle. */
export function cycleReader(labels: string[]): Reader {
  const known = new Map(labels.map((label) => [label.toLowerCase(), label]));
  return (tokens, i) => {
    const start = tokens.is(i, 'every', 'each') ? i + 1 : i;
    const before =
      tokens.is(start, 'week') && known.has(tokens.textAt(start + 1)) ? start + 1 : start;
    const named: string[] = [];
    let at = before;
    for (;;) {
      const label = known.get(tokens.textAt(at));
      if (label === undefined) break;
      named.push(label);
      at += 1;
      if (!tokens.is(at, 'and', '&', '/') || !known.has(tokens.textAt(at + 1))) break;
      at += 1;
    }
    if (named.length === 0) return undefined;
    const isDays = tokens.is(at, 'day', 'days', 'week', 'weeks');
    const isWeekday = weekdayWord(tokens.textAt(at)) !== undefined;
    if (!isDays && !isWeekday && before === start) return undefined;
    return found(isDays ? at + 1 : at, { kind: 'cycle', labels: named });
  };
}
