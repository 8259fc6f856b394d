import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GlenInputError, findClashes, utcOf, type Booking, type Clash } from '../src/index.js';

const at = (minute: number): string => utcOf(1791990000 + minute * 60);
const booking = (id: string, from: number, to: number, ...holds: string[]): Booking => ({
  id,
  start: at(from),
  end: at(to),
  holds,
});

describe('findClashes', () => {
  it('pairs what overlaps and shares something, with the overlap and all that is shared', () => {
    expect(
      findClashes([
        booking('b', 30, 90, 'person:1', 'link:3'),
        booking('a', 0, 60, 'link:3', 'person:1', 'person:1'),
        booking('c', 0, 90, 'person:2'),
      ]),
    ).toEqual([{ a: 'a', b: 'b', on: ['link:3', 'person:1'], start: at(30), end: at(60) }]);
  });
  it('leaves touching ends and empty spans alone', () => {
    expect(
      findClashes([booking('a', 0, 60, 'x'), booking('b', 60, 90, 'x'), booking('c', 30, 30, 'x')]),
    ).toEqual([]);
  });
  it('refuses doubled ids and ends before starts', () => {
    const path = (bookings: Booking[]): string => {
      try {
        findClashes(bookings);
        return '';
      } catch (e) {
        return (e as GlenInputError).path;
      }
    };
    expect(path([booking('a', 0, 1, 'x'), booking('a', 0, 1, 'y')])).toBe('bookings.1.id');
    expect(path([booking('a', 5, 1, 'x')])).toBe('bookings.0.end');
    expect(path([{ ...booking('a', 0, 1), start: 'soon' }])).toBe('bookings.0.start');
  });
  it('finds what comparing each with each finds, in the same order', () => {
    const one = fc.record({
      from: fc.integer({ min: 0, max: 40 }),
      length: fc.integer({ min: 0, max: 15 }),
      holds: fc.array(fc.constantFrom('p', 'q', 'r'), { maxLength: 3 }),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 14 }), (rows) => {
        const bookings = rows.map((r, i) =>
          booking(`b${i}`, r.from, r.from + r.length, ...r.holds),
        );
        const slow: Clash[] = [];
        for (const a of bookings)
          for (const b of bookings) {
            if (
              !(a.start < b.start || (a.start === b.start && a.id < b.id)) ||
              a.start === a.end ||
              b.start === b.end ||
              b.start >= a.end
            )
              continue;
            const on = [...new Set(a.holds.filter((h) => b.holds.includes(h)))].sort();
            if (on.length > 0)
              slow.push({
                a: a.id,
                b: b.id,
                on,
                start: b.start,
                end: a.end < b.end ? a.end : b.end,
              });
          }
        slow.sort((x, y) =>
          x.start !== y.start
            ? x.start < y.start
              ? -1
              : 1
            : x.a !== y.a
              ? x.a < y.a
                ? -1
                : 1
              : x.b < y.b
                ? -1
                : 1,
        );
        expect(findClashes(bookings)).toEqual(slow);
      }),
      { numRuns: 500 },
    );
  });
});
