import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hoursShown, lanesOf } from '../src/features/plan/dayLineLayout.js';
import { shownSessions } from '../src/features/frame/shownSessions.js';
import { boxOf, layoutWeek } from '../src/features/plan/week/weekLayout.js';
import { calendar } from '../../../demo/school.js';
import { movedInWords } from '../src/features/plan/moved.js';

const at = (hour: number, minutes = 50) => ({ start: hour * 60, end: hour * 60 + minutes });

describe('the hours of the day line', () => {
  it('go from the first to the last, evenings too, and always hold now', () => {
    expect(hoursShown([at(9), at(14)], 631)).toEqual([9, 15]);
    expect(hoursShown([at(9), at(18, 90)], 631)).toEqual([9, 20]);
    expect(hoursShown([], 0)).toEqual([0, 1]);
    expect(hoursShown([at(9)], 1439)).toEqual([9, 24]);
    expect(hoursShown([at(23, 120)], 600)).toEqual([10, 24]);
  });
});

describe('past midnight', () => {
  const session = (more: object): object => ({
    id: 1,
    date: '2026-10-14',
    time: '23:30',
    minutes: 60,
    status: 'planned',
    was: null,
    ...more,
  });
  const shownOn = (date: string, s: object, nowMinute: number) =>
    shownSessions({ date, bells: [], sessions: [s] } as never, nowMinute);
  it('the day line ends a session with its day, and goes on with it on the next', () => {
    const evening = shownOn('2026-10-14', session({}), 1420);
    expect(evening.shown).toMatchObject([{ start: 1410, end: 1440 }]);
    expect(evening.hours).toEqual([23, 24]);
    const after = shownOn('2026-10-15', session({}), 10);
    expect(after.shown).toMatchObject([{ start: 0, end: 30 }]);
    expect(after.hours).toEqual([0, 1]);
  });
  it('what was moved away from today is not there', () => {
    const away = session({ was: { date: '2026-10-15', time: '09:00', minutes: 60 } });
    expect(shownOn('2026-10-15', away, 10).shown).toEqual([]);
  });
  it('the week ends it with its day’s column', () => {
    const late = { date: '2026-10-14', time: '23:30', minutes: 60 };
    const week = layoutWeek(calendar, ['2026-10-14'], [late]);
    const { top, height } = boxOf(week, late, 1);
    expect(week.hours[1]).toBe(24);
    expect(top + height).toBeCloseTo(week.height);
  });
});

describe('the lanes of the day line', () => {
  it('put what overlaps under one another, and leave the rest its whole height', () => {
    expect(lanesOf([at(9), { start: 570, end: 600 }, at(11)])).toEqual([
      { lane: 0, of: 2 },
      { lane: 1, of: 2 },
      { lane: 0, of: 1 },
    ]);
  });
  it('never lay two of a pair in one lane', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 0, max: 199 }),
        (start, length, into) => {
          const [a, b] = lanesOf([
            { start, end: start + length },
            { start: start + (into % length), end: start + length + 30 },
          ]);
          expect(a!.lane).not.toBe(b!.lane);
        },
      ),
    );
  });
});

describe('a move in words', () => {
  const was = { date: '2026-10-14', time: '11:40', minutes: 60 };
  it('says from which day, from what time, or how much longer', () => {
    expect(movedInWords({ date: '2026-10-15', time: '11:40', minutes: 60, was })).toBe(
      'Moved from Wed 14 Oct, 11:40',
    );
    expect(movedInWords({ ...was, time: '12:00', was })).toBe('Moved from 11:40');
    expect(movedInWords({ ...was, minutes: 70, was })).toBe('10 min longer');
    expect(movedInWords({ ...was, minutes: 45, was })).toBe('15 min shorter');
    expect(movedInWords({ ...was, was: null })).toBe('');
  });
});
