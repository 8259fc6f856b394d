import {
  WEEKDAYS,
  civilFromDays,
  dateOf,
  dayNumber,
  daysFromCivil,
  type Weekday,
} from '../../time/dates.js';

export const DAY =
  '(mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday|s)?|thu(?:rs(?:day)?|r)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)';
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
export const DATE = `(\\d{4}-\\d{2}-\\d{2}|(?:${DAY}\\s+)?\\d{1,2}(?:st|nd|rd|th)?\\s+${MONTH}(?:\\s+\\d{4})?)`;
export const TIME = '(\\d{1,2}(?:[:.]\\d{2})?\\s*[ap]m|\\d{1,2}[:.]\\d{2})';
export const NUMBERS: Record<string, number> = {
  one: 1,
  other: 2,
  two: 2,
  second: 2,
  '2nd': 2,
  three: 3,
  third: 3,
  '3rd': 3,
  four: 4,
  fourth: 4,
  '4th': 4,
  five: 5,
  six: 6,
  eight: 8,
  ten: 10,
};
export const NTH: Record<string, 1 | 2 | 3 | 4 | 5 | -1> = {
  first: 1,
  '1st': 1,
  second: 2,
  '2nd': 2,
  third: 3,
  '3rd': 3,
  fourth: 4,
  '4th': 4,
  fifth: 5,
  '5th': 5,
  last: -1,
};
export const COUNT = '(\\d{1,3}|one|two|three|four|five|six|eight|ten)';

export const weekdayOfWord = (word: string): Weekday =>
  WEEKDAYS.find((day) => day === word.slice(0, 2).toUpperCase())!;
export const numberOf = (word: string): number => NUMBERS[word] ?? Number(word);

/** Minutes after midnight of `13:30`, `9.05` or `2pm`; NaN where no clock shows it. */
export function clockOf(text: string): number {
  const [, hour = '', minute = '0', half] = /^(\d{1,2})(?:[:.](\d{2}))?\s*([ap]m)?$/.exec(text)!;
  const h = half ? (Number(hour) % 12) + (half === 'pm' ? 12 : 0) : Number(hour);
  return h < 24 && Number(minute) < 60 && (!half || (Number(hour) >= 1 && Number(hour) <= 12))
    ? h * 60 + Number(minute)
    : NaN;
}

/** A date in words, the next such day where its year is left out; undefined where no calendar has it. */
export function dateOfWords(text: string, today: string): string | undefined {
  if (/^\d{4}-/.test(text)) return isDate(text) ? text : undefined;
  const [, day = '', month = '', year] = new RegExp(
    `(\\d{1,2})(?:st|nd|rd|th)?\\s+${MONTH}(?:\\s+(\\d{4}))?$`,
  ).exec(text)!;
  const m = MONTHS.indexOf(month.slice(0, 3)) + 1;
  const inYear = (y: number): string => dateOf(daysFromCivil(y, m, Number(day)));
  const thisYear = civilFromDays(dayNumber(today, 'today')).year;
  const next = inYear(thisYear) < today ? thisYear + 1 : thisYear;
  const date = inYear(year ? Number(year) : next);
  return Number(date.slice(8)) === Number(day) ? date : undefined;
}

function isDate(text: string): boolean {
  try {
    dayNumber(text, 'date');
    return true;
  } catch {
    return false;
  }
}

/** One of some alternatives, as whole words. */
export const words = (...alternatives: string[]): RegExp =>
  new RegExp(`(?<![\\w-])(?:${alternatives.join('|')})(?![\\w-])`);
/** Several of a kind: "Mon, Wed and Fri". */
export const list = (item: string): string =>
  `${item}s?(?:(?:\\s*,\\s*(?:and\\s+)?|\\s+and\\s+|\\s*[&·+]\\s*|\\s*\\/\\s*)${item}s?)*`;
export const weekdaysIn = (text: string): Weekday[] => [
  ...new Set(
    [...text.matchAll(new RegExp(`(?<![a-z])${DAY}(?=s?(?![a-z]))`, 'g'))].map((m) =>
      weekdayOfWord(m[0]),
    ),
  ),
];

/** Labels as alternatives of a pattern, which no text fits where there are none. */
export const oneOf = (labels: string[]): string => labels.map(escaped).join('|') || '(?!)';

export const escaped = (label: string): string => label.toLowerCase().replace(/\W/g, '\\$&');
