import { describe, expect, test } from 'vitest';
import { awayOn } from '../src/index.js';

const MONDAY = '2026-10-12';
const TUESDAY = '2026-10-13';
const CHARTWORK = 7;
const ill = { from: MONDAY, until: TUESDAY, classId: null };
const regatta = { from: TUESDAY, until: TUESDAY, classId: CHARTWORK };

describe('who is away on a day', () => {
  test('from all lessons, on the first day and the last', () => {
    expect(awayOn([ill], { date: MONDAY, classId: 1 })).toEqual([ill]);
    expect(awayOn([ill], { date: TUESDAY, classId: 2 })).toEqual([ill]);
  });

  test('not on the days before and after', () => {
    expect(awayOn([ill], { date: '2026-10-11', classId: 1 })).toEqual([]);
    expect(awayOn([ill], { date: '2026-10-14', classId: 1 })).toEqual([]);
  });

  test('from one class period’s lessons alone', () => {
    expect(awayOn([ill, regatta], { date: TUESDAY, classId: CHARTWORK })).toEqual([ill, regatta]);
    expect(awayOn([ill, regatta], { date: TUESDAY, classId: 1 })).toEqual([ill]);
  });
});
