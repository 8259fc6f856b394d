import { describe, expect, it } from 'vitest';
import { isOfDay, isOvernight } from '../src/index.js';

// School time is three hours behind UTC on these days.
const day = { date: '2026-10-15', midnight: '2026-10-15T03:00:00Z' };
const session = (more: object = {}) => ({
  date: '2026-10-14',
  was: null,
  status: 'planned' as const,
  end: '2026-10-15T03:30:00Z',
  ...more,
});

describe('a session is told on a day', () => {
  it('that it is held on, or was moved away from', () => {
    expect(isOfDay(session({ date: day.date }), day)).toBe(true);
    expect(isOfDay(session({ date: '2026-10-20', was: { date: day.date } }), day)).toBe(true);
    expect(isOfDay(session({ date: '2026-10-16' }), day)).toBe(false);
  });
  it('that it runs into past midnight, unless it is not held; what ends at midnight does not', () => {
    expect(isOfDay(session(), day)).toBe(true);
    expect(isOfDay(session({ status: 'cancelled' }), day)).toBe(false);
    expect(isOfDay(session({ end: day.midnight }), day)).toBe(false);
  });
  it('and is said to be of the evening before only there', () => {
    expect(isOvernight(session(), day.date)).toBe(true);
    expect(isOvernight(session({ was: { date: day.date } }), day.date)).toBe(false);
    expect(isOvernight(session(), '2026-10-14')).toBe(false);
  });
});
