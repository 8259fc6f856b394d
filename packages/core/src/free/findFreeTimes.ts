import { checkWhole, fail } from '../input.js';
import { secondsOf, utcOf } from '../time/seconds.js';
import { joinedSpans, type NumberSpan } from '../time/spans.js';
import type { TimeWindow } from '../slots/cutSlots.js';
import { startsWithin } from './starts.js';

export interface FreeTimesAsked {
  /** When people are busy, by their ids; in any order, overlapping or not. An empty span blocks nobody. */
  busy: Record<string, TimeWindow[]>;
  /** Without these it is no time. */
  required: string[];
  /** The more of these can come, the better. */
  optional: string[];
  /** Within these it must begin and end; instants. */
  within: TimeWindow[];
  minutes: number;
  /** Minutes between two starts that are tried. */
  step?: number;
  /** So many times at most. */
  most?: number;
}

export interface FreeTime extends TimeWindow {
  /** Those of the optional ones who are busy then, sorted. */
  missing: string[];
}

const MINUTE = 60;

/** A stretch of the list of starts at which somebody is busy, by index. */
type Stretch = NumberSpan;

/** The first of some sorted starts that is not before a moment. */
function firstFrom(starts: ArrayLike<number>, moment: number): number {
  let low = 0;
  let high = starts.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (starts[middle]! < moment) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The starts at which somebody cannot come for so many seconds: those that begin before a busy span ends and end after it begins. */
function blockedOf(
  person: string,
  spans: TimeWindow[],
  { starts, length }: { starts: ArrayLike<number>; length: number },
): Stretch[] {
  const stretches = spans.flatMap(({ start, end }, i): Stretch[] => {
    const at = `busy.${person}.${i}`;
    const [from, to] = [secondsOf(start, `${at}.start`), secondsOf(end, `${at}.end`)];
    if (to < from) fail(`${at}.end`, 'It would end before it begins.');
    if (to === from) return [];
    return [{ from: firstFrom(starts, from - length + 1), to: firstFrom(starts, to) }];
  });
  // Joined, so that nobody counts twice.
  return joinedSpans(stretches.filter(({ from, to }) => from < to));
}

/** At each start, in how many people's stretches it lies: people come and go at their edges, which are summed up once. */
function countsOf(blocked: Stretch[][], count: number): Int32Array {
  const counts = new Int32Array(count + 1);
  for (const { from, to } of blocked.flat()) {
    counts[from]! += 1;
    counts[to]! -= 1;
  }
  for (let i = 1; i < count; i++) counts[i]! += counts[i - 1]!;
  return counts.subarray(0, count);
}

/** The indices of free starts, fewest missing first, then earliest. */
function bestFirst(
  required: Int32Array,
  missing: Int32Array,
  { optional, most }: { optional: number; most: number },
): number[] {
  const byMissing: number[][] = Array.from({ length: optional + 1 }, () => []);
  for (let i = 0; i < required.length; i++) {
    if (required[i] !== 0) continue;
    const same = byMissing[missing[i]!]!;
    if (same.length < most) same.push(i);
  }
  return byMissing.flat().slice(0, most);
}

const isIn = (stretches: Stretch[], i: number): boolean =>
  stretches.some(({ from, to }) => from <= i && i < to);

/**
 * Times at which everybody who is required is free for so many minutes: starts on multiples of `step` from each window's
 * start that end within it, each once; fewest missing first, then earliest. Whoever is required and optional is required.
 * Near linear in busy spans and starts. Throws GlenInputError at `busy.id.i.end`, `within.i.end`, `minutes`, `step`, `most`.
 */
export function findFreeTimes({
  busy,
  required,
  optional,
  within,
  minutes,
  step = 5,
  most = 20,
}: FreeTimesAsked): FreeTime[] {
  const length = checkWhole(minutes, 1, Infinity, 'minutes') * MINUTE;
  const apart = checkWhole(step, 1, Infinity, 'step') * MINUTE;
  checkWhole(most, 1, Infinity, 'most');
  const starts = startsWithin(within, { length, apart });
  const must = new Set(required);
  const may = [...new Set(optional)].filter((id) => !must.has(id)).sort();
  const spansOf = (id: string): TimeWindow[] => (Object.hasOwn(busy, id) ? busy[id]! : []);
  const blockedAt = (id: string): Stretch[] => blockedOf(id, spansOf(id), { starts, length });
  const ofMay = may.map(blockedAt);
  const best = bestFirst(
    countsOf([...must].map(blockedAt), starts.length),
    countsOf(ofMay, starts.length),
    { optional: may.length, most },
  );
  return best.map((i) => ({
    start: utcOf(starts[i]!),
    end: utcOf(starts[i]! + length),
    missing: may.filter((_, nth) => isIn(ofMay[nth]!, i)),
  }));
}
