import { checkWhole } from '../input.js';
import type { TimeWindow } from '../slots/cutSlots.js';
import { meet } from '../slots/meet.js';

/** So many people are fitted in at once at most: the work doubles with each. */
export const MOST_WANTED = 10;

/** A way to see some of those who are wanted: when it is over, and how it came about. */
interface Way {
  end: string;
  /** Without whoever is seen last. */
  before: number;
  who: number;
  nth: number;
}

interface Option {
  nth: number;
  slot: TimeWindow;
}

const bit = (who: number): number => 2 ** who;
const has = (set: number, who: number): boolean => Math.floor(set / bit(who)) % 2 === 1;

/** What can be had of somebody's slots, the one that is over first before all others. */
const optionsOf = (slots: TimeWindow[], taken: TimeWindow[]): Option[] =>
  slots
    .map((slot, nth) => ({ nth, slot }))
    .filter(({ slot }) => !taken.some((other) => meet(slot, other)))
    .sort((a, b) => (a.slot.end < b.slot.end ? -1 : Number(a.slot.end > b.slot.end)));

/**
 * For each set of people (as a number, a bit each) the way to see all of them that is over first. Whoever is seen last is seen
 * after a way to see the others, and of those the one that is over first leaves the most to choose from.
 */
function waysToSee(options: Option[][]): (Way | undefined)[] {
  const ways: (Way | undefined)[] = [{ end: '', before: 0, who: -1, nth: -1 }];
  for (let set = 0; set < bit(options.length); set++) {
    const way = ways[set];
    if (!way) continue;
    options.forEach((own, who) => {
      const next = has(set, who) ? undefined : own.find(({ slot }) => slot.start >= way.end);
      const known = ways[set + bit(who)];
      if (next && (!known || next.slot.end < known.end))
        ways[set + bit(who)] = { end: next.slot.end, before: set, who, nth: next.nth };
    });
  }
  return ways;
}

const sizeOf = (set: number): number => set.toString(2).replaceAll('0', '').length;

/**
 * When somebody can see several people one after another: of each of them one slot, no two at one time, and none that meets
 * what they have already (`taken`). As many as can be are seen, and of the ways to do so the one is taken that is over first.
 * `wanted` are the free slots (instants) of each; gives the index of a slot for each, null where there is none.
 * Throws GlenInputError at `wanted`, where there are more than MOST_WANTED.
 */
export function fitAppointments({
  wanted,
  taken,
}: {
  wanted: TimeWindow[][];
  taken: TimeWindow[];
}): (number | null)[] {
  checkWhole(wanted.length, 0, MOST_WANTED, 'wanted');
  const ways = waysToSee(wanted.map((slots) => optionsOf(slots, taken)));
  const isBetter = (set: number, than: number): boolean =>
    sizeOf(set) > sizeOf(than) ||
    (sizeOf(set) === sizeOf(than) && ways[set]!.end < ways[than]!.end);
  let best = 0;
  ways.forEach((way, set) => {
    if (way && isBetter(set, best)) best = set;
  });
  const fitted = wanted.map((): number | null => null);
  for (let set = best; set > 0; set = ways[set]!.before) fitted[ways[set]!.who] = ways[set]!.nth;
  return fitted;
}
