import { checkOneOf, fail } from '../input.js';
import { WEEKDAYS, dayNumber, minuteOfDay, type Weekday } from '../time/dates.js';
import { checkZone } from '../time/instants.js';

/** One school year: when it teaches, by which bells, on which cycle days. Dates inclusive. */
export interface SchoolCalendar {
  zone: string;
  terms: { name: string; first: string; last: string }[];
  /** `cycle: 'goes-on'`: the days that would have taught use up their labels, so that those after it keep theirs. */
  closures: {
    name: string;
    first: string;
    last: string;
    kind: 'holiday' | 'staff' | 'exams';
    cycle?: 'goes-on';
  }[];
  bells: { name: string; periods: { label: string; start: string; end: string }[] }[];
  /** The bell set of each weekday; a weekday left out has no teaching. */
  bellOn: Partial<Record<Weekday, string>>;
  /** One-day exceptions; they never make a day without teaching a teaching day. */
  bellFor: { date: string; bell: string }[];
  cycle?: { labels: string[]; counts: 'teaching-days' | 'weeks'; from: string };
}

export interface BellPeriod {
  label: string;
  start: number;
  end: number;
}
interface Span {
  name: string;
  first: number;
  last: number;
}

/** A calendar checked once and turned into day numbers and minutes, for asking of many days. */
export interface SchoolIndex {
  zone: string;
  terms: Span[];
  closures: (Span & { kind: 'holiday' | 'staff' | 'exams'; cycleGoesOn: boolean })[];
  bells: Map<string, BellPeriod[]>;
  bellOn: Map<Weekday, string>;
  bellFor: Map<number, string>;
  cycle?: { labels: string[]; counts: 'teaching-days' | 'weeks'; from: number };
  /** How many days use up a label from the cycle's first day to its i-th; filled as it is asked for. */
  labelledDays: number[];
}

function span(entry: { name: string; first: string; last: string }, path: string): Span {
  const first = dayNumber(entry.first, `${path}.first`);
  const last = dayNumber(entry.last, `${path}.last`);
  if (last < first) fail(`${path}.last`, `${entry.name} ends before it begins.`);
  return { name: entry.name, first, last };
}

function bellPeriods(set: SchoolCalendar['bells'][number], path: string): BellPeriod[] {
  const seen = new Set<string>();
  let before = -1;
  return set.periods.map((period, i) => {
    const at = `${path}.periods.${i}`;
    const start = minuteOfDay(period.start, `${at}.start`);
    const end = minuteOfDay(period.end, `${at}.end`);
    if (period.label === 'first' || period.label === 'last' || seen.has(period.label)) {
      fail(`${at}.label`, `A bell period cannot be called ${period.label} here.`);
    }
    if (end <= start) fail(`${at}.end`, `Period ${period.label} ends before it begins.`);
    if (start < before)
      fail(`${at}.start`, `Period ${period.label} begins before the one before it has ended.`);
    seen.add(period.label);
    before = end;
    return { label: period.label, start, end };
  });
}

function goesOn(cycle: unknown, path: string): boolean {
  if (cycle === undefined) return false;
  checkOneOf(cycle, ['goes-on'] as const, path);
  return true;
}

/** Checks a calendar and indexes it. Throws GlenInputError with a path below `school`. */
export function indexSchool(school: SchoolCalendar): SchoolIndex {
  checkZone(school.zone, 'school.zone');
  const terms = school.terms.map((term, i) => span(term, `school.terms.${i}`));
  terms.forEach((term, i) => {
    if (i > 0 && term.first <= terms[i - 1]!.last)
      fail(`school.terms.${i}.first`, 'Terms must follow one another without overlapping.');
  });
  const closures = school.closures.map((closure, i) => ({
    ...span(closure, `school.closures.${i}`),
    kind: checkOneOf(
      closure.kind,
      ['holiday', 'staff', 'exams'] as const,
      `school.closures.${i}.kind`,
    ),
    cycleGoesOn: goesOn(closure.cycle, `school.closures.${i}.cycle`),
  }));
  const bells = new Map<string, BellPeriod[]>();
  school.bells.forEach((set, i) => {
    if (bells.has(set.name))
      fail(`school.bells.${i}.name`, `Two bell sets are called ${set.name}.`);
    bells.set(set.name, bellPeriods(set, `school.bells.${i}`));
  });
  const known = (bell: string, path: string): string =>
    bells.has(bell) ? bell : fail(path, `There is no bell set called ${bell}.`);
  const bellOn = new Map<Weekday, string>();
  for (const [weekday, bell] of Object.entries(school.bellOn)) {
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- plain data may hold it
    if (bell === undefined) continue;
    const day = checkOneOf(weekday, WEEKDAYS, `school.bellOn.${weekday}`);
    bellOn.set(day, known(bell, `school.bellOn.${weekday}`));
  }
  const bellFor = new Map<number, string>();
  school.bellFor.forEach((exception, i) => {
    bellFor.set(
      dayNumber(exception.date, `school.bellFor.${i}.date`),
      known(exception.bell, `school.bellFor.${i}.bell`),
    );
  });
  const index: SchoolIndex = {
    zone: school.zone,
    terms,
    closures,
    bells,
    bellOn,
    bellFor,
    labelledDays: [],
  };
  if (school.cycle) {
    const { labels, counts, from } = school.cycle;
    if (labels.length === 0 || new Set(labels).size !== labels.length)
      fail('school.cycle.labels', 'Give each cycle day a label of its own.');
    checkOneOf(counts, ['teaching-days', 'weeks'] as const, 'school.cycle.counts');
    index.cycle = { labels, counts, from: dayNumber(from, 'school.cycle.from') };
  }
  return index;
}
