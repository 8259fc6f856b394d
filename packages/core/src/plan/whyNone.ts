import type { SchoolCalendar } from '../calendar/school.js';
import { WEEKDAY_NAMES, dateInWords } from '../time/dates.js';
import type { Occurrence, SessionPlan } from './plan.js';

const either = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)!}`;

/** Why a plan holds no session at all, in a sentence. `rows`: its occurrences, none of them held. */
export function whyNone(
  { repeat, first }: SessionPlan,
  school: SchoolCalendar,
  rows: Occurrence[],
): string {
  const [row] = rows;
  if (row?.status === 'cancelled') return 'Every date of it is cancelled.';
  if (row)
    return rows.length === 1
      ? `${dateInWords(row.date)}: ${row.why}.`
      : `All ${rows.length} dates are skipped, the first on ${dateInWords(row.date)}: ${row.why}.`;
  if (!repeat || 'rrule' in repeat) return 'Its rule gives no date.';
  if (repeat.cycleDays) {
    const days = repeat.on?.map((day) => WEEKDAY_NAMES[day]);
    if (days && days.every((_, i) => !(repeat.on![i]! in school.bellOn)))
      return `No ${either(repeat.cycleDays)} day falls on a ${either(days)}.`;
    return `No ${either(repeat.cycleDays)} day fits between ${dateInWords(first)} and its end.`;
  }
  return `No date fits between ${dateInWords(first)} and its end.`;
}
