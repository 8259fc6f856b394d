import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  MOST_WANTED,
  fitAppointments,
  meet,
  type TimeWindow,
} from '../src/index.js';

/** A stretch of an evening, in minutes past six. */
const span = (from: number, to: number): TimeWindow => {
  const at = (minutes: number): string =>
    new Date(Date.UTC(2026, 10, 5, 18, minutes)).toISOString().replace('.000', '');
  return { start: at(from), end: at(to) };
};
/** Slots of ten minutes with two between, by their numbers. */
const slots = (...nths: number[]): TimeWindow[] => nths.map((n) => span(n * 12, n * 12 + 10));
const fit = (wanted: TimeWindow[][], taken: TimeWindow[] = []) =>
  fitAppointments({ wanted, taken });

describe('fitAppointments', () => {
  it('sees one after another, over as early as can be', () => {
    expect(fit([slots(0, 1, 2), slots(0, 1, 2), slots(0, 1, 2)])).toEqual([0, 1, 2]);
    expect(fit([slots(3, 4), slots(5, 6)])).toEqual([0, 0]);
  });

  it('lets whoever has one slot only have it', () => {
    expect(fit([slots(0, 1, 2), slots(0), slots(0, 1)])).toEqual([2, 0, 1]);
  });

  it('sees as many as can be where not all can', () => {
    expect(fit([slots(0), slots(0), slots(0, 1)])).toEqual([0, null, 1]);
    expect(fit([[], slots(0)])).toEqual([null, 0]);
    expect(fit([])).toEqual([]);
  });

  it('meets nothing that they have already; what begins as another ends does not meet it', () => {
    expect(fit([slots(0, 1, 2)], slots(0))).toEqual([1]);
    expect(fit([[span(0, 10), span(10, 20)]], [span(0, 10)])).toEqual([1]);
  });

  it('sees the same person twice, for two children, in two slots', () => {
    expect(fit([slots(0, 1), slots(0, 1)])).toEqual([0, 1]);
  });

  it('fits slots of other lengths and out of order', () => {
    expect(
      fit([
        [span(20, 40), span(0, 20)],
        [span(0, 15), span(22, 37)],
      ]),
    ).toEqual([1, 1]);
  });

  it('refuses more than it can weigh', () => {
    const many = Array.from({ length: MOST_WANTED + 1 }, () => slots(0));
    expect(() => fit(many)).toThrow(GlenInputError);
  });

  it('is what trying every way finds', () => {
    fc.assert(
      fc.property(evenings, ({ wanted, taken }) => {
        const found = fit(wanted, taken);
        const seen = found.flatMap((nth, who) => (nth === null ? [] : wanted[who]![nth]!));
        expect(worthOf(seen)).toEqual(bestWorth(wanted, taken));
      }),
      { numRuns: 300 },
    );
  });

  it('never has two at one time', () => {
    fc.assert(
      fc.property(evenings, ({ wanted, taken }) => {
        const seen = fit(wanted, taken).flatMap((nth, who) =>
          nth === null ? [] : wanted[who]![nth]!,
        );
        const all = [...seen, ...taken];
        for (const one of seen)
          expect(all.filter((other) => other !== one && meet(one, other))).toEqual([]);
      }),
    );
  });
});

const stretch = fc
  .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 5, max: 25 }))
  .map(([from, minutes]) => span(from, from + minutes));
const evenings = fc.record({
  wanted: fc.array(fc.array(stretch, { maxLength: 4 }), { maxLength: 4 }),
  taken: fc.array(stretch, { maxLength: 1 }),
});

/** How many are seen, and when the last of them is over. */
const worthOf = (seen: TimeWindow[]): [number, string] => [
  seen.length,
  seen.map(({ end }) => end).reduce((a, b) => (a > b ? a : b), ''),
];

const isBetter = ([n, end]: [number, string], [m, than]: [number, string]): boolean =>
  n > m || (n === m && end < than);

/** The best of all ways to choose a slot or none of each. */
function bestWorth(wanted: TimeWindow[][], taken: TimeWindow[]): [number, string] {
  let best: [number, string] = [0, ''];
  const tryRest = (who: number, seen: TimeWindow[]): void => {
    if (isBetter(worthOf(seen), best)) best = worthOf(seen);
    if (who === wanted.length) return;
    tryRest(who + 1, seen);
    for (const slot of wanted[who]!)
      if (![...seen, ...taken].some((other) => meet(slot, other)))
        tryRest(who + 1, [...seen, slot]);
  };
  tryRest(0, []);
  return best;
}
