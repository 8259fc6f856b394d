import { describe, expect, it } from 'vitest';
import {
  dayWindows,
  joinedBusy,
  settlePoll,
  spreadTimes,
  taughtAt,
  wallClockAt,
} from '../src/index.js';
import { phraseContext } from './phraseSchool.js';

const at = (time: string, date = '2026-10-15'): string => `${date}T${time}:00Z`;
const free = (from: string, to: string, date?: string) => ({
  start: at(from, date),
  end: at(to, date),
  missing: [],
});

describe('settling offered times', () => {
  const offered = (id: number, time: string, chosen: number, isFree = true) => ({
    id,
    start: at(time),
    chosen,
    isFree,
  });
  const now = at('08:00');

  it('takes what suits most, then what is earliest', () => {
    expect(settlePoll([offered(1, '09:00', 1), offered(2, '10:00', 2)], now)).toBe(2);
    expect(settlePoll([offered(2, '10:00', 2), offered(1, '09:00', 2)], now)).toBe(1);
  });

  it('takes none that is past, taken meanwhile, or suits nobody', () => {
    expect(settlePoll([offered(1, '09:00', 2)], at('09:00'))).toBeNull();
    expect(settlePoll([offered(1, '09:00', 2, false), offered(2, '10:00', 1)], now)).toBe(2);
    expect(settlePoll([offered(1, '09:00', 0)], now)).toBeNull();
  });
});

describe('times to choose between', () => {
  const dayOf = (instant: string): string => wallClockAt(instant, 'America/Halifax').date;

  it('leave out what overlaps a better one, and more than so many of a day', () => {
    const times = [
      free('12:00', '12:45'),
      free('12:05', '12:50'),
      free('12:45', '13:30'),
      free('13:30', '14:15'),
      free('12:00', '12:45', '2026-10-16'),
    ];
    const starts = spreadTimes(times, { dayOf, perDay: 2, most: 9 }).map(({ start }) => start);
    expect(starts).toEqual([at('12:00'), at('12:45'), at('12:00', '2026-10-16')]);
    expect(spreadTimes(times, { dayOf, perDay: 9, most: 1 })).toHaveLength(1);
  });

  it('lie in windows of the days asked about, from the next quarter of an hour on', () => {
    const asked = {
      from: '2026-10-10',
      to: '2026-10-14',
      hours: { from: '09:00', to: '15:00' },
      days: 'school' as const,
    };
    const { school } = phraseContext;
    const now = '2026-10-14T13:31:00Z';
    // 12 October is Thanksgiving; what is past is left out.
    expect(dayWindows(school, asked, '2026-10-09T00:00:00Z').map(({ date }) => date)).toEqual([
      '2026-10-13',
      '2026-10-14',
    ]);
    expect(dayWindows(school, asked, now)).toEqual([
      { date: '2026-10-14', start: '2026-10-14T13:45:00Z', end: '2026-10-14T18:00:00Z' },
    ]);
    expect(dayWindows(school, { ...asked, days: 'every' }, '2026-10-09T00:00:00Z')).toHaveLength(5);
  });

  it('keep clear of the bells at which class periods are taught', () => {
    const days = { from: '2026-10-12', to: '2026-10-13' };
    expect(taughtAt(phraseContext.school, ['3'], days)).toEqual([
      { start: '2026-10-13T13:45:00Z', end: '2026-10-13T14:35:00Z' },
    ]);
    expect(taughtAt(phraseContext.school, [], days)).toEqual([]);
  });

  it('are told beside busy times that are one where they touch', () => {
    const spans = [
      free('10:00', '11:00'),
      free('09:00', '10:00'),
      free('10:30', '10:45'),
      free('12:00', '13:00'),
    ];
    expect(joinedBusy(spans)).toEqual([
      { start: at('09:00'), end: at('11:00') },
      { start: at('12:00'), end: at('13:00') },
    ]);
  });
});
