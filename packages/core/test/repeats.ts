import fc from 'fast-check';

import {
  GlenInputError,
  WEEKDAYS,
  expandPlan,
  isHeld,
  type PlanRepeat,
  type SchoolCalendar,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

export const YEAR = { from: '2026-09-01', to: '2027-09-01' };

export const plan = (repeat: PlanRepeat, more: Partial<SessionPlan> = {}): SessionPlan =>
  oncePlan('2026-10-14', { closures: 'keep', repeat, ...more });

export const dates = (
  p: SessionPlan,
  window = YEAR,
  of: SchoolCalendar | null = school,
): string[] =>
  expandPlan(p, of, window)
    .filter(isHeld)
    .map((o) => o.date);

export const pathOf = (p: SessionPlan, of: SchoolCalendar | null = school): string => {
  try {
    expandPlan(p, of, YEAR);
    return 'no error';
  } catch (error) {
    if (error instanceof GlenInputError) return error.path;
    throw error;
  }
};

export const HALIFAX = 'America/Halifax';

export const anyRepeat: fc.Arbitrary<PlanRepeat> = fc.oneof(
  fc.record({
    every: fc.constant('week' as const),
    interval: fc.integer({ min: 1, max: 4 }),
    on: fc.subarray([...WEEKDAYS], { minLength: 1 }),
  }),
  fc.record({ every: fc.constant('day' as const), interval: fc.integer({ min: 1, max: 9 }) }),
  fc.record({
    every: fc.constant('month' as const),
    interval: fc.integer({ min: 1, max: 3 }),
    monthDay: fc.integer({ min: 1, max: 31 }),
  }),
  fc.record({
    every: fc.constant('month' as const),
    nth: fc.record({
      n: fc.constantFrom<1 | 2 | 3 | 4 | 5 | -1>(1, 2, 3, 4, 5, -1),
      weekday: fc.constantFrom(...WEEKDAYS),
    }),
  }),
);

/** The same repeat as RFC 5545 writes it, with DTSTART on the first date that fits. */
export function ruleOf(repeat: Exclude<PlanRepeat, { rrule: string }>): string {
  const interval = `INTERVAL=${repeat.interval ?? 1}`;
  if (repeat.every === 'day') return `FREQ=DAILY;${interval}`;
  if (repeat.every === 'week')
    return `FREQ=WEEKLY;${interval};WKST=MO;BYDAY=${repeat.on!.join(',')}`;
  return repeat.nth
    ? `FREQ=MONTHLY;BYDAY=${repeat.nth.n}${repeat.nth.weekday}`
    : `FREQ=MONTHLY;${interval};BYMONTHDAY=${repeat.monthDay}`;
}
