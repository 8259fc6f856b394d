import {
  WEEKDAYS,
  addDays,
  bellsOn,
  classTitle,
  dayInfo,
  dayNumber,
  weekdayOf,
  type PlanChange,
  type PlanTime,
  type SchoolCalendar,
  type SessionPlan,
  type Weekday,
} from '@glen/core';
import type { ClassItem, Sent, Session } from '@glen/contract';
import { NO_SLOTS, slotsOfDraft, type SlotsDraft } from './slotsDraft.js';
import { wholeOf } from './wholeOf.js';
import * as say from './words.js';

export const AT_A_TIME = say.atATime;
export const FROM_A_BELL = say.fromABell;

type Every = 'once' | 'day' | 'school-day' | 'week' | 'month' | 'rule';
type End = 'open' | 'term-end' | 'exams' | 'year-end' | 'date' | 'weeks' | 'times';
export type Scope = 'one' | 'onwards' | 'whole';

/** What the sheet holds while it is written; numbers as typed, so that nothing typed is lost. */
export interface SheetDraft extends SlotsDraft {
  classId: number;
  /** The link by which it is met, of a new session; null: the class period's own; fresh: one made for it. */
  linkId: number | 'fresh' | null;
  /** Class periods that meet in it too, of a new session. */
  together: number[];
  title: string;
  titleIsOurs: boolean;
  description: string;
  draft: boolean;
  every: Every;
  interval: string;
  /** The sentence says `every n weeks`, with a number to type. */
  counted: boolean;
  on: Weekday[];
  month: 'day' | 'nth';
  monthDay: string;
  nth: '1' | '2' | '3' | '4' | '5' | '-1';
  nthDay: Weekday;
  cycleDays: string[];
  rrule: string;
  /** A bell period's label, or one of the two words above. */
  when: string;
  time: string;
  minutes: string;
  bell: string;
  side: 'after' | 'before';
  offset: string;
  zone: string;
  first: string;
  end: End;
  until: string;
  weeks: string;
  times: string;
  closures: 'skip' | 'keep';
  alsoOn: string[];
  /** Dates that are none of it. */
  except: string[];
  changes: PlanChange[];
  /** Clashes that the teacher means to keep, by key. */
  kept: string[];
}

const weekdayOn = (date: string): Weekday => weekdayOf(dayNumber(date, 'date'));

function timeOf(d: SheetDraft): PlanTime {
  if (d.when === AT_A_TIME) return { time: d.time, minutes: wholeOf(d.minutes) };
  if (d.when !== FROM_A_BELL) return { period: d.when };
  const [period = 'last', edge = 'end'] = d.bell.split('/');
  return {
    bell: {
      period,
      edge: edge as 'start' | 'end',
      offset: (d.side === 'before' ? -1 : 1) * wholeOf(d.offset),
    },
    minutes: wholeOf(d.minutes),
  };
}

type Fields = Exclude<NonNullable<SessionPlan['repeat']>, { rrule: string }>;

function endOf({ end, until, weeks, times }: SheetDraft): Partial<Fields> {
  switch (end) {
    case 'open':
      return {};
    case 'weeks':
      return { weeks: wholeOf(weeks) };
    case 'times':
      return { times: wholeOf(times) };
    case 'date':
      return { until };
    default:
      return { until: end };
  }
}

function monthDayOf(d: SheetDraft): Partial<Fields> {
  return d.month === 'day'
    ? { monthDay: wholeOf(d.monthDay) }
    : { nth: { n: Number(d.nth) as 1, weekday: d.nthDay } };
}

function repeatOf(d: SheetDraft): SessionPlan['repeat'] {
  if (d.every === 'once') return undefined;
  if (d.every === 'rule') return { rrule: d.rrule };
  const isEach = d.every === 'school-day' || d.interval === '1';
  return {
    every: d.every,
    ...(isEach ? {} : { interval: wholeOf(d.interval) }),
    ...(d.every === 'week' ? { on: d.on } : {}),
    ...(d.every === 'month' ? monthDayOf(d) : {}),
    ...(d.cycleDays.length > 0 && d.every !== 'month' ? { cycleDays: d.cycleDays } : {}),
    ...endOf(d),
  };
}

/** The plan that the sheet says. A single session is held on closed days too: its teacher saw the day. */
export function planOfDraft(d: SheetDraft): SessionPlan {
  const repeat = repeatOf(d);
  return {
    first: d.first,
    at: timeOf(d),
    zone: d.zone,
    closures: repeat ? d.closures : 'keep',
    ...(repeat ? { repeat } : {}),
    ...(d.alsoOn.length > 0 ? { alsoOn: d.alsoOn } : {}),
    ...(d.except.length > 0 ? { except: d.except } : {}),
    ...(d.changes.length > 0 ? { changes: d.changes } : {}),
  };
}

export const bodyOfDraft = (d: SheetDraft): Sent<'addSession'> => ({
  title: d.title,
  description: d.description,
  draft: d.draft,
  plan: planOfDraft(d),
  ...(d.linkId === 'fresh' ? { freshLink: true } : {}),
  ...(typeof d.linkId === 'number' ? { linkId: d.linkId } : {}),
  ...(d.together.length > 0 ? { together: d.together } : {}),
  ...slotsOfDraft(d),
});

/** What the sheet holds of a plan alone. */
type PlanDraft = Omit<
  SheetDraft,
  | 'classId'
  | 'linkId'
  | 'together'
  | 'title'
  | 'titleIsOurs'
  | 'description'
  | 'draft'
  | keyof SlotsDraft
>;

/** What a plan fills in; whatever it does not say gets what the first date suggests. */
export function fromPlan(plan: SessionPlan): PlanDraft {
  const { repeat, first } = plan;
  const fields = repeat && !('rrule' in repeat) ? repeat : undefined;
  return {
    every: repeat ? (fields?.every ?? 'rule') : 'once',
    rrule: repeat && 'rrule' in repeat ? repeat.rrule : '',
    ...patternOf(fields, first),
    ...whenOf(plan.at),
    zone: plan.zone,
    first,
    ...limitOf(repeat, fields, first),
    closures: repeat ? plan.closures : 'skip',
    alsoOn: plan.alsoOn ?? [],
    except: plan.except ?? [],
    changes: plan.changes ?? [],
    kept: [],
  };
}

type PatternDraft = Pick<
  SheetDraft,
  'interval' | 'counted' | 'on' | 'month' | 'monthDay' | 'nth' | 'nthDay' | 'cycleDays'
>;

/** How often: a number beside "every" is only shown where no word says it ("every other week"). */
function intervalOf(fields: Fields | undefined): Pick<SheetDraft, 'interval' | 'counted'> {
  const interval = fields?.interval ?? 1;
  return { interval: String(interval), counted: interval > (fields?.every === 'week' ? 2 : 1) };
}

/** On which day of the month: by its number, or as the nth weekday. */
function monthPartsOf(
  fields: Fields | undefined,
  first: string,
): Pick<SheetDraft, 'month' | 'monthDay' | 'nth' | 'nthDay'> {
  const nth = fields?.nth;
  return {
    month: nth ? 'nth' : 'day',
    monthDay: String(fields?.monthDay ?? Number(first.slice(8))),
    nth: String(nth?.n ?? 1) as '1',
    nthDay: nth?.weekday ?? weekdayOn(first),
  };
}

function patternOf(fields: Fields | undefined, first: string): PatternDraft {
  return {
    ...intervalOf(fields),
    ...monthPartsOf(fields, first),
    on: fields?.on ?? [weekdayOn(first)],
    cycleDays: fields?.cycleDays ?? [],
  };
}

type WhenDraft = Pick<SheetDraft, 'when' | 'time' | 'minutes' | 'bell' | 'side' | 'offset'>;

function wordOf(at: PlanTime): string {
  if ('period' in at) return at.period;
  return 'bell' in at ? FROM_A_BELL : AT_A_TIME;
}

function whenOf(at: PlanTime): WhenDraft {
  const bell = 'bell' in at ? at.bell : { period: 'last', edge: 'end' as const, offset: 10 };
  return {
    when: wordOf(at),
    time: 'time' in at ? at.time : '10:45',
    minutes: 'minutes' in at ? String(at.minutes) : '50',
    bell: `${bell.period}/${bell.edge}`,
    side: bell.offset < 0 ? 'before' : 'after',
    offset: String(Math.abs(bell.offset)),
  };
}

/** Days after the first that a date to end on is suggested at. */
const SUGGESTED_DAYS = 56;

const isNamed = (until: string | undefined): until is 'term-end' | 'exams' | 'year-end' =>
  until === 'term-end' || until === 'exams' || until === 'year-end';

function endKindOf(repeat: SessionPlan['repeat'], fields: Fields | undefined): End {
  if (!repeat) return 'term-end';
  if (fields?.weeks !== undefined) return 'weeks';
  if (fields?.times !== undefined) return 'times';
  if (isNamed(fields?.until)) return fields.until;
  return fields?.until ? 'date' : 'open';
}

function limitOf(
  repeat: SessionPlan['repeat'],
  fields: Fields | undefined,
  first: string,
): Pick<SheetDraft, 'end' | 'until' | 'weeks' | 'times'> {
  const until = fields?.until;
  return {
    end: endKindOf(repeat, fields),
    until: until && !isNamed(until) ? until : addDays(first, SUGGESTED_DAYS),
    weeks: String(fields?.weeks ?? 8),
    times: String(fields?.times ?? 8),
  };
}

/** The next teaching day on or after a date, for a sheet's first suggestion. */
function nextSchoolDay(school: SchoolCalendar, from: string): string {
  for (let i = 0; i < 120; i++)
    if (dayInfo(school, addDays(from, i)).teaching) return addDays(from, i);
  return from;
}

/** A new sheet's first suggestion: the class period's own bell period on the next school day. */
export function newDraft(of: ClassItem, school: SchoolCalendar, today: string): SheetDraft {
  const first = nextSchoolDay(school, addDays(today, 1));
  const inPeriod = bellsOn(school, first).some((b) => b.label === of.period);
  const at: PlanTime = inPeriod ? { period: of.period! } : { time: '10:45', minutes: 50 };
  return {
    ...fromPlan({ first, at, zone: school.zone, closures: 'skip' }),
    classId: of.id,
    linkId: null,
    together: [],
    title: classTitle(of),
    titleIsOurs: true,
    description: '',
    draft: false,
    ...NO_SLOTS,
  };
}

/** A saved session as the sheet takes it: the whole series, or one of its dates as a session by itself. */
export function draftOfSession(
  s: Session,
  plan: SessionPlan,
  scope: Scope,
  schoolZone: string,
): SheetDraft {
  const words = {
    classId: s.classId,
    linkId: null,
    together: [],
    title: s.title,
    titleIsOurs: false,
    description: s.description,
    draft: s.draft,
    ...NO_SLOTS,
  };
  if (scope !== 'one') return { ...fromPlan(plan), ...words };
  const isMoved = s.was !== null || s.status === 'moved';
  const hasOwnTime = isMoved || 'time' in plan.at;
  const at: PlanTime = hasOwnTime ? { time: s.time, minutes: s.minutes } : plan.at;
  // A single date is told on the school's clock, as the screens tell it.
  return { ...fromPlan({ first: s.date, at, zone: schoolZone, closures: 'keep' }), ...words };
}

/** The sheet after another class period was chosen: its title and bell period come along where they were ours. */
export function withClass(
  d: SheetDraft,
  of: ClassItem,
  school: SchoolCalendar,
): Partial<SheetDraft> {
  const known =
    of.period !== null &&
    school.bells.some((set) => set.periods.some((p) => p.label === of.period));
  return {
    classId: of.id,
    linkId: null,
    together: d.together.filter((id) => id !== of.id),
    ...(d.titleIsOurs ? { title: classTitle(of) } : {}),
    ...(known && d.when !== FROM_A_BELL ? { when: of.period! } : {}),
  };
}

export const inOrder = (days: Weekday[]): Weekday[] => WEEKDAYS.filter((day) => days.includes(day));
