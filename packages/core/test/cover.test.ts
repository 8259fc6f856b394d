import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coverClashes, coverDays, isOn, whoCovers, type Cover } from '@glen/core';

const DAY = '2026-10-15';
const cover = (
  id: number,
  coveringId: number,
  absentId: number,
  more: Partial<Cover> = {},
): Cover => ({
  ...{ id, coveringId, absentId, first: DAY, last: DAY },
  ...more,
});
const covered = (covers: Cover[], by: number, date = DAY): number[] =>
  (whoCovers(covers, date).get(by) ?? []).map((one) => one.absentId);

describe('who covers whose lessons', () => {
  it('is whoever is named, from the first day to the last', () => {
    const week = [cover(1, 7, 8, { last: '2026-10-16' })];
    expect(covered(week, 7)).toEqual([8]);
    expect(covered(week, 7, '2026-10-16')).toEqual([8]);
    expect(covered(week, 7, '2026-10-14')).toEqual([]);
    expect(covered(week, 7, '2026-10-17')).toEqual([]);
  });
  it('of a cover of a cover is the last of them, for all that the others cover', () => {
    const covers = [cover(1, 7, 8), cover(2, 9, 7)];
    expect(whoCovers(covers, DAY).get(9)).toEqual([
      { absentId: 7, coverId: 2 },
      { absentId: 8, coverId: 2 },
    ]);
    // Whoever falls ill themselves still may, should they come after all.
    expect(covered(covers, 7)).toEqual([8]);
  });
  it('goes through two who are away at once', () => {
    expect(covered([cover(1, 7, 8), cover(2, 7, 9)], 7)).toEqual([8, 9]);
  });
  it('is never oneself, and ends however covers run in a circle', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 12 }),
        (pairs: [number, number][]) => {
          const covers = pairs.map(([by, of], i) => cover(i, by, of));
          for (const [by, found] of whoCovers(covers, DAY)) {
            const whom = found.map((one) => one.absentId);
            expect(whom).not.toContain(by);
            expect(new Set(whom).size).toBe(whom.length);
            // Whom one covers, and whom those cover in turn.
            for (const absent of whom)
              for (const further of covered(covers, absent))
                if (further !== by) expect(whom).toContain(further);
          }
        },
      ),
    );
  });
  it('is said by its days', () => {
    expect(coverDays({ first: DAY, last: DAY })).toBe('on Thu 15 Oct');
    expect(coverDays({ first: DAY, last: '2026-10-16' })).toBe('from Thu 15 Oct to Fri 16 Oct');
    expect(isOn({ first: DAY, last: DAY }, DAY)).toBe(true);
  });
});

describe('what clashes where somebody covers', () => {
  const at = (id: number, from: string, to: string) => ({
    ...{ id, start: `${DAY}T${from}:00Z`, end: `${DAY}T${to}:00Z` },
  });
  it('is a session of theirs while one of those that they cover is held', () => {
    const covered = [at(1, '08:00', '09:00'), at(2, '10:00', '11:00'), at(3, '10:30', '11:30')];
    const own = [at(11, '08:59', '10:00'), at(12, '11:30', '12:00')];
    expect([...coverClashes(covered, own)]).toEqual([[1, [11]]]);
  });
  it('is nothing that both host', () => {
    const both = at(1, '08:00', '09:00');
    expect(coverClashes([both], [both, at(2, '09:00', '10:00')]).size).toBe(0);
  });
  it('is nothing of the absent teacher’s own', () => {
    expect(coverClashes([at(1, '08:00', '09:00'), at(2, '08:30', '09:30')], []).size).toBe(0);
  });
});
