import type { Weekday } from '../../time/dates.js';
import type { FieldRepeat } from '../repeat.js';
import type { Parts, PhraseContext, Reading } from './reading.js';
import {
  DAY,
  NTH,
  NUMBERS,
  list,
  numberOf,
  oneOf,
  weekdayOfWord,
  weekdaysIn,
  words,
} from './vocabulary.js';

/** One way to say how often: what it looks like, and what it means; false where it means something else. */
type Saying = [RegExp, (match: string[]) => FieldRepeat | false];

const SCHOOL_WEEK: Weekday[] = ['MO', 'TU', 'WE', 'TH', 'FR'];
const nth = `(${Object.keys(NTH).join('|')})`;
const steps = `(${Object.keys(NUMBERS).join('|')}|\\d{1,2})`;
const isStep = (part: string): boolean => part in NUMBERS || /^\d+$/.test(part);

const MONTHLY: Saying[] = [
  [
    words(
      `(?:every\\s+month\\s+)?(?:on\\s+)?(?:the\\s+)?${nth}\\s+${DAY}\\s+(?:of\\s+)?(?:every|each|the)\\s+month`,
      `(?:every\\s+month|monthly)\\s+on\\s+the\\s+${nth}\\s+${DAY}`,
    ),
    ([, n1, d1, n2, d2]) => ({
      every: 'month',
      nth: { n: NTH[n1 || n2!]!, weekday: weekdayOfWord(d1 || d2!) },
    }),
  ],
  [
    words('(?:every\\s+month|monthly)\\s+on\\s+(?:day\\s+|the\\s+)(\\d{1,2})(?:st|nd|rd|th)?'),
    ([, day]) => ({ every: 'month', monthDay: Number(day) }),
  ],
  [words('every\\s+month', 'monthly'), () => ({ every: 'month' })],
];

const DAILY: Saying[] = [
  [
    words('(?:every|each|on)\\s+(?:school\\s*days?|teaching\\s+days?)', 'school\\s*days?'),
    () => ({ every: 'school-day' }),
  ],
  [words('(?:every|each|on)\\s+weekdays?', 'weekdays'), () => ({ every: 'week', on: SCHOOL_WEEK })],
  [
    words(`(?:every|each)\\s+${steps}\\s+days?`),
    ([, n]) => ({ every: 'day', interval: numberOf(n!) }),
  ],
  [words('(?:every|each)\\s+day', 'daily'), () => ({ every: 'day' })],
];

const WEEKLY: Saying[] = [
  [
    words(
      `(?:every|each)\\s+${steps}\\s+weeks?\\s+on\\s+(${list(DAY)})`,
      `(?:every|each)\\s+${steps}\\s+(${list(DAY)})`,
    ),
    ([whole, first, ...more]) => ({
      every: 'week',
      interval: numberOf(first || more.find(isStep)!),
      on: weekdaysIn(whole!),
    }),
  ],
  [
    words(`(?:every|each)\\s+${steps}\\s+weeks?`),
    ([, n]) => ({ every: 'week', interval: numberOf(n!) }),
  ],
  [
    words(`(?:every\\s+week|weekly)\\s+on\\s+(${list(DAY)})`, `(?:every|each)\\s+(${list(DAY)})`),
    ([whole]) => ({ every: 'week', on: weekdaysIn(whole!) }),
  ],
  [words('every\\s+week', 'weekly'), () => ({ every: 'week' })],
  [
    words(`(?:on\\s+)?${list(DAY)}`),
    ([whole]) => {
      const on = weekdaysIn(whole!);
      // `Fridays` repeats, `Friday` is one; two days at once can only be a series.
      const isSeries = /(?:days|[a-z]{3}s)$/.test(whole!.trim()) || on.length > 1;
      return isSeries && { every: 'week', on };
    },
  ],
];

/** "Ebb days": the school's own cycle. */
function cycleSaying(labels: string[]): Saying {
  const cycle = `(?:${oneOf(labels)})`;
  return [
    words(`(?:every\\s+|on\\s+)?((?:${cycle})(?:\\s+and\\s+${cycle})*)\\s+days?`),
    ([, named]) => ({
      every: 'school-day',
      cycleDays: labels.filter((label) => named!.includes(label.toLowerCase())),
    }),
  ];
}

/** How often: the first saying that fits. */
export function readRepeat(reading: Reading, parts: Parts, { school }: PhraseContext): void {
  const sayings = [cycleSaying(school.cycle?.labels ?? []), ...MONTHLY, ...DAILY, ...WEEKLY];
  for (const [pattern, meaning] of sayings) {
    const isTaken = reading.take(pattern, (match) => {
      const repeat = meaning(match);
      if (!repeat) return false;
      parts.repeat = repeat;
    });
    if (isTaken) return;
  }
}
