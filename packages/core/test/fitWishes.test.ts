import { describe, expect, it } from 'vitest';
import { fitWishes, type NumberedSlot } from '../src/index.js';

/** Slots of ten minutes with two between, from six on, by their numbers. */
const slots = (...nths: number[]): NumberedSlot[] =>
  nths.map((nth) => {
    const at = (minutes: number): string =>
      new Date(Date.UTC(2026, 10, 5, 18, minutes)).toISOString().replace('.000', '');
    return { nth, start: at(nth * 12), end: at(nth * 12 + 10) };
  });
const wish = (free: NumberedSlot[], nth: number | null = null) => ({ free, nth });
const nthsOf = (wishes: ReturnType<typeof wish>[], taken: NumberedSlot[] = []) =>
  fitWishes({ wishes, taken }).map(({ slot }) => slot?.nth ?? null);

describe('fitWishes', () => {
  it('fits in one after another, around what was chosen by hand', () => {
    expect(nthsOf([wish(slots(0, 1, 2)), wish(slots(0, 1, 2))])).toEqual([0, 1]);
    expect(nthsOf([wish(slots(0, 1, 2)), wish(slots(0, 1, 2), 0)])).toEqual([1, 0]);
    expect(nthsOf([wish(slots(2, 3), 3), wish(slots(2, 3)), wish(slots(0))])).toEqual([3, 2, 0]);
  });

  it('fits in anew what was chosen and is free no longer', () => {
    expect(nthsOf([wish(slots(1, 2), 0)])).toEqual([1]);
  });

  it('leaves out what is taken already, and says where nothing fits', () => {
    expect(nthsOf([wish(slots(0, 1)), wish(slots(0))], slots(0))).toEqual([1, null]);
  });

  it('offers besides what meets neither another wish nor what is taken', () => {
    const wishes = [wish(slots(0, 1, 2, 3), 0), wish(slots(1))];
    const [first, second] = fitWishes({ wishes, taken: slots(3) });
    expect(first!.others.map(({ nth }) => nth)).toEqual([0, 2]);
    expect(second!.others.map(({ nth }) => nth)).toEqual([1]);
  });
});
