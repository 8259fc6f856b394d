import { checkOneOf, checkWhole, fail } from '../input.js';
import type { SchoolIndex } from '../calendar/school.js';
import { dayNumber, minuteOfDay } from '../time/dates.js';
import { checkZone } from '../time/instants.js';
import type { PlanChange, PlanRepeat, SessionPlan } from './plan.js';
import { checkRepeat } from './repeat.js';

const LONGEST = 1440;

function checkOffset(
  school: SchoolIndex,
  period: string,
  edge: 'start' | 'end',
  offset: number,
): void {
  for (const periods of school.bells.values()) {
    const bell = findPeriod(periods, period);
    const start = bell && bell[edge] + offset;
    if (start !== undefined && (start < 0 || start >= 1440))
      fail('at.bell.offset', 'That many minutes would put the start on another day.');
  }
}

/** The bell period of a set by its label, or its `first` or `last`. */
export function findPeriod<P extends { label: string }>(
  periods: P[],
  label: string,
): P | undefined {
  if (label === 'first') return periods[0];
  if (label === 'last') return periods[periods.length - 1];
  return periods.find((p) => p.label === label);
}

function checkBellPlan(
  plan: SessionPlan,
  school: SchoolIndex | null,
  label: string,
  path: string,
): void {
  if (!school) fail(path, 'A bell period needs a school calendar.');
  if (plan.zone !== school.zone)
    fail('zone', `Bells ring in ${school.zone}; this plan is in ${plan.zone}.`);
  const known = [...school.bells.values()].some((periods) => findPeriod(periods, label));
  if (typeof label !== 'string' || !known) fail(path, `No bell set has a period ${String(label)}.`);
}

function checkAt(plan: SessionPlan, school: SchoolIndex | null): void {
  const at = plan.at;
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- wrong input is answered, not trusted
  if (typeof at !== 'object' || at === null)
    fail('at', 'Say at what time or in which bell period.');
  const forms = ['time', 'period', 'bell'].filter((field) => field in at);
  if (forms.length !== 1)
    fail('at', 'Give a time, a bell period, or minutes from a bell: one of the three.');
  if ('period' in at) {
    if (at.period === 'first' || at.period === 'last')
      fail('at.period', `No bell set has a period ${at.period}.`);
    checkBellPlan(plan, school, at.period, 'at.period');
    return;
  }
  checkWhole(at.minutes, 1, LONGEST, 'at.minutes');
  if ('time' in at) {
    minuteOfDay(at.time, 'at.time');
    return;
  }
  checkOneOf(at.bell.edge, ['start', 'end'] as const, 'at.bell.edge');
  checkWhole(at.bell.offset, -240, 240, 'at.bell.offset');
  checkBellPlan(plan, school, at.bell.period, 'at.bell.period');
  checkOffset(school!, at.bell.period, at.bell.edge, at.bell.offset);
}

function checkChange(change: PlanChange, path: string): void {
  dayNumber(change.key, `${path}.key`);
  if (checkOneOf(change.kind, ['cancel', 'move'] as const, `${path}.kind`) === 'cancel') return;
  const move = change as Extract<PlanChange, { kind: 'move' }>;
  dayNumber(move.date, `${path}.date`);
  if (move.time !== undefined) minuteOfDay(move.time, `${path}.time`);
  if (move.minutes !== undefined) checkWhole(move.minutes, 1, LONGEST, `${path}.minutes`);
}

function checkAnyRepeat(repeat: PlanRepeat, first: string, school: SchoolIndex | null): void {
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- wrong input is answered, not trusted
  if (typeof repeat !== 'object' || repeat === null) fail('repeat', 'Say how often it repeats.');
  if (!('rrule' in repeat)) return checkRepeat(repeat, dayNumber(first, 'first'), school);
  const more = Object.keys(repeat).find((field) => field !== 'rrule');
  if (more) fail(`repeat.${more}`, 'A raw rule stands alone.');
}

/** What is left out cannot be added as well. */
function checkExcept({ except = [], alsoOn = [] }: SessionPlan): void {
  except.forEach((date, i) => dayNumber(date, `except.${i}`));
  const both = except.find((date) => alsoOn.includes(date));
  if (both) fail('except', `${both} is left out, and added as well.`);
}

/** Throws GlenInputError at the first field of the plan that is wrong. */
export function checkPlan(plan: SessionPlan, school: SchoolIndex | null): void {
  dayNumber(plan.first, 'first');
  checkZone(plan.zone, 'zone');
  checkOneOf(plan.closures, ['skip', 'keep'] as const, 'closures');
  checkAt(plan, school);
  if (plan.repeat !== undefined) checkAnyRepeat(plan.repeat, plan.first, school);
  plan.alsoOn?.forEach((date, i) => dayNumber(date, `alsoOn.${i}`));
  checkExcept(plan);
  plan.changes?.forEach((change, i) => checkChange(change, `changes.${i}`));
}
