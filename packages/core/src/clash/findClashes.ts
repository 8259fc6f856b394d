import { fail } from '../input.js';
import { secondsOf } from '../time/seconds.js';

/** Something that takes time and holds what can be in one place only, such as `person:12` or `link:3`. Instants. */
export interface Booking {
  id: string;
  start: string;
  end: string;
  holds: string[];
}

/** Two bookings that share something and overlap; `start` and `end` are the overlap. */
export interface Clash {
  a: string;
  b: string;
  on: string[];
  start: string;
  end: string;
}

interface Span {
  id: string;
  start: string;
  end: string;
  order: number;
}

/** By code units, which order instants. */
const compare = (a: string, b: string): number => Number(a > b) - Number(a < b);

/** Checks the bookings and gives those that can clash, by start and then id. */
function spansOf(bookings: Booking[]): { spans: Span[]; holds: string[][] } {
  const seen = new Set<string>();
  bookings.forEach(({ id, start, end }, i) => {
    if (seen.has(id)) fail(`bookings.${i}.id`, `Two bookings are called ${id}.`);
    seen.add(id);
    if (secondsOf(end, `bookings.${i}.end`) < secondsOf(start, `bookings.${i}.start`))
      fail(`bookings.${i}.end`, 'It ends before it starts.');
  });
  const sorted = bookings
    .filter((b) => b.start < b.end)
    .sort((a, b) => compare(a.start, b.start) || compare(a.id, b.id));
  return {
    spans: sorted.map(({ id, start, end }, order) => ({ id, start, end, order })),
    holds: sorted.map((b) => [...new Set(b.holds)]),
  };
}

/**
 * Every pair of bookings that share what they hold and overlap (touching ends do not), one row a pair, `a` before `b` by
 * start and id, rows by overlap start, a, b. Time goes with bookings and clashes, not with their square: each thing held
 * keeps only the bookings that still run.
 */
export function findClashes(bookings: Booking[]): Clash[] {
  const { spans, holds } = spansOf(bookings);
  const running = new Map<string, Span[]>();
  const clashes = new Map<string, Clash>();
  const found: Clash[] = [];
  for (const span of spans) {
    for (const thing of holds[span.order]!) {
      const still = (running.get(thing) ?? []).filter((other) => other.end > span.start);
      for (const other of still) {
        const pair = `${other.order} ${span.order}`;
        const known = clashes.get(pair);
        if (known) known.on.push(thing);
        else {
          const clash = {
            a: other.id,
            b: span.id,
            on: [thing],
            start: span.start,
            end: other.end < span.end ? other.end : span.end,
          };
          clashes.set(pair, clash);
          found.push(clash);
        }
      }
      still.push(span);
      running.set(thing, still);
    }
  }
  for (const clash of found) clash.on.sort(compare);
  return found.sort((x, y) => compare(x.start, y.start) || compare(x.a, y.a) || compare(x.b, y.b));
}
