import { WEEKDAYS, type Weekday } from '../../time/dates.js';

/** Words that say nothing of their own. */
const FILLERS = new Set(
  `class classes lesson lessons session sessions please on at in for the with meet meets schedule and from of
   a an my our then teach is`.split(/\s+/),
);
export const isFiller = (word: string): boolean => FILLERS.has(word);

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTHS_IN_FULL = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];

/** 1 to 12 for a month's name or its first letters, from the third on. */
export function monthOf(word: string): number | undefined {
  if (word.length < 3) return undefined;
  const i = MONTHS.indexOf(word.slice(0, 3));
  return i >= 0 && MONTHS_IN_FULL[i]!.startsWith(word) ? i + 1 : undefined;
}

const SMALL: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
};
/** A number in words. */
export const numberWord = (word: string): number | undefined =>
  Object.hasOwn(SMALL, word) ? SMALL[word] : undefined;

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'];
/** 1 to 5 for an ordinal in words, -1 for the last. */
export function ordinalWord(word: string): number | undefined {
  if (word === 'last') return -1;
  const i = ORDINALS.indexOf(word);
  return i < 0 ? undefined : i + 1;
}

const DAY_WORDS: Record<Weekday, string[]> = {
  MO: ['mo', 'mon', 'monday'],
  TU: ['tu', 'tue', 'tues', 'tuesday'],
  WE: ['wed', 'weds', 'wednesday'],
  TH: ['th', 'thu', 'thur', 'thurs', 'thursday'],
  FR: ['fr', 'fri', 'friday'],
  SA: ['sat', 'saturday'],
  SU: ['sun', 'sunday'],
};
const PLURALS: Record<string, Weekday> = { mons: 'MO', fris: 'FR', sats: 'SA', suns: 'SU' };

/** A weekday by its name or the shortenings in use, and whether many of them are meant. */
export function weekdayWord(word: string): { day: Weekday; isPlural: boolean } | undefined {
  const bare = word.replace(/['’]/g, '');
  if (Object.hasOwn(PLURALS, bare)) return { day: PLURALS[bare]!, isPlural: true };
  for (const day of WEEKDAYS) {
    if (DAY_WORDS[day].includes(bare)) return { day, isPlural: false };
    if (bare.endsWith('days') && DAY_WORDS[day].includes(bare.slice(0, -1)))
      return { day, isPlural: true };
  }
  return undefined;
}

/** Letters that stand for weekdays when several are written as one word: `MWF`, `TuTh`. */
const LETTERS: [string, Weekday][] = [
  ['mo', 'MO'],
  ['m', 'MO'],
  ['tu', 'TU'],
  ['th', 'TH'],
  ['t', 'TU'],
  ['we', 'WE'],
  ['w', 'WE'],
  ['r', 'TH'],
  ['fr', 'FR'],
  ['f', 'FR'],
  ['sa', 'SA'],
  ['su', 'SU'],
];

/** Several weekdays written as one word, in order; undefined for any other word. */
export function weekdayLetters(word: string): Weekday[] | undefined {
  if (word === 'mr') return undefined;
  const days: Weekday[] = [];
  let rest = word;
  while (rest !== '') {
    const last = days.at(-1);
    const fits = LETTERS.find(
      ([letters, day]) =>
        rest.startsWith(letters) &&
        (last === undefined || WEEKDAYS.indexOf(day) > WEEKDAYS.indexOf(last)),
    );
    if (!fits) return undefined;
    days.push(fits[1]);
    rest = rest.slice(fits[0].length);
  }
  return days.length > 1 ? days : undefined;
}

export const ORDINAL_ENDINGS = ['st', 'nd', 'rd', 'th'];
/** Words and signs between two ends of a stretch. */
export const JOINERS = ['-', '–', '—', 'to', 'until', 'till', 'til', 'through', 'thru'];
export const MINUTE_WORDS = ['min', 'mins', 'minute', 'minutes', 'm'];
export const HOUR_WORDS = ['h', 'hr', 'hrs', 'hour', 'hours'];
export const WEEK_WORDS = ['week', 'weeks', 'wk', 'wks'];
export const PERIOD_WORDS = ['p', 'per', 'period'];
