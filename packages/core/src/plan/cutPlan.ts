import { indexSchool, type SchoolCalendar, type SchoolIndex } from '../calendar/school.js';
import { addDays, dateOf, dayNumber } from '../time/dates.js';
import { expandPlan, isHeld } from './expandPlan.js';
import { patternDays } from './pattern.js';
import type { PlanChange, PlanRepeat, SessionPlan } from './plan.js';
import { lastDay, type FieldRepeat } from './repeat.js';

/** A plan without the fields that say nothing. */
export function tidy(plan: SessionPlan): SessionPlan {
  const { repeat, alsoOn, except, changes, ...rest } = plan;
  return {
    ...rest,
    ...(repeat ? { repeat } : {}),
    ...(alsoOn?.length ? { alsoOn } : {}),
    ...(except?.length ? { except } : {}),
    ...(changes?.length ? { changes } : {}),
  };
}

/** A raw rule that stops before a day, and the one that goes on from there. */
function cutRule(rrule: string, before: string, passed: number): Ends {
  const bare = rrule.replace(/;?(UNTIL|COUNT)=[^;]*/gi, '');
  const rest = (_: string, count: string): string => `COUNT=${Number(count) - passed}`;
  return {
    head: { rrule: `${bare};UNTIL=${before.replaceAll('-', '')}T235959Z` },
    tail: { rrule: rrule.replace(/COUNT=(\d+)/i, rest) },
  };
}

/** How a cut repeat ends before the key, and goes on after it. */
interface Ends {
  head?: PlanRepeat;
  tail?: PlanRepeat;
}

/** Where a plan is cut, and what lies on either side of it. */
interface Place {
  plan: SessionPlan;
  school: SchoolCalendar | null;
  index: SchoolIndex | null;
  /** The date of the cut: the first that goes to the tail. */
  key: string;
  cut: number;
  first: number;
}

/** How many dates of the pattern are held before the cut. */
const heldBefore = ({ plan, school, key }: Place): number =>
  expandPlan({ ...plan, alsoOn: [], changes: [] }, school, {
    from: plan.first,
    to: key,
  }).filter(isHeld).length;

function cutFields(repeat: FieldRepeat, place: Place): Ends {
  const { plan, index, first, cut, key } = place;
  const { times, weeks, until, ...bare } = repeat;
  const dayBefore = addDays(key, -1);
  const last = lastDay(repeat, first, index);
  const held = heldBefore(place);
  const isOver = (last !== undefined && last < cut) || (times !== undefined && held >= times);
  // Weeks counted from the old beginning end where they did; a count goes on where the first part left it.
  const ends = weeks === undefined ? {} : { until: dateOf(last!) };
  return {
    head: isOver ? repeat : { ...bare, until: dayBefore < plan.first ? plan.first : dayBefore },
    tail: {
      ...bare,
      ...(until === undefined ? {} : { until }),
      ...ends,
      ...(times === undefined ? {} : { times: times - held }),
    },
  };
}

function cutRepeat(place: Place, passed: number): Ends {
  const { repeat } = place.plan;
  if (!repeat) return {};
  if ('rrule' in repeat) return cutRule(repeat.rrule, addDays(place.key, -1), passed);
  return cutFields(repeat, place);
}

/** The dates and changes that go with one side of the cut. */
interface Side {
  alsoOn: string[];
  except: string[];
  changes: PlanChange[];
}

function sidesOf(plan: SessionPlan, key: string): { before: Side; after: Side } {
  const { alsoOn = [], except = [], changes = [] } = plan;
  return {
    before: {
      alsoOn: alsoOn.filter((date) => date < key),
      except: except.filter((date) => date < key),
      changes: changes.filter((c) => c.key < key),
    },
    after: {
      alsoOn: alsoOn.filter((date) => date >= key),
      except: except.filter((date) => date >= key),
      changes: changes.filter((c) => c.key >= key),
    },
  };
}

/** A side on which the pattern has nothing: its extra dates stand by themselves. */
function onlyExtra(plan: SessionPlan, key: string, side: Side): SessionPlan {
  const { repeat: _repeat, ...rest } = plan;
  return tidy({ ...rest, first: side.alsoOn[0] ?? key, ...side, except: [] });
}

/** How far beyond the cut the next date of the pattern is looked for, in days. */
const A_YEAR = 366;

interface Cut {
  head: SessionPlan;
  tail: SessionPlan;
}

/** A plan cut before a key: dates, extra dates and changes go to the side on which their keys lie; null where no date lies before. */
export function cutPlan(plan: SessionPlan, school: SchoolCalendar | null, key: string): Cut | null {
  const index = school ? indexSchool(school) : null;
  const first = dayNumber(plan.first, 'first');
  const cut = dayNumber(key, 'key');
  const place: Place = { plan, school, index, key, cut, first };
  const { before, after } = sidesOf(plan, key);
  const passed = [...patternDays(plan, first, index, cut - 1)];
  const isAnyBefore = passed.some((day) => !before.except.includes(dateOf(day)));
  if (!isAnyBefore && before.alsoOn.length === 0) return null;
  const { head, tail } = cutRepeat(place, passed.length);
  const next = [...patternDays(plan, first, index, cut + A_YEAR)].find((day) => day >= cut);
  const timesLeft = tail && 'times' in tail ? (tail.times ?? 1) : 1;
  const isTailOver = next === undefined || timesLeft < 1;
  return {
    head: !isAnyBefore
      ? onlyExtra(plan, key, before)
      : tidy({ ...plan, ...(head ? { repeat: head } : {}), ...before }),
    tail: isTailOver
      ? onlyExtra(plan, key, after)
      : tidy({ ...plan, first: dateOf(next), ...(tail ? { repeat: tail } : {}), ...after }),
  };
}
