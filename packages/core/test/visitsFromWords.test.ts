import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { visitsFromWords, type RoomWord } from '@glen/core';

const at = (minute: number): string => `2026-10-14T13:${String(minute).padStart(2, '0')}:00Z`;
const came = (minute: number, room = 1): RoomWord => ({
  at: at(minute),
  kind: 'came',
  room,
  nth: null,
});
const left = (minute: number, room = 1): RoomWord => ({
  at: at(minute),
  kind: 'left',
  room,
  nth: null,
});
const stay = (from: number, to: number | null) => ({
  from: at(from),
  to: to === null ? null : at(to),
});

describe('stays from what was told of comings and goings', () => {
  it('are from a coming to the next leaving; the last may go on', () => {
    expect(visitsFromWords([came(1), left(20), came(25)])).toEqual([stay(1, 20), stay(25, null)]);
  });

  it('are the same where a leaving was told before its coming', () => {
    expect(visitsFromWords([left(20), came(1)])).toEqual([stay(1, 20)]);
  });

  it('take no second coming for another stay, and no leaving of whoever is out for anything', () => {
    expect(visitsFromWords([left(0), came(1), came(3), left(20), left(21)])).toEqual([stay(1, 20)]);
  });

  it('leave somebody where they were of whom both is told within a second', () => {
    expect(visitsFromWords([came(1), came(9), left(9), left(20)])).toEqual([stay(1, 20)]);
    expect(visitsFromWords([came(9), left(9)])).toEqual([]);
  });

  it('follow the count of those who count within a second', () => {
    const counted = (word: RoomWord, nth: number): RoomWord => ({ ...word, nth });
    const told = [counted(came(9), 1), counted(left(9), 2), counted(came(9), 3)];
    expect(visitsFromWords(told)).toEqual([stay(9, null)]);
    expect(visitsFromWords([came(1), ...told, counted(left(9), 4)])).toEqual([stay(1, 9)]);
  });

  it('go on in a later room, whatever is told of those before it', () => {
    expect(visitsFromWords([came(1), came(9, 2), left(10), left(20, 2)])).toEqual([stay(1, 20)]);
    expect(visitsFromWords([came(1), came(9, 2), left(9), left(20, 2)])).toEqual([stay(1, 20)]);
    expect(visitsFromWords([came(1), left(20, 2)])).toEqual([stay(1, 20)]);
  });

  const words = fc.array(
    fc.record({
      at: fc.integer({ min: 0, max: 59 }).map(at),
      kind: fc.constantFrom<RoomWord['kind']>('came', 'left'),
      room: fc.integer({ min: 0, max: 2 }),
      nth: fc.constant(null),
    }),
    { maxLength: 20 },
  );

  const someCounted = words.chain((all) =>
    fc
      .infiniteStream(fc.boolean())
      .map((isCounted) =>
        all.map((word, i) => (isCounted.next().value ? { ...word, nth: i } : word)),
      ),
  );

  it('do not depend on the order in which it was told, nor on how often', () => {
    const told = someCounted.chain((all) =>
      fc.tuple(
        fc.constant(all),
        fc.shuffledSubarray([...all, ...all], { minLength: all.length * 2 }),
      ),
    );
    fc.assert(
      fc.property(told, ([all, again]) => {
        expect(visitsFromWords(again)).toEqual(visitsFromWords(all));
      }),
    );
  });

  it('are in order, never empty, and never overlap; only the last may go on', () => {
    fc.assert(
      fc.property(words, (all) => {
        const stays = visitsFromWords(all);
        stays.forEach(({ from, to }, i) => {
          if (to === null) expect(i).toBe(stays.length - 1);
          else expect(to > from).toBe(true);
          if (i > 0) expect(from > stays[i - 1]!.to!).toBe(true);
        });
      }),
    );
  });
});
