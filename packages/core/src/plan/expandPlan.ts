import { fail } from '../input.js';
import { bellSetOn, closedBy, noTeachingOn } from '../calendar/dayInfo.js';
import { indexSchool, type SchoolCalendar, type SchoolIndex } from '../calendar/school.js';
import { dateOf, dayNumber, minuteOfDay, timeOf } from '../time/dates.js';
import { placeOnDay } from '../time/zoneTable.js';
import { patternDays } from './pattern.js';
import { checkPlan, findPeriod } from './checkPlan.js';
import type { Occurrence, PlanChange, SessionPlan } from './plan.js';

/** Local dates, `from ≤ date < to`. */
export interface Window {
  from: string;
  to: string;
}

type Skip = Pick<Occurrence, 'reason' | 'why'>;
/** A wall-clock time, as text and as minutes after midnight, and a length in minutes. */
type Timed = { time: string; minute: number; minutes: number };

const TEN_YEARS = 3653;

/** What the plan's rule gives on a day: a wall-clock time and length, or why no bell gives one. */
type TimeOn = (day: number) => Timed | Skip;

function timesOf(plan: SessionPlan, school: SchoolIndex | null): TimeOn {
  const at = plan.at;
  if ('time' in at) {
    const always = { time: at.time, minute: minuteOfDay(at.time, 'at.time'), minutes: at.minutes };
    return () => always;
  }
  const label = 'period' in at ? at.period : at.bell.period;
  return (day) => {
    const set = bellSetOn(school!, day);
    if (set === undefined) return { reason: 'no-bells', why: noTeachingOn(day) };
    const bell = findPeriod(school!.bells.get(set)!, label);
    if (!bell) return { reason: 'no-period', why: `no period ${label} on ${set} bells` };
    const minute = 'period' in at ? bell.start : bell[at.bell.edge] + at.bell.offset;
    return {
      time: timeOf(minute),
      minute,
      minutes: 'period' in at ? bell.end - bell.start : at.minutes,
    };
  };
}

const isTimed = (t: Timed | Skip): t is Timed => 'time' in t;

/** One date of the pattern before any change: held, or skipped with its reason. `closed`: why the school is, where that matters. */
function placeDate(
  plan: SessionPlan,
  timeOn: TimeOn,
  day: number,
  closed: Skip | undefined,
): Occurrence {
  const key = dateOf(day);
  const timed = timeOn(day);
  const skip: Skip | undefined = closed ?? (isTimed(timed) ? undefined : timed);
  if (isTimed(timed)) {
    const { date, time, start, end } = placeOnDay(
      day,
      timed.minute,
      timed.minutes,
      plan.zone,
      key,
      timed.time,
    );
    return skip
      ? { key, date, time, minutes: timed.minutes, start, end, status: 'skipped', ...skip }
      : { key, date, time, minutes: timed.minutes, start, end, status: 'planned' };
  }
  const midnight = placeOnDay(day, 0, 0, plan.zone).start;
  return {
    key,
    date: key,
    time: '00:00',
    minutes: 0,
    start: midnight,
    end: midnight,
    untimed: true,
    status: 'skipped',
    ...skip,
  };
}

/** Whether the pattern itself holds a day: open, where closures are skipped, and with a bell that gives its time. */
function isHeldByPattern(
  plan: SessionPlan,
  school: SchoolIndex | null,
  timeOn: TimeOn,
  day: number,
): boolean {
  return !(school && plan.closures === 'skip' && closedBy(school, day)) && isTimed(timeOn(day));
}

function applyChange(
  plan: SessionPlan,
  timeOn: TimeOn,
  row: Occurrence,
  change: PlanChange,
): Occurrence {
  const note = change.note === undefined ? {} : { why: change.note };
  if (change.kind === 'cancel')
    return row.status === 'skipped' ? row : { ...row, status: 'cancelled', ...note };
  const onNew = timeOn(dayNumber(change.date, 'date'));
  const onOld = timeOn(dayNumber(row.key, 'key'));
  const rule = [onNew, onOld].find(isTimed);
  const time = change.time ?? rule?.time;
  const minutes = change.minutes ?? rule?.minutes;
  if (time === undefined || minutes === undefined) return row;
  return {
    key: row.key,
    minutes,
    ...placeOnDay(dayNumber(change.date, 'date'), minuteOfDay(time, 'time'), minutes, plan.zone),
    status: 'moved',
    was: { date: row.date, time: row.time, minutes: row.minutes },
    ...note,
  };
}

/** Where an occurrence comes from ISO text alone, code units order instants and dates alike. */
const byStart = (a: Occurrence, b: Occurrence): number =>
  a.start === b.start ? compare(a.key, b.key) : compare(a.start, b.start);
const compare = (a: string, b: string): number => Number(a > b) - Number(a < b);

/** How far the pattern must be followed: to the window's end, and to the keys of changes that may move into it. */
function horizonOf(plan: SessionPlan, to: number): number {
  return Math.max(to, ...(plan.changes ?? []).map((change) => dayNumber(change.key, 'key')));
}

/** The pattern's days up to the horizon, less those that are left out; `times` ends them by counting those held. */
function daysOf(
  plan: SessionPlan,
  school: SchoolIndex | null,
  timeOn: TimeOn,
  horizon: number,
): number[] {
  const times = plan.repeat && 'times' in plan.repeat ? plan.repeat.times : undefined;
  const except = new Set((plan.except ?? []).map((date) => dayNumber(date, 'except')));
  const days: number[] = [];
  let held = 0;
  for (const day of patternDays(plan, dayNumber(plan.first, 'first'), school, horizon)) {
    if (except.has(day)) continue;
    days.push(day);
    if (times !== undefined && isHeldByPattern(plan, school, timeOn, day) && ++held === times)
      break;
  }
  return days;
}

/** Sorts only what is not in order yet, which a pattern nearly always is. */
function inOrder(rows: Occurrence[]): Occurrence[] {
  for (let i = 1; i < rows.length; i++)
    if (byStart(rows[i - 1]!, rows[i]!) > 0) return rows.sort(byStart);
  return rows;
}

/**
 * Every occurrence of a plan whose date (where it stands now) falls in the window, sorted by start,
 * then key: held, moved, cancelled and skipped ones alike. The pattern never depends on the window.
 * Throws GlenInputError with the path of the field at fault.
 */
export function expandPlan(
  plan: SessionPlan,
  school: SchoolCalendar | null,
  window: Window,
): Occurrence[] {
  const from = dayNumber(window.from, 'window.from');
  const to = dayNumber(window.to, 'window.to');
  if (from > to) fail('window.from', 'The window begins after it ends.');
  if (to - from > TEN_YEARS) fail('window.to', 'Ask for ten years at the most.');
  const index = school ? indexSchool(school) : null;
  checkPlan(plan, index);

  const timeOn = timesOf(plan, index);
  const extra = new Set((plan.alsoOn ?? []).map((date) => dayNumber(date, 'alsoOn')));
  const pattern = daysOf(plan, index, timeOn, horizonOf(plan, to));
  const days = extra.size === 0 ? pattern : [...new Set([...pattern, ...extra])];
  const lastChange = new Map(
    (plan.changes ?? []).map((change) => [dayNumber(change.key, 'key'), change]),
  );

  const found: Occurrence[] = [];
  const closedOn = (day: number): Skip | undefined =>
    index && plan.closures === 'skip' && !extra.has(day) ? closedBy(index, day) : undefined;
  for (const day of days) {
    const change = lastChange.get(day);
    // A date that nobody moved stands within a day of itself (a gap of the clocks may carry it on).
    if (change?.kind !== 'move' && (day < from - 1 || day > to)) continue;
    const placed = placeDate(plan, timeOn, day, closedOn(day));
    const row = change ? applyChange(plan, timeOn, placed, change) : placed;
    if (window.from <= row.date && row.date < window.to) found.push(row);
  }
  return inOrder(found);
}

/** Whether an occurrence takes place. */
export const isHeld = (o: Pick<Occurrence, 'status'>): boolean =>
  o.status === 'planned' || o.status === 'moved';
