import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { waitAfterFailures, waitInWords } from '../src/index.js';

describe('the wait after failures', () => {
  it('is nothing at first, then doubles up to a quarter of an hour', () => {
    expect([0, 4, 5, 6, 7, 10, 14, 15, 1000].map(waitAfterFailures)).toEqual([
      0, 0, 1, 2, 4, 32, 512, 900, 900,
    ]);
  });

  it('is told in seconds, then in minutes', () => {
    expect([1, 2, 59, 60, 61, 900].map(waitInWords)).toEqual([
      '1 second',
      '2 seconds',
      '59 seconds',
      '1 minute',
      '2 minutes',
      '15 minutes',
    ]);
  });

  it('never grows shorter with another failure', () => {
    fc.assert(
      fc.property(fc.nat(200), (failures) => {
        expect(waitAfterFailures(failures + 1)).toBeGreaterThanOrEqual(waitAfterFailures(failures));
      }),
    );
  });
});
