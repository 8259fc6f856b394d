import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { addDays, stoodInWords, sumStood, termByWeek, type Stood } from '../src/index.js';

const stood = (date: string, stands: Stood['stands'], late = false): Stood => ({
  date,
  stands,
  late,
});
const NONE = { present: 0, partly: 0, excused: 0, absent: 0, late: 0 };

describe('a term by week', () => {
  it('counts from Monday to Sunday, weeks without sessions too', () => {
    const all = [
      stood('2026-10-05', 'present', true),
      stood('2026-10-11', 'absent'),
      stood('2026-10-19', 'excused'),
    ];
    expect(termByWeek(all, { from: '2026-10-06', until: '2026-10-20' })).toEqual([
      { week: '2026-10-05', ...NONE, present: 1, absent: 1, late: 1 },
      { week: '2026-10-12', ...NONE },
      { week: '2026-10-19', ...NONE, excused: 1 },
    ]);
  });

  it('loses none and counts none twice', () => {
    const days = fc.array(fc.integer({ min: 0, max: 60 }).map((n) => addDays('2026-09-07', n)));
    fc.assert(
      fc.property(days, (dates) => {
        const weeks = termByWeek(
          dates.map((date) => stood(date, 'partly')),
          { from: '2026-09-07', until: '2026-11-06' },
        );
        expect(weeks.reduce((sum, { partly }) => sum + partly, 0)).toBe(dates.length);
      }),
    );
  });

  it('is summed, and said in words without what there is nothing of', () => {
    const week = { ...NONE, present: 3, absent: 1, late: 1 };
    const sum = sumStood([week, { ...NONE, excused: 2 }, week]);
    expect(sum).toEqual({ present: 6, partly: 0, excused: 2, absent: 2, late: 2 });
    expect(stoodInWords(sum)).toBe('6 present, 2 excused, 2 absent; 2 late');
    expect(stoodInWords({ ...NONE, present: 1 })).toBe('1 present');
    expect(stoodInWords(sumStood([]))).toBe('no lessons');
  });
});
