import type { SchoolCalendar } from '../calendar/school.js';
import { fail } from '../input.js';
import { addDays } from '../time/dates.js';
import { cutPlan } from './cutPlan.js';
import { expandPlan } from './expandPlan.js';
import type { SessionPlan } from './plan.js';
import { spelledOut, wholeWindow } from './toRRule.js';

/** What a copy takes: from which day on, and without which of its dates. */
export interface CopyWish {
  from?: string;
  except?: string[];
}

/** The part of a plan that lies on a day or after it. Throws GlenInputError where nothing does. */
function planFrom(plan: SessionPlan, school: SchoolCalendar, from: string): SessionPlan {
  const window = wholeWindow(plan, school);
  const later = { from, to: addDays(from > window.to ? from : window.to, 1) };
  if (!expandPlan(plan, school, later).some((row) => row.key >= from))
    fail('from', 'Nothing of it lies on that day or after it.');
  return cutPlan(plan, school, from)?.tail ?? plan;
}

/**
 * A plan for another class period: at that one's own bell period, where the plan goes by a bell period and the school has
 * it; from a day on and without some dates, where that is wished. Single changes are not copied.
 */
export function planForClass(
  plan: SessionPlan,
  period: string | null,
  school: SchoolCalendar,
  { from, except = [] }: CopyWish = {},
): SessionPlan {
  const { changes: _changes, ...rest } = plan;
  const isKnown =
    period !== null && school.bells.some((set) => set.periods.some((p) => p.label === period));
  const there = 'period' in plan.at && isKnown ? { ...rest, at: { period } } : rest;
  const later = from === undefined ? there : planFrom(there, school, from);
  if (except.length === 0) return later;
  const out = [...new Set([...(later.except ?? []), ...except])].sort();
  return { ...later, except: out.filter((date) => !later.alsoOn?.includes(date)) };
}

/**
 * A plan for the term after the one that its first date lies in (or that follows it): from its first day on, to its end
 * where the plan ended with a term or by a date; counts and weeks stay. Single changes, extra dates and those left out are not copied.
 */
export function planForNextTerm(plan: SessionPlan, school: SchoolCalendar): SessionPlan {
  const at = school.terms.findIndex((term) => term.last >= plan.first);
  const next = at === -1 ? undefined : school.terms[at + 1];
  if (!next) fail('first', 'The calendar has no term after that one.');
  const { changes: _changes, alsoOn: _alsoOn, except: _except, ...rest } = plan;
  if (!plan.repeat || 'rrule' in plan.repeat)
    fail('repeat', 'Only a repeating series of our own kind can be copied to another term.');
  const { until, ...repeat } = spelledOut(plan.repeat, plan.first);
  return {
    ...rest,
    first: next.first,
    repeat: {
      ...repeat,
      ...(until === undefined
        ? {}
        : { until: until === 'year-end' || until === 'exams' ? until : 'term-end' }),
    },
  };
}

/** Whether a phrase, a sheet or a feed would call it a series: more than one date. */
export const repeats = (plan: Pick<SessionPlan, 'repeat' | 'alsoOn'>): boolean =>
  plan.repeat !== undefined || (plan.alsoOn?.length ?? 0) > 0;
