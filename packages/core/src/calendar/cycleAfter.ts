import { addDays } from '../time/dates.js';
import { dayInfo } from './dayInfo.js';
import type { SchoolCalendar } from './school.js';

/** The first school day after a closure, and its cycle day in either way. */
export interface CycleAfter {
  date: string;
  /** Where the cycle waits for the closure to be over. */
  shifted: string;
  /** Where the days of the closure use up their labels. */
  goesOn: string;
}

/** School days that are looked for at most so far after a closure. */
const FAR_DAYS = 30;

/**
 * What a closure makes of the cycle: shifted by its days, or going on as if they had been taught. Undefined where there is no
 * cycle of teaching days, where both come to the same, or where no school day follows.
 */
export function cycleAfter(school: SchoolCalendar, at: number): CycleAfter | undefined {
  const closure = school.closures[at];
  if (!closure || school.cycle?.counts !== 'teaching-days') return undefined;
  const { cycle: _cycle, ...bare } = closure;
  const withClosure = (one: typeof closure): SchoolCalendar => ({
    ...school,
    closures: school.closures.map((other, i) => (i === at ? one : other)),
  });
  const [waits, goes] = [withClosure(bare), withClosure({ ...bare, cycle: 'goes-on' })];
  for (let i = 1; i <= FAR_DAYS; i++) {
    const date = addDays(closure.last, i);
    const [shifted, goesOn] = [dayInfo(waits, date).cycleDay, dayInfo(goes, date).cycleDay];
    if (shifted === undefined || goesOn === undefined) continue;
    return shifted === goesOn ? undefined : { date, shifted, goesOn };
  }
  return undefined;
}
