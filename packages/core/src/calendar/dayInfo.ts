import { WEEKDAY_NAMES, dayNumber, mondayOf, weekdayOf } from '../time/dates.js';
import { indexSchool, type SchoolCalendar, type SchoolIndex } from './school.js';

export interface DayInfo {
  teaching: boolean;
  /** Why a day does not teach, in words. */
  why?: string;
  /** The bell set in force, taught or not. */
  bell?: string;
  cycleDay?: string;
  term?: string;
  /** Week of the term, from 1, Monday to Sunday. */
  week?: number;
}

/** The bell set in force on a day: the exception, else the weekday's; none where the weekday has none. */
export function bellSetOn(index: SchoolIndex, day: number): string | undefined {
  const usual = index.bellOn.get(weekdayOf(day));
  return usual === undefined ? undefined : (index.bellFor.get(day) ?? usual);
}

/** What keeps a day from being open, apart from its weekday: a closure, or lying outside all terms. */
export function closedBy(
  index: SchoolIndex,
  day: number,
): { reason: 'closure' | 'outside-term'; why: string } | undefined {
  const closure = index.closures.find((c) => c.first <= day && day <= c.last);
  if (closure) return { reason: 'closure', why: closure.name };
  if (!index.terms.some((t) => t.first <= day && day <= t.last))
    return { reason: 'outside-term', why: 'outside term' };
  return undefined;
}

export const noTeachingOn = (day: number): string =>
  `no teaching on ${WEEKDAY_NAMES[weekdayOf(day)]}s`;

const teaches = (index: SchoolIndex, day: number): boolean =>
  index.bellOn.has(weekdayOf(day)) && closedBy(index, day) === undefined;

/** Whether a day uses up a label of the cycle: it teaches, or would but for closures in which the cycle goes on. */
function usesLabel(index: SchoolIndex, day: number): boolean {
  if (!index.bellOn.has(weekdayOf(day))) return false;
  if (!index.terms.some((t) => t.first <= day && day <= t.last)) return false;
  return index.closures.every((c) => day < c.first || c.last < day || c.cycleGoesOn);
}

/** Days that use up a label from the cycle's first on and before a day; what was counted once is kept with the calendar's index. */
function labelledDaysBefore(
  index: SchoolIndex,
  cycle: NonNullable<SchoolIndex['cycle']>,
  day: number,
): number {
  const counts = index.labelledDays;
  for (let i = counts.length; i < day - cycle.from; i++)
    counts.push((counts[i - 1] ?? 0) + (usesLabel(index, cycle.from + i) ? 1 : 0));
  return counts[day - cycle.from - 1] ?? 0;
}

function cycleDayOn(index: SchoolIndex, day: number): string | undefined {
  const cycle = index.cycle;
  if (!cycle) return undefined;
  if (cycle.counts === 'weeks') {
    const weeks = (mondayOf(day) - mondayOf(cycle.from)) / 7;
    return weeks < 0 ? undefined : cycle.labels[weeks % cycle.labels.length];
  }
  if (day < cycle.from || !teaches(index, day)) return undefined;
  return cycle.labels[labelledDaysBefore(index, cycle, day) % cycle.labels.length];
}

/** What the school does on a date: does it teach, why not, which bells, cycle day, term and week. */
export function dayInfo(school: SchoolCalendar, date: string): DayInfo {
  return dayInfoAt(indexSchool(school), dayNumber(date, 'date'));
}

/** The same, of a calendar indexed before. */
export function dayInfoAt(index: SchoolIndex, day: number): DayInfo {
  const closed = closedBy(index, day);
  const bell = bellSetOn(index, day);
  const cycleDay = cycleDayOn(index, day);
  const term = index.terms.find((t) => t.first <= day && day <= t.last);
  const info: DayInfo = { teaching: !closed && bell !== undefined };
  if (!info.teaching) info.why = closed?.why ?? noTeachingOn(day);
  if (bell !== undefined) info.bell = bell;
  if (cycleDay !== undefined) info.cycleDay = cycleDay;
  if (term) {
    info.term = term.name;
    info.week = (mondayOf(day) - mondayOf(term.first)) / 7 + 1;
  }
  return info;
}

/** The bells of a date with their wall-clock times, in order; empty where its weekday has none. */
export function bellsOn(
  school: SchoolCalendar,
  date: string,
): { label: string; start: string; end: string }[] {
  const name = bellSetOn(indexSchool(school), dayNumber(date, 'date'));
  return school.bells.find((set) => set.name === name)?.periods ?? [];
}

/** How many Monday-to-Sunday weeks the days from one date to another (both inclusive) touch, and how many of the days teach. */
export function countDays(
  school: SchoolCalendar,
  from: string,
  to: string,
): { weeks: number; teachingDays: number } {
  const index = indexSchool(school);
  const [first, last] = [dayNumber(from, 'from'), dayNumber(to, 'to')];
  let teachingDays = 0;
  for (let day = first; day <= last; day++) if (teaches(index, day)) teachingDays++;
  return { weeks: (mondayOf(last) - mondayOf(first)) / 7 + 1, teachingDays };
}
