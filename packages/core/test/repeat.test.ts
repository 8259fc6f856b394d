import fc from 'fast-check';

import { describe, expect, it } from 'vitest';
import {
  addDays,
  dayInfo,
  expandPlan,
  isHeld,
  type PlanRepeat,
  type SchoolCalendar,
} from '../src/index.js';
import { school } from './school.js';
import { YEAR, plan, dates, pathOf, anyRepeat } from './repeats.js';

describe('a repeat by fields', () => {
  it('weekly: on the first date’s weekday, or on chosen ones, every n weeks from the week of the first', () => {
    expect(dates(plan({ every: 'week', times: 3 }))).toEqual([
      '2026-10-14',
      '2026-10-21',
      '2026-10-28',
    ]);
    expect(dates(plan({ every: 'week', on: ['FR', 'MO'], times: 4 }))).toEqual([
      '2026-10-16',
      '2026-10-19',
      '2026-10-23',
      '2026-10-26',
    ]);
    expect(dates(plan({ every: 'week', on: ['MO', 'FR'], interval: 2, times: 4 }))).toEqual([
      '2026-10-16',
      '2026-10-26',
      '2026-10-30',
      '2026-11-09',
    ]);
  });
  it('daily and school-daily', () => {
    expect(dates(plan({ every: 'day', interval: 3, times: 3 }))).toEqual([
      '2026-10-14',
      '2026-10-17',
      '2026-10-20',
    ]);
    expect(dates(plan({ every: 'day', on: ['SA'], times: 2 }))).toEqual([
      '2026-10-17',
      '2026-10-24',
    ]);
    expect(dates(plan({ every: 'school-day', times: 4 }))).toEqual([
      '2026-10-14',
      '2026-10-15',
      '2026-10-16',
      '2026-10-19',
    ]);
  });
  it('monthly, by day and by weekday; a month without the day has none', () => {
    expect(dates(plan({ every: 'month', until: '2027-01-31' }))).toEqual([
      '2026-10-14',
      '2026-11-14',
      '2026-12-14',
      '2027-01-14',
    ]);
    expect(dates(plan({ every: 'month', monthDay: 31, times: 3 }))).toEqual([
      '2026-10-31',
      '2026-12-31',
      '2027-01-31',
    ]);
    expect(dates(plan({ every: 'month', nth: { n: -1, weekday: 'FR' }, times: 2 }))).toEqual([
      '2026-10-30',
      '2026-11-27',
    ]);
    expect(dates(plan({ every: 'month', nth: { n: 5, weekday: 'MO' }, times: 2 }))).toEqual([
      '2026-11-30',
      '2027-03-29',
    ]);
    expect(
      dates(
        { ...plan({ every: 'month', interval: 12, times: 2 }), first: '2028-02-29' },
        { from: '2028-01-01', to: '2037-01-01' },
        null,
      ),
    ).toEqual(['2028-02-29', '2032-02-29']);
  });
  it('ends on a date, with the term, with the year, before examinations, after weeks, or once so many were held', () => {
    const exams: SchoolCalendar = {
      ...school,
      closures: [
        ...school.closures,
        { name: 'Second sitting', first: '2026-12-07', last: '2026-12-11', kind: 'exams' },
        { name: 'Examinations', first: '2026-11-16', last: '2026-11-20', kind: 'exams' },
      ],
    };
    const last = (repeat: PlanRepeat, of = school): string | undefined =>
      dates(plan(repeat), YEAR, of).at(-1);
    expect(last({ every: 'week', until: '2026-11-04' })).toBe('2026-11-04');
    expect(last({ every: 'week', until: 'term-end' })).toBe('2026-12-16');
    expect(last({ every: 'week', until: 'year-end' })).toBe('2027-03-24');
    expect(last({ every: 'week', until: 'exams' }, exams)).toBe('2026-11-11');
    expect(dates(plan({ every: 'week', weeks: 8 }))).toHaveLength(8);
    expect(
      dates({ ...plan({ every: 'week', until: 'term-end' }), first: '2026-12-23' }).at(-1),
    ).toBe('2027-03-24');
  });
  it('skips closures where asked; those held are counted, those skipped told', () => {
    const mondays = plan(
      { every: 'week', on: ['MO'], times: 6 },
      { closures: 'skip', first: '2026-11-09' },
    );
    const rows = expandPlan(mondays, school, YEAR);
    expect(rows.filter(isHeld).map((o) => o.date)).toEqual([
      '2026-11-09',
      '2026-11-16',
      '2026-11-30',
      '2026-12-07',
      '2026-12-14',
      '2027-01-11',
    ]);
    expect(rows.filter((o) => o.status === 'skipped').map((o) => [o.date, o.why])).toEqual([
      ['2026-11-23', 'Staff days'],
      ['2026-12-21', 'outside term'],
      ['2026-12-28', 'outside term'],
      ['2027-01-04', 'outside term'],
    ]);
  });
  it('keeps to cycle days, filtered before anything is counted', () => {
    const ebb = dates(
      plan({ every: 'school-day', cycleDays: ['Ebb'], times: 5 }, { closures: 'skip' }),
    );
    expect(ebb).toHaveLength(5);
    for (const date of ebb) expect(dayInfo(school, date).cycleDay).toBe('Ebb');
  });
  it('adds dates on either side, through closures, one row a date', () => {
    const more = plan(
      { every: 'week', times: 2 },
      { closures: 'skip', alsoOn: ['2026-10-12', '2026-10-21', '2026-09-20'] },
    );
    expect(dates(more)).toEqual(['2026-09-20', '2026-10-12', '2026-10-14', '2026-10-21']);
  });
  it('moves and cancels by key, also into a window that the pattern’s own date is outside of', () => {
    const moved = plan(
      { every: 'week', times: 10 },
      {
        changes: [
          { key: '2026-12-16', kind: 'move', date: '2026-10-15' },
          { key: '2026-10-21', kind: 'cancel' },
          { key: '2026-10-22', kind: 'move', date: '2026-10-16' },
        ],
      },
    );
    expect(
      expandPlan(moved, school, { from: '2026-10-14', to: '2026-10-25' }).map((o) => [
        o.key,
        o.date,
        o.status,
      ]),
    ).toEqual([
      ['2026-10-14', '2026-10-14', 'planned'],
      ['2026-12-16', '2026-10-15', 'moved'],
      ['2026-10-21', '2026-10-21', 'cancelled'],
    ]);
  });
});

describe('a wrong repeat', () => {
  it.each([
    ['repeat.weeks', { every: 'week', times: 3, weeks: 2 }],
    ['repeat.times', { every: 'week', until: '2026-12-01', times: 3 }],
    ['repeat.until', { every: 'week', until: '2026-10-13' }],
    ['repeat.until', { every: 'week', until: 'exams' }],
    ['repeat.nth', { every: 'month', monthDay: 3, nth: { n: 1, weekday: 'MO' } }],
    ['repeat.on', { every: 'week', on: [] }],
    ['repeat.on', { every: 'month', on: ['MO'] }],
    ['repeat.monthDay', { every: 'week', monthDay: 3 }],
    ['repeat.cycleDays', { every: 'week', cycleDays: [] }],
    ['repeat.cycleDays', { every: 'week', cycleDays: ['Spring'] }],
    ['repeat.interval', { every: 'school-day', interval: 2 }],
    ['repeat.interval', { every: 'day', interval: 53 }],
    ['repeat.times', { every: 'day', times: 1001 }],
    ['repeat.weeks', { every: 'day', weeks: 61 }],
    ['repeat.every', { every: 'fortnight' }],
    ['repeat.often', { every: 'day', often: true }],
    ['repeat.rrule', { rrule: 'FREQ=HOURLY' }],
    ['repeat.rrule', { rrule: 'FREQ=DAILY;BYHOUR=9' }],
    ['repeat.rrule', { rrule: 'FREQ=YEARLY;BYWEEKNO=20' }],
    ['repeat.times', { rrule: 'FREQ=DAILY', times: 3 }],
    ['first', { rrule: 'FREQ=WEEKLY;BYDAY=MO' }],
  ])('is refused at %s', (path, repeat) =>
    expect(pathOf(plan(repeat as unknown as PlanRepeat))).toBe(path),
  );
  it('needs a school for school days, cycle days and named ends', () => {
    expect(pathOf(plan({ every: 'school-day' }), null)).toBe('repeat.every');
    expect(pathOf(plan({ every: 'day', cycleDays: ['Ebb'] }), null)).toBe('repeat.cycleDays');
    expect(pathOf(plan({ every: 'day', until: 'term-end' }), null)).toBe('repeat.until');
  });
});

describe('a window', () => {
  it('cut in two gives the same occurrences', () => {
    fc.assert(
      fc.property(anyRepeat, fc.integer({ min: 1, max: 300 }), (repeat, cut) => {
        const p = plan(repeat, {
          changes: [{ key: '2026-11-04', kind: 'move', date: '2026-12-01' }],
        });
        const middle = addDays(YEAR.from, cut);
        expect([
          ...expandPlan(p, school, { from: YEAR.from, to: middle }),
          ...expandPlan(p, school, { from: middle, to: YEAR.to }),
        ]).toEqual(expandPlan(p, school, YEAR));
      }),
    );
  });
});
