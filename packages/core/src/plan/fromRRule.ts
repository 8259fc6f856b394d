import { WEEKDAYS, addDays, type Weekday } from '../time/dates.js';
import { wallClockAt } from '../time/instants.js';
import { plainRule } from './pattern.js';
import type { Occurrence, PlanChange, PlanRepeat, SessionPlan } from './plan.js';
import type { FieldRepeat } from './repeat.js';
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

type RuleParts = Map<string, string>;

/** Parts that say nothing of which days are meant. */
const COMMON = ['FREQ', 'INTERVAL', 'UNTIL', 'COUNT', 'WKST'];

/** Whether a rule has no part but the common ones and those named. */
const hasOnly = (parts: RuleParts, ...names: string[]): boolean =>
  [...parts.keys()].every((name) => COMMON.includes(name) || names.includes(name));

/** How often and how long; undefined where our fields count otherwise. */
function limitsOf(parts: RuleParts, base: Base) {
  const interval = Number(parts.get('INTERVAL') ?? 1);
  const count = parts.get('COUNT');
  const until = parts.get('UNTIL');
  if (interval > MOST_INTERVAL || Number(count ?? 0) > MOST_TIMES) return undefined;
  // A count in a rule counts dates, ours counts sessions held: the same only where nothing is skipped.
  if (count !== undefined && base.closures === 'skip') return undefined;
  return {
    ...(interval === 1 ? {} : { interval }),
    ...(until === undefined ? {} : { until: untilDate(until, base) }),
    ...(count === undefined ? {} : { times: Number(count) }),
  };
}

/** The weekdays a rule names, in the week's order; undefined where it names one by its place in the month. */
function plainDays(parts: RuleParts): { on?: Weekday[] } | undefined {
  const days = parts.get('BYDAY')?.split(',');
  if (days === undefined) return {};
  if (!days.every(isWeekday)) return undefined;
  return { on: WEEKDAYS.filter((day) => days.includes(day)) };
}

type MonthDay = Pick<FieldRepeat, 'nth' | 'monthDay'>;

/** On which day of the month, by its number or as a weekday of it; undefined where our fields cannot say it. */
function monthDayOf(parts: RuleParts): MonthDay | undefined {
  if (hasOnly(parts)) return {};
  const nth = /^\+?(-1|[1-5])(MO|TU|WE|TH|FR|SA|SU)$/.exec(parts.get('BYDAY') ?? '');
  if (nth && hasOnly(parts, 'BYDAY'))
    return { nth: { n: Number(nth[1]) as 1, weekday: nth[2] as Weekday } };
  const day = parts.get('BYMONTHDAY') ?? '';
  if (hasOnly(parts, 'BYMONTHDAY') && /^\+?([1-9]|[12]\d|3[01])$/.test(day))
    return { monthDay: Number(day) };
  return undefined;
}

/** A rule in our own fields, or undefined where they cannot say it. */
function fieldsOf(rule: string, base: Base): PlanRepeat | undefined {
  const named = rule.toUpperCase().split(';');
  const parts: RuleParts = new Map(named.map((part) => part.split('=') as [string, string]));
  const limits = limitsOf(parts, base);
  if (!limits) return undefined;
  const days = hasOnly(parts, 'BYDAY') ? plainDays(parts) : undefined;
  switch (parts.get('FREQ')) {
    case 'DAILY':
      return days && { every: 'day', ...days, ...limits };
    case 'WEEKLY': {
      const weeksBeginElsewhere = 'interval' in limits && (parts.get('WKST') ?? 'MO') !== 'MO';
      return days && !weeksBeginElsewhere ? { every: 'week', ...days, ...limits } : undefined;
    }
    case 'MONTHLY': {
      const day = monthDayOf(parts);
      return day && { every: 'month', ...day, ...limits };
    }
    default:
      return undefined;
  }
}

/** A rule in our fields, else as it is. A count counts what is left out as well in a rule (RFC 5545), and does not in our fields. */
function repeatOf(rule: string, base: Base, isAnyLeftOut: boolean): PlanRepeat {
  const isCounted = isAnyLeftOut && /COUNT=/i.test(rule);
  return (isCounted ? undefined : fieldsOf(rule, base)) ?? { rrule: rule };
}

const isMovedFrom = (o: Occurrence, { at }: Base): boolean =>
  o.status === 'moved' ||
  ('time' in at && (o.date !== o.key || o.time !== at.time || o.minutes !== at.minutes));

/**
 * The plan that a rule with its exceptions stands for: `repeat` in our own fields where they can say it, else the rule as it
 * is; exdates are dates that are left out (of rdates too: RFC 5545, 3.8.5.1), rdates extra ones, overrides moves. Closures are kept unless the base says otherwise:
 * whoever wrote the rule knew nothing of the school's. Throws GlenInputError at `repeat.rrule` for a rule that no plan can hold.
 */
export function fromRRule(
  { rrule, exdates = [], rdates = [], overrides = [] }: Partial<RuleSet>,
  base: Base,
): SessionPlan {
  const rule = rrule === undefined ? undefined : plainRule(rrule);
  const repeat = rule === undefined ? undefined : repeatOf(rule, base, exdates.length > 0);
  const changes = overrides
    .filter((o) => isMovedFrom(o, base))
    .map(({ key, date, time, minutes, why }): PlanChange => ({
      key,
      kind: 'move',
      date,
      time,
      minutes,
      ...(why ? { note: why } : {}),
    }));
  const extra = rdates.filter((date) => !exdates.includes(date));
  return {
    first: base.first,
    at: base.at,
    zone: base.zone,
    closures: base.closures ?? 'keep',
    ...(repeat ? { repeat } : {}),
    ...(extra.length > 0 ? { alsoOn: extra } : {}),
    ...(exdates.length > 0 ? { except: [...exdates] } : {}),
    ...(changes.length > 0 ? { changes } : {}),
  };
}
