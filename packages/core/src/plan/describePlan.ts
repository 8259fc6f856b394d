import { RRuleTemporal } from 'rrule-temporal';
import { toText } from 'rrule-temporal/totext';
import type { SchoolCalendar } from '../calendar/school.js';
import { addDays, civilFromDays, dateInWords, dayNumber, type Weekday } from '../time/dates.js';
import { expandPlan, isHeld } from './expandPlan.js';
import type { PlanTime, SessionPlan } from './plan.js';
import type { FieldRepeat } from './repeat.js';

const SHORT: Record<Weekday, string> = {
  MO: 'Mon',
  TU: 'Tue',
  WE: 'Wed',
  TH: 'Thu',
  FR: 'Fri',
  SA: 'Sat',
  SU: 'Sun',
};
const NTH: Record<string, string> = {
  1: 'first',
  2: 'second',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  '-1': 'last',
};
/** How far an endless or counted plan is looked through for its first and last date. */
const FAR_DAYS = 3650;

const joined = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;
const each = (n: number, unit: string): string =>
  n === 1 ? `Every ${unit}` : n === 2 ? `Every second ${unit}` : `Every ${n} ${unit}s`;

function frequency(repeat: FieldRepeat, firstWeekday: Weekday, firstDay: number): string {
  const n = repeat.interval ?? 1;
  const days = (on: Weekday[]): string => joined(on.map((day) => SHORT[day]));
  const cycle = repeat.cycleDays ? `, on ${joined(repeat.cycleDays)} days` : '';
  switch (repeat.every) {
    case 'school-day':
      return repeat.cycleDays ? `Every ${joined(repeat.cycleDays)} day` : 'Every school day';
    case 'day':
      return `${each(n, 'day')}${repeat.on ? `, if a ${days(repeat.on)}` : ''}${cycle}`;
    case 'week':
      return `${n === 1 ? `Every ${days(repeat.on ?? [firstWeekday])}` : `${each(n, 'week')} on ${days(repeat.on ?? [firstWeekday])}`}${cycle}`;
    case 'month':
      return `${each(n, 'month')} on ${repeat.nth ? `the ${NTH[repeat.nth.n]} ${SHORT[repeat.nth.weekday]}` : `day ${repeat.monthDay ?? firstDay}`}${cycle}`;
  }
}

function timeInWords(at: PlanTime): string {
  if ('time' in at) return `${at.time} for ${at.minutes} min`;
  if ('period' in at) return `period ${at.period}`;
  const { period, edge, offset } = at.bell;
  const lesson =
    period === 'first' || period === 'last' ? `the ${period} period` : `period ${period}`;
  const isEdgeOfDay =
    (period === 'first' && edge === 'start') || (period === 'last' && edge === 'end');
  const place = isEdgeOfDay
    ? `the ${period} bell`
    : `${lesson} ${edge === 'start' ? 'begins' : 'ends'}`;
  const when =
    offset === 0
      ? isEdgeOfDay
        ? `at ${place}`
        : `when ${place}`
      : `${Math.abs(offset)} min ${offset > 0 ? 'after' : 'before'} ${place}`;
  return `${when}, for ${at.minutes} min`;
}

/** A raw rule in words; its end and where its weeks begin are told apart, or not at all. */
function rawInWords(rrule: string, first: string): string {
  const bare = rrule
    .replace(/^RRULE:/i, '')
    .split(';')
    .filter((part) => !/^(UNTIL|COUNT|WKST)=/i.test(part))
    .join(';');
  const words = toText(
    new RRuleTemporal({
      rruleString: `DTSTART:${first.replaceAll('-', '')}T000000Z\nRRULE:${bare}`,
    }),
    'en',
  );
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const year = (date: string): number => civilFromDays(dayNumber(date, 'date')).year;
const dayAndMonth = (date: string): string => dateInWords(date).slice(4);

/** `19 Oct – 16 Dec 2026`, or with both years where they differ. */
function range(from: string, to: string): string {
  if (from === to) return `${dayAndMonth(from)} ${year(from)}`;
  return `${dayAndMonth(from)}${year(from) === year(to) ? '' : ` ${year(from)}`} – ${dayAndMonth(to)} ${year(to)}`;
}

/**
 * A plan as part of an English sentence: how often, when, from its first held date to its last, such as
 * `Every Mon and Wed, period 3, 19 Oct – 16 Dec 2026`. Throws GlenInputError like expandPlan.
 */
export function describePlan(plan: SessionPlan, school: SchoolCalendar | null): string {
  const { repeat } = plan;
  const held = expandPlan({ ...plan, changes: [] }, school, {
    from: plan.first,
    to: addDays(plan.first, FAR_DAYS),
  })
    .filter(isHeld)
    .map((o) => o.date);
  if (repeat === undefined)
    return `${dateInWords(held[0] ?? plan.first, 'with-year')}, ${timeInWords(plan.at)}`;
  const fields = 'rrule' in repeat ? undefined : repeat;
  const { day } = civilFromDays(dayNumber(plan.first, 'first'));
  const how = fields
    ? frequency(fields, dateInWords(plan.first).slice(0, 2).toUpperCase() as Weekday, day)
    : rawInWords((repeat as { rrule: string }).rrule, plan.first);
  const endless = fields
    ? fields.until === undefined && fields.times === undefined && fields.weeks === undefined
    : !/COUNT|UNTIL/i.test((repeat as { rrule: string }).rrule);
  const when =
    held.length === 0
      ? 'on no date'
      : endless
        ? `from ${dayAndMonth(held[0]!)} ${year(held[0]!)}`
        : range(held[0]!, held.at(-1)!);
  return `${how}, ${timeInWords(plan.at)}, ${when}`;
}
