import { WEEKDAYS, addDays, type Weekday } from '../time/dates.js';
import { wallClockAt } from '../time/instants.js';
import { plainRule } from './pattern.js';
import type { Occurrence, PlanChange, PlanRepeat, SessionPlan } from './plan.js';
import type { RuleSet } from './toRRule.js';

/** What a rule says nothing of. `first` is its DTSTART's local date. */
type Base = Pick<SessionPlan, 'first' | 'at' | 'zone'> & Partial<Pick<SessionPlan, 'closures'>>;

const MOST_INTERVAL = 52;
const MOST_TIMES = 1000;

/** UNTIL as a local date: a time in UTC is read on the plan's clock, and one before the session's own time ends the day before. */
function untilDate(value: string, { at, zone }: Base): string {
  const day = `${value.slice(0, 4)}-${value.slice(4, 6)}-${value.slice(6, 8)}`;
  const clock = /^\d{8}T(\d{2})(\d{2})(\d{2})Z$/.exec(value);
  if (!clock || value.endsWith('T235959Z') || value.endsWith('T000000Z')) return day;
  const { date, time } = wallClockAt(`${day}T${clock[1]}:${clock[2]}:${clock[3]}Z`, zone);
  return 'time' in at && time < at.time ? addDays(date, -1) : date;
}

const isWeekday = (day: string): day is Weekday => (WEEKDAYS as readonly string[]).includes(day);

/** A rule in our own fields, or undefined where they cannot say it. */
function fieldsOf(rule: string, base: Base): PlanRepeat | undefined {
  const parts = new Map(
    rule
      .toUpperCase()
      .split(';')
      .map((part) => part.split('=') as [string, string]),
  );
  const has = (...names: string[]): boolean =>
    [...parts.keys()].every((name) =>
      ['FREQ', 'INTERVAL', 'UNTIL', 'COUNT', 'WKST', ...names].includes(name),
    );
  const days = parts.get('BYDAY')?.split(',');
  const interval = Number(parts.get('INTERVAL') ?? 1);
  const count = parts.get('COUNT');
  // A count in a rule counts dates, ours counts sessions held: the same only where nothing is skipped.
  if (
    interval > MOST_INTERVAL ||
    (count !== undefined && (base.closures === 'skip' || Number(count) > MOST_TIMES))
  )
    return undefined;
  const until = parts.get('UNTIL');
  const more = {
    ...(interval === 1 ? {} : { interval }),
    ...(until === undefined ? {} : { until: untilDate(until, base) }),
    ...(count === undefined ? {} : { times: Number(count) }),
  };
  const plainDays =
    days === undefined || days.every(isWeekday) ? (days as Weekday[] | undefined) : undefined;
  const on = plainDays ? { on: WEEKDAYS.filter((day) => plainDays.includes(day)) } : {};
  switch (parts.get('FREQ')) {
    case 'DAILY':
      return has('BYDAY') && (days === undefined || plainDays)
        ? { every: 'day', ...on, ...more }
        : undefined;
    case 'WEEKLY': {
      const weeksBeginElsewhere = interval > 1 && (parts.get('WKST') ?? 'MO') !== 'MO';
      return has('BYDAY') && !weeksBeginElsewhere && (days === undefined || plainDays)
        ? { every: 'week', ...on, ...more }
        : undefined;
    }
    case 'MONTHLY': {
      const nth =
        days?.length === 1 ? /^\+?(-1|[1-5])(MO|TU|WE|TH|FR|SA|SU)$/.exec(days[0]!) : null;
      if (nth && has('BYDAY'))
        return {
          every: 'month',
          nth: { n: Number(nth[1]) as 1, weekday: nth[2] as Weekday },
          ...more,
        };
      const day = parts.get('BYMONTHDAY');
      if (day !== undefined && has('BYMONTHDAY') && /^\+?([1-9]|[12]\d|3[01])$/.test(day))
        return { every: 'month', monthDay: Number(day), ...more };
      return has() ? { every: 'month', ...more } : undefined;
    }
    default:
      return undefined;
  }
}

const isMovedFrom = (o: Occurrence, { at }: Base): boolean =>
  o.status === 'moved' ||
  ('time' in at && (o.date !== o.key || o.time !== at.time || o.minutes !== at.minutes));

/**
 * The plan that a rule with its exceptions stands for: `repeat` in our own fields where they can say it, else the rule as it
 * is; exdates are cancelled dates, rdates extra ones, overrides moves. Closures are kept unless the base says otherwise:
 * whoever wrote the rule knew nothing of the school's. Throws GlenInputError at `repeat.rrule` for a rule that no plan can hold.
 */
export function fromRRule(
  { rrule, exdates = [], rdates = [], overrides = [] }: Partial<RuleSet>,
  base: Base,
): SessionPlan {
  const rule = rrule === undefined ? undefined : plainRule(rrule);
  const repeat: PlanRepeat | undefined =
    rule === undefined ? undefined : (fieldsOf(rule, base) ?? { rrule: rule });
  const changes: PlanChange[] = [
    ...exdates.map((key): PlanChange => ({ key, kind: 'cancel' })),
    ...overrides
      .filter((o) => isMovedFrom(o, base))
      .map(({ key, date, time, minutes, why }): PlanChange => ({
        key,
        kind: 'move',
        date,
        time,
        minutes,
        ...(why ? { note: why } : {}),
      })),
  ];
  return {
    first: base.first,
    at: base.at,
    zone: base.zone,
    closures: base.closures ?? 'keep',
    ...(repeat ? { repeat } : {}),
    ...(rdates.length > 0 ? { alsoOn: [...rdates] } : {}),
    ...(changes.length > 0 ? { changes } : {}),
  };
}
