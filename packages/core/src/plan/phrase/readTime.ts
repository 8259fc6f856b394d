import type { SchoolCalendar } from '../../calendar/school.js';
import type { Parts, PhraseContext, Reading } from './reading.js';
import { COUNT, TIME, clockOf, numberOf, oneOf, words } from './vocabulary.js';

const labelsOf = (school: SchoolCalendar): string[] => [
  ...new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label))),
];
const own = (typed: string, labels: string[]): string =>
  labels.find((l) => l.toLowerCase() === typed)!;

/** "10 min after last bell", "5 minutes before period 3". */
function readBell(reading: Reading, parts: Parts, labels: string[]): void {
  const bell = '(first|last)\\s+(?:bell|lesson|period)';
  const period = `(?:period\\s+|p)(${oneOf(labels)})`;
  const pattern = words(
    `${COUNT}\\s*(?:min(?:ute)?s?)\\s+(after|before)\\s+(?:the\\s+)?(?:${bell}|${period})`,
  );
  reading.take(pattern, ([, n, side, edge, label]) => {
    const isAfter = side === 'after';
    parts.at = {
      bell: {
        period: edge || own(label!, labels),
        edge: isAfter ? 'end' : 'start',
        offset: (isAfter ? 1 : -1) * numberOf(n!),
      },
      minutes: 0,
    };
  });
}

/** "for 40 minutes", "for an hour". */
function readLength(reading: Reading, parts: Parts): void {
  const length = (text: string, unit: string): number =>
    unit.startsWith('h') ? Number(text) * 60 : Number(text);
  const pattern = words(
    `for\\s+(\\d{1,4})\\s*(min(?:ute)?s?|h(?:ours?)?)`,
    `for\\s+an?\\s+(hour)()`,
  );
  reading.take(pattern, ([whole, n, unit, hour]) => {
    const isAnHour = hour || (/hour$/.test(whole!) && !n);
    parts.minutes = isAnHour ? 60 : length(n!, unit!);
  });
}

/** "13:30-15:00", "at 2pm". */
function readClock(reading: Reading, parts: Parts): void {
  const span = words(`(?:from\\s+|at\\s+)?${TIME}\\s*(?:-|–|to|until)\\s*${TIME}`);
  reading.take(span, ([, a, b]) => {
    const [start, end] = [clockOf(a!), clockOf(b!)];
    if (!(end > start)) return false;
    [parts.start, parts.minutes] = [start, end - start];
  });
  if (parts.start !== undefined) return;
  reading.take(words(`(?:at\\s+)?${TIME}`), ([, t]) => {
    const start = clockOf(t!);
    if (Number.isNaN(start)) return false;
    parts.start = start;
  });
}

/** When within its day: from a bell, by the clock, or in a bell period. */
export function readTime(reading: Reading, parts: Parts, { school }: PhraseContext): void {
  const labels = labelsOf(school);
  readBell(reading, parts, labels);
  readLength(reading, parts);
  readClock(reading, parts);
  if (parts.at || parts.start !== undefined) return;
  const period = words(`(?:in\\s+|during\\s+)?(?:period\\s+|p\\s?)(${oneOf(labels)})`);
  reading.take(period, ([, label]) => {
    parts.at = { period: own(label!, labels) };
  });
}
