import type { SchoolCalendar } from '../calendar/school.js';
import { checkWhole } from '../input.js';
import { addDays } from '../time/dates.js';
import { wallClockAt } from '../time/instants.js';
import { secondsOf } from '../time/seconds.js';
import { expandPlan, isHeld } from './expandPlan.js';
import type { Occurrence, SessionPlan } from './plan.js';

/** Days looked through at a time; each look that finds too few goes twice as far, ten years at the most. */
const FIRST_LOOK = 366;
const FARTHEST = 3650;

/** The next `n` held occurrences that start at an instant or after it; fewer where the plan ends or runs dry within ten years. */
export function nextOccurrences(
  plan: SessionPlan,
  school: SchoolCalendar | null,
  from: string,
  n: number,
): Occurrence[] {
  secondsOf(from, 'from');
  checkWhole(n, 0, 1000, 'n');
  const day = addDays(wallClockAt(from, plan.zone).date, -1);
  for (let days = FIRST_LOOK; ; days = Math.min(FARTHEST, days * 2)) {
    const found = expandPlan(plan, school, { from: day, to: addDays(day, days) }).filter(
      (o) => isHeld(o) && o.start >= from,
    );
    if (found.length >= n || days === FARTHEST) return found.slice(0, n);
  }
}
