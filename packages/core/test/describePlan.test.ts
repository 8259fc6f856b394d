import { describe, expect, it } from 'vitest';
import { describePlan, nextOccurrences, type PlanRepeat, type SessionPlan } from '../src/index.js';
import { oncePlan, school } from './school.js';

const words = (repeat: PlanRepeat | undefined, more: Partial<SessionPlan> = {}): string =>
  describePlan(
    oncePlan('2026-10-19', { at: { period: 'P1' }, ...(repeat ? { repeat } : {}), ...more }),
    school,
  );

describe('describePlan', () => {
  it.each<[string, PlanRepeat | undefined, Partial<SessionPlan>?]>([
    [
      'Every Mon and Wed, period P1, 19 Oct – 16 Dec 2026',
      { every: 'week', on: ['MO', 'WE'], until: 'term-end' },
    ],
    ['Mon 19 Oct 2026, period P1', undefined],
    ['Mon 19 Oct 2026, 10:00 for 50 min', undefined, { at: { time: '10:00', minutes: 50 } }],
    [
      'Every second week on Mon, period P1, 19 Oct – 16 Nov 2026',
      { every: 'week', interval: 2, times: 3 },
    ],
    [
      'Every Ebb day, 10 min after the last bell, for 30 min, 19 Oct – 23 Oct 2026',
      { every: 'school-day', cycleDays: ['Ebb'], times: 3 },
      { at: { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 30 } },
    ],
    [
      'Every month on the last Fri, period P1, from 30 Oct 2026',
      { every: 'month', nth: { n: -1, weekday: 'FR' } },
    ],
    [
      'Every 3 days, period P1, 19 Oct 2026 – 11 Jan 2027',
      { every: 'day', interval: 3, until: '2027-01-12' },
      { closures: 'skip' },
    ],
    [
      'Every Mon, 5 min before period P1 begins, for 10 min, 19 Oct – 26 Oct 2026',
      { every: 'week', weeks: 2 },
      { at: { bell: { period: 'P1', edge: 'start', offset: -5 }, minutes: 10 } },
    ],
    ['Every week on Monday, period P1, 19 Oct – 2 Nov 2026', { rrule: 'FREQ=WEEKLY;COUNT=3' }],
  ])('%s', (said, repeat, more = {}) => expect(words(repeat, more)).toBe(said));
});

describe('nextOccurrences', () => {
  const mondays = oncePlan('2026-10-19', {
    repeat: { every: 'week', on: ['MO'], until: 'term-end' },
    changes: [{ key: '2026-10-26', kind: 'cancel' }],
  });
  it('gives the held ones from an instant on, over closures and cancelled ones', () => {
    expect(nextOccurrences(mondays, school, '2026-10-19T13:00:00Z', 3).map((o) => o.date)).toEqual([
      '2026-10-19',
      '2026-11-02',
      '2026-11-09',
    ]);
    expect(nextOccurrences(mondays, school, '2026-10-19T13:00:01Z', 1).map((o) => o.date)).toEqual([
      '2026-11-02',
    ]);
    expect(nextOccurrences(mondays, school, '2026-12-10T00:00:00Z', 5).map((o) => o.date)).toEqual([
      '2026-12-14',
    ]);
  });
  it('looks far for what is rare, and gives up in the end', () => {
    const leap = {
      ...oncePlan('2028-02-29'),
      closures: 'keep' as const,
      repeat: { every: 'month' as const, interval: 12 },
    };
    expect(nextOccurrences(leap, null, '2028-03-01T00:00:00Z', 2).map((o) => o.date)).toEqual([
      '2032-02-29',
      '2036-02-29',
    ]);
    expect(nextOccurrences(leap, null, '2028-03-01T00:00:00Z', 5)).toHaveLength(2);
  });
});
