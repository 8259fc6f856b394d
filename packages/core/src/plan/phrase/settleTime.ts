import { bellsOn } from '../../calendar/dayInfo.js';
import {
  dateInWords,
  dateOf,
  minuteOfDay,
  timeOf,
  weekdayOf,
  type Weekday,
} from '../../time/dates.js';
import type { PlanTime } from '../plan.js';
import { readingOf } from './clockReading.js';
import type { Clock, Item } from './items.js';
import { resolveDate } from './resolveDate.js';
import type { NamedClass } from './settleClass.js';
import type { ItemOf, Settling } from './settling.js';

/** When within its day, as far as the phrase says it. */
export interface SaidTime {
  /** Minutes after midnight. */
  start?: number;
  minutes?: number;
  period?: string;
  bell?: { period: string; edge: 'start' | 'end'; offset: number };
  /** Where it was said; nothing where the class period's own bell period stands in. */
  item?: Item;
}

type ClockItem = ItemOf<'clock'>;

/** A number behind a day is an hour (`tomorrow 9`), or the day's own number (`Fri 16`). */
const isDayPlace = (item: Item | undefined): boolean =>
  item !== undefined && ['days', 'dates', 'repeat', 'week', 'day-part'].includes(item.kind);

/** `Fri 16` is a date where the next 16th is a Friday. */
function numbersAsDates(settling: Settling): void {
  const { items } = settling;
  if (settling.all('day-part').length > 0) return;
  items.forEach((item, i) => {
    const before = items[i - 1];
    if (item.kind !== 'number' || item.isAt || before?.kind !== 'days' || before.repeats) return;
    const [weekday] = before.days;
    const read = resolveDate(settling, { day: item.number });
    if (read.day === undefined || weekdayOf(read.day) !== weekday) return;
    const place = { from: before.from, to: item.to };
    const asHour = `${settling.text.slice(before.from, before.to)} at ${item.number}`;
    settling.assume(place, dateInWords(dateOf(read.day)), asHour);
    items[i - 1] = { kind: 'filler', from: before.from, to: before.from };
    const stretches = [{ first: { day: item.number }, weekday: weekday! }];
    items[i] = { kind: 'dates', stretches, from: before.from, to: item.to };
  });
}

/** Numbers that can only be hours, as clock times. */
function hoursOf(settling: Settling): ClockItem[] {
  const spoken = settling.items.filter((item) => item.kind !== 'filler');
  return settling.all('number').flatMap((item): ClockItem[] => {
    const before = spoken[spoken.indexOf(item) - 1];
    const isHour = item.isAt || isDayPlace(before);
    if (!isHour || item.number < 1 || item.number > 23) {
      settling.isUnclear(item, `What is ${item.number}?`);
      return [];
    }
    const start: Clock = { hour: item.number, minute: 0, isExact: item.number > 12 };
    if (start.isExact && !item.isAt) settling.assume(item, `${item.number}:00`);
    return [{ kind: 'clock', start, from: item.from, to: item.to }];
  });
}

/** `in the afternoon`: which half of the day an hour is in. */
function withDayPart(settling: Settling, clock: ClockItem): ClockItem {
  const parts = settling.all('day-part');
  const [part] = parts;
  if (!part) return clock;
  const isOpen = !clock.start.half && !clock.start.isExact && !clock.end;
  if (isOpen) return { ...clock, start: { ...clock.start, half: part.half } };
  const reading = readingOf(clock.start, clock.end);
  const isPm = reading !== undefined && reading.start >= 720;
  if (isPm !== (part.half === 'pm'))
    settling.isUnclear(part, 'The time is in another part of the day.');
  return clock;
}

function settleClock(settling: Settling, clock: ClockItem): SaidTime {
  const { start, end } = withDayPart(settling, clock);
  const reading = readingOf(start, end);
  if (!reading) {
    settling.isUnclear(clock, 'It would end before it begins.');
    return { item: clock };
  }
  const { other, minutes } = reading;
  if (minutes !== undefined && reading.start + minutes > 1440)
    settling.assume(clock, `until ${timeOf((reading.start + minutes) % 1440)} the next day`);
  if (other !== undefined && !isBell(settling, reading.start)) {
    const end = minutes === undefined ? '' : `-${timeOf((other + minutes) % 1440)}`;
    const instead = isAwake(other) ? timeOf(other) + end : undefined;
    settling.assume(clock, timeOf(reading.start), instead);
  }
  return { start: reading.start, ...(minutes === undefined ? {} : { minutes }), item: clock };
}

/** Hours at which somebody might well meet: the small ones are offered to nobody. */
const isAwake = (start: number): boolean => start >= 6 * 60;

/** A time at which one of the school's bell periods begins is that time, and no other half of the day. */
const isBell = ({ context: { school } }: Settling, start: number): boolean =>
  school.bells.some((set) => set.periods.some((p) => p.start === timeOf(start)));

/** How long, where it is said. A stretch that says so too must agree. */
function settleLength(settling: Settling, said: SaidTime): SaidTime {
  const length = settling.only('length', 'How long: one length is enough.');
  if (!length) return said;
  if (said.minutes !== undefined && said.minutes !== length.minutes) {
    settling.isUnclear(length, 'The times say another length.');
    return said;
  }
  return { ...said, minutes: length.minutes };
}

/** A dotted time is a date where another time stands beside it: `20.10 at 2pm`. */
function dottedDates(settling: Settling): void {
  const times = [...settling.all('clock'), ...settling.all('period'), ...settling.all('bell')];
  if (times.length < 2) return;
  const dotted = settling.all('clock').find((clock) => clock.asDate);
  if (!dotted?.asDate) return;
  const i = settling.items.indexOf(dotted);
  const { from, to, asDate } = dotted;
  settling.items[i] = { kind: 'dates', stretches: [{ first: asDate }], from, to };
}

/** The bell period that the class period meets in, where the school's bells have it. */
export function ownPeriod(
  { context: { school } }: Settling,
  { of }: NamedClass,
): string | undefined {
  const known = school.bells.some((set) => set.periods.some((p) => p.label === of?.period));
  return known ? of!.period! : undefined;
}

/** A period said beside a clock time at which it begins says nothing else. */
function isSame(settling: Settling, period: string, clock: ClockItem): boolean {
  const reading = readingOf(clock.start, clock.end);
  return settling.context.school.bells.some((set) =>
    set.periods.some((p) => p.label === period && reading && p.start === timeOf(reading.start)),
  );
}

const TWICE = 'One time is enough.';

/** When within its day the phrase says; two times are unclear. */
export function settleTime(settling: Settling): SaidTime {
  numbersAsDates(settling);
  dottedDates(settling);
  const clocks = [...settling.all('clock'), ...hoursOf(settling)];
  const periods = settling.all('period');
  const bells = settling.all('bell');
  const [clock, period] = [clocks[0], periods[0]];
  const agree =
    clocks.length === 1 && periods.length === 1 && isSame(settling, period!.label, clock!);
  const times: Item[] = agree ? [clock!] : [...clocks, ...periods, ...bells];
  if (times.length === 0)
    for (const part of settling.all('day-part')) settling.isUnclear(part, 'At what time?');
  if (times.length > 1) {
    for (const time of times) settling.isUnclear(time, TWICE);
    return { item: times[0]! };
  }
  const said = clock ? settleClock(settling, clock) : periodOrBell(period, bells[0]);
  return settleLength(settling, said);
}

function periodOrBell(
  period: ItemOf<'period'> | undefined,
  bell: ItemOf<'bell'> | undefined,
): SaidTime {
  if (period) return { period: period.label, item: period };
  if (!bell) return {};
  const { edge, offset } = bell;
  return { bell: { period: bell.period, edge, offset }, item: bell };
}

type Bells = ReturnType<typeof bellsOn>;

const bellsAt = ({ context: { school } }: Settling, day: number): Bells =>
  bellsOn(school, dateOf(day));

function periodIn(bells: Bells, label: string): Bells[number] | undefined {
  if (label === 'first') return bells[0];
  return label === 'last' ? bells.at(-1) : bells.find((b) => b.label === label);
}

/** Minutes after midnight at which it would begin on a day; undefined where that day's bells do not say. */
export function startOn(settling: Settling, said: SaidTime, day: number): number | undefined {
  if (said.start !== undefined) return said.start;
  const label = said.period ?? said.bell?.period;
  if (label === undefined) return undefined;
  const bell = periodIn(bellsAt(settling, day), label);
  if (!bell) return undefined;
  const edge = said.bell?.edge ?? 'start';
  return minuteOfDay(bell[edge], edge) + (said.bell?.offset ?? 0);
}

const lengthOf = ({ start, end }: { start: string; end: string }): number =>
  minuteOfDay(end, 'end') - minuteOfDay(start, 'start');

/** The length of the bell period that begins at a time: by that day's bells, of a series also by those of its weekdays. */
function bellLength(
  settling: Settling,
  start: number,
  first: number,
  on: Weekday[],
): number | undefined {
  const { school } = settling.context;
  const usual = on.flatMap(
    (day) => school.bells.find((set) => set.name === school.bellOn[day])?.periods ?? [],
  );
  const bell = [...bellsAt(settling, first), ...usual].find((p) => p.start === timeOf(start));
  return bell && lengthOf(bell);
}

/** By the clock: its length from a bell period that begins then, else the usual one. */
function byClock(
  settling: Settling,
  said: SaidTime & { start: number },
  first: number,
  on: Weekday[],
): PlanTime {
  const { minutes: usual = 50 } = settling.context;
  const minutes = said.minutes ?? bellLength(settling, said.start, first, on) ?? usual;
  return { time: timeOf(said.start), minutes };
}

/** In a bell period; one that is said to last longer or shorter begins with its bell. */
function byPeriod(
  settling: Settling,
  label: string,
  minutes: number | undefined,
  first: number,
): PlanTime {
  const bells = bellsAt(settling, first);
  const inForce = bells.length > 0 ? bells : (settling.context.school.bells[0]?.periods ?? []);
  const bell = periodIn(inForce, label);
  const period = bell?.label ?? label;
  if (minutes === undefined || (bell && minutes === lengthOf(bell))) return { period };
  return { bell: { period, edge: 'start', offset: 0 }, minutes };
}

/** The plan's time on its first day. `on`: the weekdays of a series. */
export function planTime(
  settling: Settling,
  said: SaidTime,
  first: number,
  on: Weekday[],
): PlanTime {
  const { minutes: usual = 50 } = settling.context;
  const { start, bell, period, minutes } = said;
  if (start !== undefined) return byClock(settling, { ...said, start }, first, on);
  if (bell) return { bell, minutes: minutes ?? usual };
  if (period !== undefined) return byPeriod(settling, period, minutes, first);
  return { time: bellsAt(settling, first)[0]?.start ?? '09:00', minutes: minutes ?? usual };
}
