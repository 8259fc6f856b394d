import fc from 'fast-check';
import { RRuleTemporal } from 'rrule-temporal';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  dayInfo,
  dayNumber,
  expandPlan,
  isHeld,
  weekdayOf,
  type PlanRepeat,
  type SessionPlan,
} from '../src/index.js';
import { school } from './school.js';
import { HALIFAX, anyRepeat, ruleOf } from './repeats.js';

describe('against rrule-temporal', () => {
  // Not at 02:30: where that hour is missing it leaves the date out, and a session is moved forward.
  it('gives the same instants for fifteen hundred random rules', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.integer({ min: 0, max: 364 }),
        fc.constantFrom('00:30', '03:30', '09:15', '23:45'),
        fc.integer({ min: 1, max: 25 }),
        (repeat, offset, time, count) => {
          const first = addDays('2026-01-01', offset);
          const window = { from: first, to: addDays(first, 420) };
          const ours = expandPlan(
            {
              first,
              at: { time, minutes: 50 },
              zone: HALIFAX,
              closures: 'keep',
              repeat: { ...repeat, times: count } as PlanRepeat,
            },
            null,
            window,
          ).map((o) => o.start);
          const dtstart = `DTSTART;TZID=${HALIFAX}:${first.replaceAll('-', '')}T${time.replace(':', '')}00`;
          const rule = new RRuleTemporal({
            rruleString: `${dtstart}\nRRULE:${ruleOf(repeat as never)}`,
          });
          const theirs = rule
            .between(
              new Date(`${addDays(first, -1)}T00:00:00Z`),
              new Date(`${addDays(window.to, 2)}T00:00:00Z`),
              true,
            )
            .filter((z) => z.toPlainDate().toString() < window.to)
            .map((z) => `${z.toInstant().toString().slice(0, 19)}Z`);
          expect(ours).toEqual(theirs.slice(0, count));
        },
      ),
      { numRuns: 1500 },
    );
  });
});

describe('against a slow walk from day to day', () => {
  it('agrees on cycle days, bells, closures and counts of sessions held', () => {
    const at = fc.constantFrom<SessionPlan['at']>(
      { time: '10:00', minutes: 50 },
      { period: 'P3' },
      { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 30 },
    );
    const repeats = fc.record({
      every: fc.constantFrom('school-day' as const, 'day' as const),
      cycleDays: fc.constantFrom<string[] | undefined>(undefined, ['Ebb'], ['Flood', 'Ebb']),
      times: fc.integer({ min: 1, max: 60 }),
    });
    fc.assert(
      fc.property(
        repeats,
        at,
        fc.constantFrom<'skip' | 'keep'>('skip', 'keep'),
        fc.integer({ min: 0, max: 150 }),
        (raw, when, closures, offset) => {
          const first = addDays('2026-09-01', offset);
          const repeat = Object.fromEntries(
            Object.entries(raw).filter(([, v]) => v !== undefined),
          ) as PlanRepeat;
          const found = expandPlan(
            { first, at: when, zone: school.zone, closures, repeat },
            school,
            { from: first, to: '2027-08-01' },
          )
            .filter(isHeld)
            .map((o) => o.date);
          const walked: string[] = [];
          for (
            let date = first;
            date < '2027-08-01' && walked.length < raw.times;
            date = addDays(date, 1)
          ) {
            const info = dayInfo(school, date);
            if (raw.every === 'school-day' && !(weekdayOf(dayNumber(date, 'd')) in school.bellOn))
              continue;
            if (raw.cycleDays && !raw.cycleDays.includes(info.cycleDay ?? '')) continue;
            const shut = info.why !== undefined && !info.why.startsWith('no teaching');
            if (closures === 'skip' && shut) continue;
            const periods = school.bells.find((b) => b.name === info.bell)?.periods;
            if (!('time' in when) && !periods) continue;
            if ('period' in when && !periods!.some((p) => p.label === when.period)) continue;
            walked.push(date);
          }
          expect(found).toEqual(walked);
        },
      ),
      { numRuns: 700 },
    );
  });
});

describe('against the examples of RFC 5545 §3.8.5.3', () => {
  const NEW_YORK = 'America/New_York';
  const raw = (first: string, rrule: string, to: string): string[] =>
    expandPlan(
      {
        first,
        at: { time: '09:00', minutes: 60 },
        zone: NEW_YORK,
        closures: 'keep',
        repeat: { rrule },
      },
      null,
      { from: first, to },
    ).map((o) => o.date);
  it.each([
    ['daily for 10', '1997-09-02', 'FREQ=DAILY;COUNT=10', 10, '1997-09-02', '1997-09-11'],
    [
      'daily until 24 December',
      '1997-09-02',
      'FREQ=DAILY;UNTIL=19971224T000000Z',
      114,
      '1997-09-02',
      '1997-12-24',
    ],
    [
      'every 10 days, 5 of them',
      '1997-09-02',
      'FREQ=DAILY;INTERVAL=10;COUNT=5',
      5,
      '1997-09-02',
      '1997-10-12',
    ],
    ['weekly for 10', '1997-09-02', 'FREQ=WEEKLY;COUNT=10', 10, '1997-09-02', '1997-11-04'],
    [
      'Tuesday and Thursday for five weeks',
      '1997-09-02',
      'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH',
      10,
      '1997-09-02',
      '1997-10-02',
    ],
    [
      'every other week, 8 of them',
      '1997-09-02',
      'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
      8,
      '1997-09-02',
      '1997-10-16',
    ],
    [
      'first Friday, 10 of them',
      '1997-09-05',
      'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
      10,
      '1997-09-05',
      '1998-06-05',
    ],
    [
      'second-to-last Monday, six of them',
      '1997-09-22',
      'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
      6,
      '1997-09-22',
      '1998-02-16',
    ],
    [
      '2nd and 15th, 10 of them',
      '1997-09-02',
      'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
      10,
      '1997-09-02',
      '1998-01-15',
    ],
    [
      'every other year in January to March',
      '1997-03-10',
      'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3',
      10,
      '1997-03-10',
      '2003-03-10',
    ],
    [
      'third of Tuesday, Wednesday, Thursday, 3 months',
      '1997-09-04',
      'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
      3,
      '1997-09-04',
      '1997-11-06',
    ],
    [
      '20th Monday of the year',
      '1997-05-19',
      'FREQ=YEARLY;COUNT=3;BYDAY=20MO',
      3,
      '1997-05-19',
      '1999-05-17',
    ],
    [
      'where the week starts matters',
      '1997-08-05',
      'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
      4,
      '1997-08-05',
      '1997-08-31',
    ],
  ])('%s', (_name, first, rrule, count, begin, end) => {
    const found = raw(first, rrule, '2005-01-01');
    expect([found.length, found[0], found.at(-1)]).toEqual([count, begin, end]);
  });
});
