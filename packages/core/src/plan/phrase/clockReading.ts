import type { Clock } from './items.js';

/** A school's day: an hour without am or pm is read between 07:00 and 18:59. */
const DAY_BEGINS = 7;
const HALF_A_DAY = 12 * 60;

interface ClockReading {
  /** Minutes after midnight. */
  start: number;
  /** Of a stretch. */
  minutes?: number;
  /** The other half of the day, where nothing tells which is meant. */
  other?: number;
}

/** Both halves of the day that a clock time may mean, or the one that it says. */
function readingsOf({ hour, minute, half, isExact }: Clock): number[] {
  const at = (h: number): number => h * 60 + minute;
  if (half) return [at((hour % 12) + (half === 'pm' ? 12 : 0))];
  if (isExact || hour === 0 || hour > 12) return [at(hour % 24)];
  return [at(hour % 12), at((hour % 12) + 12)];
}

const inSchoolDay = (readings: number[]): number =>
  readings.find((m) => m >= DAY_BEGINS * 60 && m < (DAY_BEGINS + 12) * 60) ?? readings[0]!;

/** The start nearest before the end. */
function startBefore(starts: number[], end: number): number {
  const before = starts.filter((start) => start < end);
  return before.length > 0 ? Math.max(...before) : starts.at(-1)!;
}

/** The end nearest after the start. */
function endAfter(ends: number[], start: number): number {
  const after = ends.filter((end) => end > start);
  return after.length > 0 ? Math.min(...after) : ends[0]!;
}

/** One time: the half of the day in which schools meet, unless something says otherwise. */
function single(start: Clock): ClockReading {
  const readings = readingsOf(start);
  const chosen = inSchoolDay(readings);
  const other = start.isPlain ? undefined : readings.find((m) => m !== chosen);
  return { start: chosen, ...(other === undefined ? {} : { other }) };
}

/** `10pm-1am` and `11pm to midnight` go past midnight; `15:00-14:00` is a slip. */
function pastMidnight(
  start: Clock,
  from: number,
  end: Clock,
  to: number,
): ClockReading | undefined {
  const isPast = start.half === 'pm' && end.half === 'am';
  const isToMidnight = to === 0 && from > 0;
  return isPast || isToMidnight ? { start: from, minutes: to + 1440 - from } : undefined;
}

/** When and how long: of a stretch whichever end is told tells the other. `undefined`: it would end before it begins. */
export function readingOf(start: Clock, end?: Clock): ClockReading | undefined {
  if (!end) return single(start);
  const [starts, ends] = [readingsOf(start), readingsOf(end)];
  const tellsStart = starts.length > 1 && end.half !== undefined;
  const from = tellsStart ? startBefore(starts, ends[0]!) : inSchoolDay(starts);
  const to = endAfter(ends, from);
  if (to <= from) return pastMidnight(start, from, end, to);
  const isOpen = starts.length > 1 && ends.length > 1 && !start.isPlain;
  const other = isOpen ? { other: (from + HALF_A_DAY) % 1440 } : {};
  return { start: from, minutes: to - from, ...other };
}
