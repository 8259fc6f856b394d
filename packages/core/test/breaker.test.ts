import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { ANSWERING, afterTry, mayAsk, type Breaker } from '../src/index.js';

const at = (seconds: number): string => {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `2026-10-14T${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}Z`;
};

/** What is known after so many failures, one after another at a second. */
const away = (failures: number, second = 0): Breaker =>
  Array.from({ length: failures }).reduce<Breaker>(
    (known) => afterTry(known, false, at(second)),
    ANSWERING,
  );

describe('a service outside', () => {
  it('is asked by all as long as it answers, and after a failure or two', () => {
    for (const failures of [0, 1, 2]) expect(mayAsk(away(failures), 3, at(0))).toBe(3);
  });
  it('is left alone after three failures in a row, then tried by one', () => {
    const known = away(3);
    expect(known).toEqual({ failures: 3, until: at(5) });
    expect(mayAsk(known, 3, at(4))).toBe(0);
    expect(mayAsk(known, 3, at(5))).toBe(1);
  });
  it('is left alone for twice as long after each further failure, half a minute at most', () => {
    expect(away(4).until).toBe(at(10));
    expect(away(5).until).toBe(at(20));
    expect(away(6).until).toBe(at(30));
    expect(away(500).until).toBe(at(30));
  });
  it('is asked by all again as soon as it has answered once', () => {
    const known = afterTry(away(9), true, at(60));
    expect(known).toEqual(ANSWERING);
    expect(mayAsk(known, 3, at(60))).toBe(3);
  });
  it('is always tried again within half a minute, however long it was away', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 3600 }),
        (n, second) => {
          expect(mayAsk(away(n, second), 3, at(second + 30))).toBeGreaterThan(0);
        },
      ),
    );
  });
});
