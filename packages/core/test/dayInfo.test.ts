import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  countDays,
  GlenInputError,
  bellsOn,
  dateOf,
  dayInfo,
  dayNumber,
  nextBell,
  weekdayOf,
  type SchoolCalendar,
} from '../src/index.js';
import { school } from './school.js';

describe('dayInfo', () => {
  it('knows a teaching day with its bells, cycle day, term and week', () => {
    expect(dayInfo(school, '2026-10-14')).toEqual({
      teaching: true,
      bell: 'Regular',
      cycleDay: 'Flood',
      term: 'Autumn',
      week: 6,
    });
  });
  it('says the first closure of the list that holds the day', () => {
    expect(dayInfo(school, '2026-10-12')).toMatchObject({
      teaching: false,
      why: 'Thanksgiving',
      bell: 'Regular',
    });
    expect(dayInfo(school, '2026-10-12').cycleDay).toBeUndefined();
  });
  it('puts a closure before the weekday, and outside term before the weekday too', () => {
    expect(dayInfo(school, '2026-10-11').why).toBe('Long weekend');
    expect(dayInfo(school, '2026-12-26').why).toBe('outside term');
    expect(dayInfo(school, '2026-10-03').why).toBe('no teaching on Saturdays');
  });
  it('rings other bells on an exception, but never makes a Saturday a teaching day', () => {
    expect(dayInfo(school, '2026-10-19').bell).toBe('Fog');
    expect(dayInfo(school, '2026-10-17')).toMatchObject({
      teaching: false,
      why: 'no teaching on Saturdays',
    });
    expect(dayInfo(school, '2026-10-17').bell).toBeUndefined();
  });
  it('names the bells even of a closed weekday', () => {
    expect(bellsOn(school, '2026-10-12').map((b) => b.label)).toEqual(['P1', 'P2', 'P3']);
    expect(bellsOn(school, '2026-10-18')).toEqual([]);
  });
  it('begins the cycle on the first teaching day on or after `from`', () => {
    expect(dayInfo(school, '2026-09-07').cycleDay).toBeUndefined();
    const late = { ...school, cycle: { ...school.cycle!, from: '2026-10-10' } };
    expect(dayInfo(late, '2026-10-13').cycleDay).toBe('Ebb');
    expect(dayInfo(late, '2026-10-14').cycleDay).toBe('Flood');
  });
  it('counts cycle weeks Monday to Sunday, taught or not', () => {
    const weeks = {
      ...school,
      cycle: { labels: ['A', 'B', 'C'], counts: 'weeks' as const, from: '2026-09-09' },
    };
    expect(
      ['2026-09-06', '2026-09-07', '2026-09-13', '2026-09-14', '2026-12-25'].map(
        (d) => dayInfo(weeks, d).cycleDay,
      ),
    ).toEqual([undefined, 'A', 'A', 'B', 'A']);
  });
  it('counts weeks of a term from its first Monday-to-Sunday week', () => {
    expect([
      dayInfo(school, '2026-09-08').week,
      dayInfo(school, '2026-09-13').week,
      dayInfo(school, '2026-09-14').week,
    ]).toEqual([1, 1, 2]);
    expect(dayInfo(school, '2026-12-25').week).toBeUndefined();
  });
  it('agrees with a slow walk that counts teaching days one by one', () => {
    let count = 0;
    for (let n = dayNumber('2026-09-08', 'd'); n <= dayNumber('2027-03-26', 'd'); n++) {
      const info = dayInfo(school, dateOf(n));
      expect(info.cycleDay).toBe(info.teaching ? school.cycle!.labels[count++ % 2] : undefined);
    }
    expect(count).toBeGreaterThan(100);
  });
  it('refuses what is wrong, with the path', () => {
    const path = (make: () => unknown): string => {
      try {
        make();
        return 'no error';
      } catch (e) {
        return (e as GlenInputError).path;
      }
    };
    expect(path(() => dayInfo(school, '2026-02-29'))).toBe('date');
    expect(path(() => dayInfo({ ...school, zone: 'Mars/Base' }, '2026-10-14'))).toBe('school.zone');
    expect(
      path(() => dayInfo({ ...school, terms: [...school.terms].reverse() }, '2026-10-14')),
    ).toBe('school.terms.1.first');
    expect(path(() => dayInfo({ ...school, bellOn: { MO: 'Short' } }, '2026-10-14'))).toBe(
      'school.bellOn.MO',
    );
    expect(
      path(() =>
        dayInfo(
          {
            ...school,
            bells: [{ name: 'X', periods: [{ label: 'last', start: '08:00', end: '09:00' }] }],
            bellOn: {},
            bellFor: [],
          },
          '2026-10-14',
        ),
      ),
    ).toBe('school.bells.0.periods.0.label');
  });
});

describe('dates', () => {
  it('turn into day numbers and back, as Date.UTC counts them (published: ECMAScript)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -100000, max: 100000 }), (n) => {
        const iso = new Date(n * 86400000).toISOString().slice(0, 10);
        expect(dateOf(n)).toBe(iso);
        expect(dayNumber(iso, 'd')).toBe(n);
        expect(weekdayOf(n)).toBe(
          ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'][new Date(n * 86400000).getUTCDay()],
        );
      }),
    );
  });
});

describe('nextBell', () => {
  it('rings at the next beginning or end of a period on a teaching day', () => {
    expect(nextBell(school, '2026-10-14T13:31:00Z')).toBe('2026-10-14T13:45:00Z');
    expect(nextBell(school, '2026-10-14T13:45:00Z')).toBe('2026-10-14T14:35:00Z');
    expect(nextBell(school, '2026-10-16T20:00:00Z')).toBe('2026-10-19T12:40:00Z');
  });
  it('is null where no bell rings within a year', () => {
    expect(nextBell({ ...school, bellOn: {} }, '2026-10-14T13:31:00Z')).toBeNull();
  });
});

describe('days counted', () => {
  it('are the weeks that are touched and the days that teach', () => {
    expect(countDays(school, '2026-10-09', '2026-10-13')).toEqual({ weeks: 2, teachingDays: 2 });
    expect(countDays(school, '2026-11-23', '2026-11-23')).toEqual({ weeks: 1, teachingDays: 0 });
  });
});

describe('a closure in mid-cycle', () => {
  const days = ['2026-10-19', '2026-10-20', '2026-10-21', '2026-10-22', '2026-10-23'];
  const cycle: SchoolCalendar['cycle'] = {
    labels: ['Ebb', 'Flood'],
    counts: 'teaching-days',
    from: '2026-10-19',
  };
  const labels = (more: { cycle?: 'goes-on' }): (string | undefined)[] => {
    const storm = {
      name: 'Storm',
      first: '2026-10-20',
      last: '2026-10-20',
      kind: 'staff',
    } as const;
    const closures = [{ ...storm, ...more }];
    return days.map((day) => dayInfo({ ...school, closures, cycle }, day).cycleDay);
  };
  it('shifts the days after it, or lets them keep theirs where the cycle goes on', () => {
    expect(labels({})).toEqual(['Ebb', undefined, 'Flood', 'Ebb', 'Flood']);
    expect(labels({ cycle: 'goes-on' })).toEqual(['Ebb', undefined, 'Ebb', 'Flood', 'Ebb']);
  });
  it('uses up no label of a day that would not have taught anyhow', () => {
    const week = {
      name: 'Week',
      first: '2026-10-24',
      last: '2026-10-26',
      kind: 'holiday',
    } as const;
    const closures = [{ ...week, cycle: 'goes-on' as const }];
    const on = (day: string) => dayInfo({ ...school, closures, cycle }, day).cycleDay;
    // Saturday and Sunday use none, Monday one.
    expect([on('2026-10-23'), on('2026-10-26'), on('2026-10-27')]).toEqual([
      'Ebb',
      undefined,
      'Ebb',
    ]);
  });
  it('is refused with any other word', () => {
    const closures = [
      { name: 'Storm', first: '2026-10-20', last: '2026-10-20', kind: 'staff', cycle: 'stops' },
    ];
    expect(() => dayInfo({ ...school, closures } as never, '2026-10-20')).toThrow(
      expect.objectContaining({ path: 'school.closures.0.cycle' }),
    );
  });
});
