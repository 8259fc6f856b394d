import { bellsOn, dayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import {
  WEEKDAYS,
  addDays,
  civilFromDays,
  dateOf,
  dayNumber,
  daysFromCivil,
  minuteOfDay,
  timeOf,
  weekdayIndex,
  type Weekday,
} from '../time/dates.js';
import type { PlanTime, SessionPlan } from './plan.js';
import type { FieldRepeat } from './repeat.js';

/** A class period as a phrase may name it. */
export interface PhraseClass {
  id: number;
  title: string;
  period: string | null;
  letters: string;
}

export interface PhraseContext {
  school: SchoolCalendar;
  /** Local date and time now. */
  today: string;
  classes?: PhraseClass[];
  /** Minutes of a session whose phrase names only its start; 50 where left out. */
  minutes?: number;
}

export interface ReadPhrase {
  plan: SessionPlan;
  /** The class period that was named, where exactly one fits. */
  classId?: number;
  /** What could not be read, with its place in the text (`from ≤ i < to`). */
  unclear: { text: string; from: number; to: number }[];
}

const DAY =
  '(mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday|s)?|thu(?:rs(?:day)?|r)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)';
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
const DATE = `(\\d{4}-\\d{2}-\\d{2}|(?:${DAY}\\s+)?\\d{1,2}(?:st|nd|rd|th)?\\s+${MONTH}(?:\\s+\\d{4})?)`;
const TIME = '(\\d{1,2}(?:[:.]\\d{2})?\\s*[ap]m|\\d{1,2}[:.]\\d{2})';
const NUMBERS: Record<string, number> = {
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
const NTH: Record<string, 1 | 2 | 3 | 4 | 5 | -1> = {
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
const COUNT = '(\\d{1,3}|one|two|three|four|five|six|eight|ten)';

const weekdayOfWord = (word: string): Weekday =>
  WEEKDAYS.find((day) => day === word.slice(0, 2).toUpperCase())!;
const numberOf = (word: string): number => NUMBERS[word] ?? Number(word);

/** Minutes after midnight of `13:30`, `9.05` or `2pm`; NaN where no clock shows it. */
function clockOf(text: string): number {
  const [, hour = '', minute = '0', half] = /^(\d{1,2})(?:[:.](\d{2}))?\s*([ap]m)?$/.exec(text)!;
  const h = half ? (Number(hour) % 12) + (half === 'pm' ? 12 : 0) : Number(hour);
  return h < 24 && Number(minute) < 60 && (!half || (Number(hour) >= 1 && Number(hour) <= 12))
    ? h * 60 + Number(minute)
    : NaN;
}

/** A date in words, the next such day where its year is left out; undefined where no calendar has it. */
function dateOfWords(text: string, today: string): string | undefined {
  if (/^\d{4}-/.test(text)) return isDate(text) ? text : undefined;
  const [, day = '', month = '', year] = new RegExp(
    `(\\d{1,2})(?:st|nd|rd|th)?\\s+${MONTH}(?:\\s+(\\d{4}))?$`,
  ).exec(text)!;
  const m = MONTHS.indexOf(month.slice(0, 3)) + 1;
  const inYear = (y: number): string => dateOf(daysFromCivil(y, m, Number(day)));
  const thisYear = civilFromDays(dayNumber(today, 'today')).year;
  const date = year
    ? inYear(Number(year))
    : inYear(thisYear) < today
      ? inYear(thisYear + 1)
      : inYear(thisYear);
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

/** The text while it is read: what has been understood is blanked, so that every place stays where it was. */
class Reading {
  rest: string;
  constructor(text: string) {
    this.rest = text.toLowerCase();
  }
  /** Takes the first match out; `use` may refuse it. */
  take(pattern: RegExp, use: (match: string[]) => boolean | void): boolean {
    const found = pattern.exec(this.rest);
    if (!found || use(([...found] as (string | undefined)[]).map((part) => part ?? '')) === false)
      return false;
    this.rest =
      this.rest.slice(0, found.index) +
      ' '.repeat(found[0].length) +
      this.rest.slice(found.index + found[0].length);
    return true;
  }
}

interface Parts {
  repeat?: FieldRepeat;
  at?: PlanTime;
  start?: number;
  minutes?: number;
  first?: string;
  weekday?: Weekday;
  closures: SessionPlan['closures'];
}

const words = (...alternatives: string[]): RegExp =>
  new RegExp(`(?<![\\w-])(?:${alternatives.join('|')})(?![\\w-])`);
const list = (item: string): string =>
  `${item}s?(?:(?:\\s*,\\s*(?:and\\s+)?|\\s+and\\s+|\\s*[&·+]\\s*|\\s*\\/\\s*)${item}s?)*`;
const weekdaysIn = (text: string): Weekday[] => [
  ...new Set(
    [...text.matchAll(new RegExp(`(?<![a-z])${DAY}(?=s?(?![a-z]))`, 'g'))].map((m) =>
      weekdayOfWord(m[0]),
    ),
  ),
];

function readTime(reading: Reading, parts: Parts, { school }: PhraseContext): void {
  const labels = [...new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label)))];
  const label = `(${labels.map((l) => l.toLowerCase().replace(/\W/g, '\\$&')).join('|') || '(?!)'})`;
  const own = (typed: string): string => labels.find((l) => l.toLowerCase() === typed)!;
  const length = (text: string, unit: string): number =>
    unit.startsWith('h') ? Number(text) * 60 : Number(text);
  reading.take(
    words(
      `${COUNT}\\s*(?:min(?:ute)?s?)\\s+(after|before)\\s+(?:the\\s+)?(?:(first|last)\\s+(?:bell|lesson|period)|(?:period\\s+|p)${label})`,
    ),
    ([, n, side, edge, period]) => {
      const isAfter = side === 'after';
      parts.at = {
        bell: {
          period: edge || own(period!),
          edge: isAfter ? 'end' : 'start',
          offset: (isAfter ? 1 : -1) * numberOf(n!),
        },
        minutes: 0,
      };
    },
  );
  reading.take(
    words(`for\\s+(\\d{1,4})\\s*(min(?:ute)?s?|h(?:ours?)?)`, `for\\s+an?\\s+(hour)()`),
    ([whole, n, unit, hour]) => {
      parts.minutes = hour || (/hour$/.test(whole!) && !n) ? 60 : length(n!, unit!);
    },
  );
  reading.take(words(`(?:from\\s+|at\\s+)?${TIME}\\s*(?:-|–|to|until)\\s*${TIME}`), ([, a, b]) => {
    const [start, end] = [clockOf(a!), clockOf(b!)];
    if (!(end > start)) return false;
    [parts.start, parts.minutes] = [start, end - start];
  });
  if (parts.start === undefined)
    reading.take(words(`(?:at\\s+)?${TIME}`), ([, t]) => {
      const start = clockOf(t!);
      if (Number.isNaN(start)) return false;
      parts.start = start;
    });
  if (!parts.at && parts.start === undefined) {
    reading.take(words(`(?:in\\s+|during\\s+)?(?:period\\s+|p\\s?)${label}`), ([, l]) => {
      parts.at = { period: own(l!) };
    });
  }
}

function readEnd(reading: Reading, repeat: Partial<FieldRepeat>, today: string): void {
  const named: [RegExp, string][] = [
    [
      words(
        '(?:until|till|to)\\s+(?:the\\s+)?(?:end\\s+of\\s+(?:the\\s+)?term|term\\s*(?:ends?|end|is\\s+over)|term)',
      ),
      'term-end',
    ],
    [
      words('(?:until|till|to)\\s+(?:the\\s+)?(?:exam(?:ination)?s?(?:\\s+(?:begin|start))?)'),
      'exams',
    ],
    [
      words(
        '(?:until|till|to)\\s+(?:the\\s+)?(?:end\\s+of\\s+(?:the\\s+)?(?:school\\s+)?year|(?:school\\s+)?year\\s*(?:ends?|is\\s+over))',
      ),
      'year-end',
    ],
  ];
  for (const [pattern, until] of named)
    if (
      reading.take(pattern, () => {
        repeat.until = until;
      })
    )
      return;
  if (
    reading.take(words(`(?:until|till|to|through)\\s+${DATE}`), ([, date]) => {
      const until = dateOfWords(date!, today);
      if (!until) return false;
      repeat.until = until;
    })
  )
    return;
  if (
    reading.take(words(`for\\s+${COUNT}\\s+weeks?`), ([, n]) => {
      repeat.weeks = numberOf(n!);
    })
  )
    return;
  reading.take(words('x\\s?(\\d{1,4})', '(\\d{1,4})\\s*(?:x|times|sessions)'), ([, a, b]) => {
    repeat.times = Number(a || b);
  });
}

function readRepeat(reading: Reading, parts: Parts, { school }: PhraseContext): void {
  const set = (repeat: FieldRepeat): void => {
    parts.repeat = repeat;
  };
  const nth = `(${Object.keys(NTH).join('|')})`;
  const labels = school.cycle?.labels ?? [];
  const cycle = `(?:${labels.map((l) => l.toLowerCase().replace(/\W/g, '\\$&')).join('|') || '(?!)'})`;
  const steps = `(${Object.keys(NUMBERS).join('|')}|\\d{1,2})`;
  void (
    reading.take(
      words(`(?:every\\s+|on\\s+)?((?:${cycle})(?:\\s+and\\s+${cycle})*)\\s+days?`),
      ([, l]) =>
        set({
          every: 'school-day',
          cycleDays: labels.filter((label) => l!.includes(label.toLowerCase())),
        }),
    ) ||
    reading.take(
      words(
        `(?:every\\s+month\\s+)?(?:on\\s+)?(?:the\\s+)?${nth}\\s+${DAY}\\s+(?:of\\s+)?(?:every|each|the)\\s+month`,
        `(?:every\\s+month|monthly)\\s+on\\s+the\\s+${nth}\\s+${DAY}`,
      ),
      ([, n1, d1, n2, d2]) =>
        set({ every: 'month', nth: { n: NTH[n1 || n2!]!, weekday: weekdayOfWord(d1 || d2!) } }),
    ) ||
    reading.take(
      words('(?:every\\s+month|monthly)\\s+on\\s+(?:day\\s+|the\\s+)(\\d{1,2})(?:st|nd|rd|th)?'),
      ([, day]) => set({ every: 'month', monthDay: Number(day) }),
    ) ||
    reading.take(words('every\\s+month', 'monthly'), () => set({ every: 'month' })) ||
    reading.take(
      words('(?:every|each|on)\\s+(?:school\\s*days?|teaching\\s+days?)', 'school\\s*days?'),
      () => set({ every: 'school-day' }),
    ) ||
    reading.take(words('(?:every|each|on)\\s+weekdays?', 'weekdays'), () =>
      set({ every: 'week', on: ['MO', 'TU', 'WE', 'TH', 'FR'] }),
    ) ||
    reading.take(words(`(?:every|each)\\s+${steps}\\s+days?`), ([, n]) =>
      set({ every: 'day', interval: numberOf(n!) }),
    ) ||
    reading.take(words('(?:every|each)\\s+day', 'daily'), () => set({ every: 'day' })) ||
    reading.take(
      words(
        `(?:every|each)\\s+${steps}\\s+weeks?\\s+on\\s+(${list(DAY)})`,
        `(?:every|each)\\s+${steps}\\s+(${list(DAY)})`,
      ),
      (m) => {
        const days = weekdaysIn(m[0]!);
        set({
          every: 'week',
          interval: numberOf(
            m[1] || m.find((part, i) => i > 1 && (part in NUMBERS || /^\d+$/.test(part)))!,
          ),
          on: days,
        });
      },
    ) ||
    reading.take(words(`(?:every|each)\\s+${steps}\\s+weeks?`), ([, n]) =>
      set({ every: 'week', interval: numberOf(n!) }),
    ) ||
    reading.take(
      words(`(?:every\\s+week|weekly)\\s+on\\s+(${list(DAY)})`, `(?:every|each)\\s+(${list(DAY)})`),
      ([whole]) => set({ every: 'week', on: weekdaysIn(whole!) }),
    ) ||
    reading.take(words('every\\s+week', 'weekly'), () => set({ every: 'week' })) ||
    reading.take(words(`(?:on\\s+)?${list(DAY)}`), ([whole]) => {
      const days = weekdaysIn(whole!);
      // `Fridays` repeats, `Friday` is one; two days at once can only be a series.
      if (/(?:days|[a-z]{3}s)$/.test(whole!.trim()) || days.length > 1)
        set({ every: 'week', on: days });
      else return false;
    })
  );
}

function readFirst(reading: Reading, parts: Parts, today: string): void {
  const set = (text: string): boolean => {
    const date = dateOfWords(text, today);
    if (!date) return false;
    parts.first = date;
    return true;
  };
  void (
    reading.take(words('(?:from\\s+|starting\\s+)?today'), () => {
      parts.first = today;
    }) ||
    reading.take(words('(?:from\\s+|starting\\s+)?tomorrow'), () => {
      parts.first = addDays(today, 1);
    }) ||
    reading.take(words(`(?:from|starting(?:\\s+on)?|on|since)\\s+${DATE}`, DATE), (m) =>
      set(m.find((part, i) => i > 0 && /\d/.test(part))!),
    ) ||
    reading.take(words(`(?:from\\s+|on\\s+)?(?:(next)\\s+)?${DAY}`), ([, next, day]) => {
      parts.weekday = weekdayOfWord(day!);
      const ahead =
        (WEEKDAYS.indexOf(parts.weekday) - weekdayIndex(dayNumber(today, 'today')) + 7) % 7;
      parts.first = addDays(today, ahead === 0 && next ? 7 : ahead);
    })
  );
}

/** The one class period that the phrase's words name: its letters, or the beginnings of its words with its period. */
function readClass(reading: Reading, classes: PhraseClass[]): PhraseClass | undefined {
  const byLetters = classes.filter((c) =>
    words(c.letters.toLowerCase().replace(/\W/g, '\\$&')).test(reading.rest),
  );
  if (byLetters.length === 1) {
    reading.take(words(`(?:teach\\s+)?${byLetters[0]!.letters.toLowerCase()}`), () => true);
    return byLetters[0];
  }
  const named = classes
    .flatMap((c) => {
      const own = c.title.toLowerCase().split(/\s+/);
      const starts = own.map((word) =>
        word.length < 3
          ? word
          : `${word.slice(0, 3)}(?:${
              [...word.slice(3)]
                .map((_, i) => word.slice(3, 4 + i))
                .reverse()
                .join('|') || ''
            })?`,
      );
      const title = starts
        .map((_, i) => starts.slice(i).join('\\s+'))
        .concat(starts)
        .join('|');
      const pattern = new RegExp(
        `(?<![\\w-])(?:teach\\s+)?(?:${title})(?:,?\\s+(?:p(?:eriod)?\\s?)?(${c.period?.toLowerCase().replace(/\W/g, '\\$&') ?? '(?!)'})(?![\\w:.]))?(?![\\w-])`,
      );
      const match = pattern.exec(reading.rest);
      return match
        ? [{ c, pattern, withPeriod: match[1] !== undefined, length: match[0].length }]
        : [];
    })
    .sort((a, b) => Number(b.withPeriod) - Number(a.withPeriod) || b.length - a.length);
  const [best, next] = named;
  if (!best || (next && next.withPeriod === best.withPeriod && next.length === best.length))
    return undefined;
  reading.take(best.pattern, () => true);
  return best.c;
}

const FILLER =
  /(?<![\w-])(?:and|on|at|in|the|a|an|for|from|of|with|class|session|sessions|lesson|lessons|teach|schedule|please|skip(?:ping)?\s+closures|then|each|starting)(?![\w-])|[.,;:·–-]+/g;

/** The first teaching day that the phrase allows, for one that names no date. */
function firstDay({ school, today }: PhraseContext, repeat: FieldRepeat | undefined): string {
  if (repeat) return today;
  for (let i = 1; i < 120; i++)
    if (dayInfo(school, addDays(today, i)).teaching) return addDays(today, i);
  return addDays(today, 1);
}

function timeOfParts(
  parts: Parts,
  c: PhraseClass | undefined,
  first: string,
  { school, minutes = 50 }: PhraseContext,
): PlanTime {
  if (parts.at && 'bell' in parts.at) return { ...parts.at, minutes: parts.minutes ?? minutes };
  if (parts.start !== undefined)
    return { time: timeOf(parts.start), minutes: parts.minutes ?? minutes };
  if (parts.at) return parts.at;
  const known = school.bells.some((set) => set.periods.some((p) => p.label === c?.period));
  if (c?.period && known) return { period: c.period };
  const bell = bellsOn(school, first)[0];
  return {
    time: bell?.start ?? '09:00',
    minutes:
      parts.minutes ??
      (bell ? minuteOfDay(bell.end, 'end') - minuteOfDay(bell.start, 'start') : minutes),
  };
}

/**
 * A plan from a phrase as people type it: `Nav 3 every Mon and Wed in period 3 until term ends`, `tomorrow 14:00 for 40 minutes`,
 * `every second Thursday 13:30-15:00 x5`, `Ebb days period 2 for 8 weeks`, `Fridays 10 min after last bell`. What it leaves out
 * comes from the class period, the school and today; what cannot be read is given back with its place, and never guessed at.
 */
export function readPhrase(text: string, context: PhraseContext): ReadPhrase {
  const reading = new Reading(text);
  const parts: Parts = { closures: 'skip' };
  const ends: Partial<FieldRepeat> = {};
  reading.take(
    words(
      '(?:also\\s+|even\\s+)(?:on|in|during)\\s+(?:closures|holidays|closed\\s+days)',
      'keep(?:ing)?\\s+closures',
      'closures\\s+too',
    ),
    () => {
      parts.closures = 'keep';
    },
  );
  const c = readClass(reading, context.classes ?? []);
  readEnd(reading, ends, context.today);
  readTime(reading, parts, context);
  readRepeat(reading, parts, context);
  readFirst(reading, parts, context.today);
  const hasEnd = Object.keys(ends).length > 0;
  // An end makes a series of a single weekday: `Thursday x5`.
  const repeat =
    parts.repeat ??
    (hasEnd
      ? { every: 'week' as const, ...(parts.weekday ? { on: [parts.weekday] } : {}) }
      : undefined);
  const first = parts.first ?? firstDay(context, repeat);
  const once = repeat === undefined;
  const left = reading.rest.replace(FILLER, (filler) => ' '.repeat(filler.length));
  return {
    plan: {
      first,
      at: timeOfParts(parts, c, first, context),
      zone: context.school.zone,
      closures: once ? 'keep' : parts.closures,
      ...(once ? {} : { repeat: { ...repeat, ...ends } }),
    },
    ...(c ? { classId: c.id } : {}),
    unclear: [...left.matchAll(/\S+(?:\s\S+)*/g)].map((m) => ({
      text: text.slice(m.index, m.index + m[0].length),
      from: m.index,
      to: m.index + m[0].length,
    })),
  };
}
