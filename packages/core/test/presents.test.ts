import { describe, expect, it } from 'vitest';
import { isByDates, presentsInWords, type Presents } from '@glen/core';

const ALWAYS: Presents = {
  ...{ seriesId: 0, key: '', weekday: '', from: '', until: '' },
  takesOver: false,
};
const words = (more: Partial<Presents>, series: string | null = 'Knots'): string =>
  presentsInWords({ ...ALWAYS, ...more }, { series });

describe('what somebody is named to present, in words', () => {
  it('says when: always, at a series, at one date, on a weekday', () => {
    expect(words({})).toBe('always');
    expect(words({ seriesId: 7 })).toBe('at every date of Knots');
    expect(words({ seriesId: 7 }, null)).toBe('at every date of a series');
    expect(words({ seriesId: 7, key: '2026-10-15' })).toBe('on Thu 15 Oct');
    expect(words({ weekday: 'TH' })).toBe('on Thursdays');
    expect(words({ weekday: 'TH', seriesId: 7 })).toBe('on Thursdays of Knots');
  });
  it('says from when and until when', () => {
    expect(words({ from: '2026-10-15' })).toBe('always from Thu 15 Oct on');
    expect(words({ until: '2026-12-18' })).toBe('always until Fri 18 Dec');
    expect(words({ weekday: 'TH', from: '2026-10-15', until: '2026-12-17' })).toBe(
      'on Thursdays from Thu 15 Oct to Thu 17 Dec',
    );
  });
  it('says who takes over', () => {
    expect(words({ takesOver: true })).toBe('always; takes over while no host is in');
  });
  it('is by dates where a weekday or a bound is named', () => {
    expect(isByDates({ ...ALWAYS, seriesId: 7, key: '2026-10-15' })).toBe(false);
    for (const one of [{ weekday: 'TH' as const }, { from: '2026-10-15' }, { until: '2026-10-15' }])
      expect(isByDates({ ...ALWAYS, ...one })).toBe(true);
  });
});
