import type { FieldRepeat } from '../repeat.js';
import type { Reading } from './reading.js';
import { COUNT, DATE, dateOfWords, numberOf, words } from './vocabulary.js';

const UNTIL = '(?:until|till|to)\\s+(?:the\\s+)?';
const END_OF = '(?:end\\s+of\\s+(?:the\\s+)?';
const NAMED: [RegExp, string][] = [
  [words(`${UNTIL}${END_OF}term|term\\s*(?:ends?|end|is\\s+over)|term)`), 'term-end'],
  [words(`${UNTIL}(?:exam(?:ination)?s?(?:\\s+(?:begin|start))?)`), 'exams'],
  [
    words(`${UNTIL}${END_OF}(?:school\\s+)?year|(?:school\\s+)?year\\s*(?:ends?|is\\s+over))`),
    'year-end',
  ],
];

/** Where a series ends: at a named end, on a date, after so many weeks or times. */
export function readEnd(reading: Reading, repeat: Partial<FieldRepeat>, today: string): void {
  const set = (part: Partial<FieldRepeat>): void => void Object.assign(repeat, part);
  for (const [pattern, until] of NAMED) if (reading.take(pattern, () => set({ until }))) return;
  const toDate = words(`(?:until|till|to|through)\\s+${DATE}`);
  const isDated = reading.take(toDate, ([, text]) => {
    const until = dateOfWords(text!, today);
    if (!until) return false;
    set({ until });
  });
  if (isDated) return;
  const forWeeks = words(`for\\s+${COUNT}\\s+weeks?`);
  if (reading.take(forWeeks, ([, n]) => set({ weeks: numberOf(n!) }))) return;
  const times = words('x\\s?(\\d{1,4})', '(\\d{1,4})\\s*(?:x|times|sessions)');
  reading.take(times, ([, a, b]) => set({ times: Number(a || b) }));
}
