import fc from 'fast-check';
import ICAL from 'ical.js';
import { RRuleTemporal } from 'rrule-temporal';
import { describe, expect, it } from 'vitest';
import {
  WEEKDAYS,
  addDays,
  expandPlan,
  fromRRule,
  isHeld,
  toRRule,
  type PlanRepeat,
  type RuleSet,
  type SessionPlan,
} from '../src/index.js';
import { oncePlan, school } from './school.js';

const YEAR = { from: '2026-09-01', to: '2027-09-01' };
const plan = (repeat: PlanRepeat | undefined, more: Partial<SessionPlan> = {}): SessionPlan =>
  oncePlan('2026-10-14', { closures: 'keep', ...(repeat ? { repeat } : {}), ...more });
const heldKeys = (p: SessionPlan, window = YEAR): string[] =>
  expandPlan(p, school, window)
    .filter(isHeld)
    .map((o) => o.key)
    .sort();
const compact = (date: string): string => date.replaceAll('-', '');

/** A rule with its exceptions, expanded by a library. */
function expanded(
  set: RuleSet,
  dtstart: string,
  library: 'rrule-temporal' | 'ical.js',
  to = YEAR.to,
): string[] {
  const given: string[] = [];
  if (set.rrule === undefined) given.push(dtstart);
  else if (library === 'rrule-temporal') {
    const rule = new RRuleTemporal({
      rruleString: `DTSTART:${compact(dtstart)}T000000Z\nRRULE:${set.rrule}`,
    });
    given.push(
      ...rule
        .between(new Date(`${dtstart}T00:00:00Z`), new Date(`${to}T00:00:00Z`), true)
        .map((z) => z.toPlainDate().toString())
        .filter((date) => date < to),
    );
  } else {
    const iterator = ICAL.Recur.fromString(set.rrule).iterator(ICAL.Time.fromDateString(dtstart));
    // Its types say that there is always a next one; at the rule's end there is none.
    const nextDate = () => iterator.next() as unknown as { toString(): string } | undefined;
    for (let next = nextDate(); next; next = nextDate()) {
      const date = next.toString().slice(0, 10);
      if (date >= to) break;
      given.push(date);
    }
  }
  return [
    ...new Set([...given.filter((date) => !set.exdates.includes(date)), ...set.rdates]),
  ].sort();
}

describe('a plan as a rule with exceptions', () => {
  it('says weekdays, an end, and what is skipped', () => {
    expect(
      toRRule(
        plan(
          { every: 'week', on: ['WE', 'MO'], until: 'term-end' },
          { closures: 'skip', at: { time: '10:00', minutes: 50 }, first: '2026-11-04' },
        ),
        school,
        YEAR,
      ),
    ).toEqual({
      rrule: 'FREQ=WEEKLY;BYDAY=MO,WE;UNTIL=20261216T235959Z',
      exdates: ['2026-11-23'],
      rdates: [],
      overrides: [],
    });
  });
  it('gives a day of other bells as an override, and a cancelled one as an exception', () => {
    const lessons = plan(
      { every: 'week', on: ['MO', 'WE'], times: 4 },
      { at: { period: 'P1' }, closures: 'skip', changes: [{ key: '2026-10-21', kind: 'cancel' }] },
    );
    const { exdates, overrides } = toRRule(lessons, school, YEAR);
    expect(exdates).toEqual(['2026-10-21']);
    expect(overrides.map((o) => [o.key, o.time, o.minutes])).toEqual([['2026-10-19', '09:40', 40]]);
  });
  it('ends a count of sessions held by its last date, since a rule would count the skipped ones too', () => {
    expect(
      toRRule(
        plan({ every: 'week', on: ['MO'], times: 3 }, { first: '2026-11-16', closures: 'skip' }),
        school,
        YEAR,
      ),
    ).toMatchObject({
      rrule: 'FREQ=WEEKLY;BYDAY=MO;UNTIL=20261207T235959Z',
      exdates: ['2026-11-23'],
    });
  });
  it('has no rule for single dates, nor anything for a plan that is never held', () => {
    expect(toRRule(plan(undefined, { alsoOn: ['2026-10-20'] }), school, YEAR)).toEqual({
      exdates: [],
      rdates: ['2026-10-20'],
      overrides: [],
    });
    expect(toRRule(oncePlan('2026-10-12'), school, YEAR)).toEqual({
      exdates: [],
      rdates: [],
      overrides: [],
    });
  });
  it('keeps a rule without end where closures do not stop it', () => {
    expect(
      toRRule(plan({ every: 'month', nth: { n: -1, weekday: 'FR' } }), school, YEAR),
    ).toMatchObject({ rrule: 'FREQ=MONTHLY;BYDAY=-1FR' });
  });
});

const weekdays = fc.subarray([...WEEKDAYS], { minLength: 1 });
const end = fc.constantFrom<Partial<Extract<PlanRepeat, { every: string }>>>(
  {},
  { until: 'term-end' },
  { until: '2027-02-03' },
  { times: 17 },
  { weeks: 9 },
  { until: 'year-end' },
);
const repeats: fc.Arbitrary<Extract<PlanRepeat, { every: string }>> = fc.oneof<
  fc.Arbitrary<Extract<PlanRepeat, { every: string }>>[]
>(
  fc.record({
    every: fc.constant('week' as const),
    interval: fc.integer({ min: 1, max: 3 }),
    on: weekdays,
  }),
  fc.record({ every: fc.constant('week' as const) }),
  fc.record({ every: fc.constant('day' as const), interval: fc.integer({ min: 1, max: 9 }) }),
  fc.record({
    every: fc.constant('school-day' as const),
    cycleDays: fc.constant<string[]>(['Ebb']),
  }),
  fc.record({ every: fc.constant('month' as const), monthDay: fc.integer({ min: 1, max: 31 }) }),
  fc.record({
    every: fc.constant('month' as const),
    nth: fc.record({
      n: fc.constantFrom<1 | 2 | 3 | 4 | 5 | -1>(1, 2, 3, 4, 5, -1),
      weekday: fc.constantFrom(...WEEKDAYS),
    }),
  }),
);
const times = fc.constantFrom<SessionPlan['at']>(
  { time: '10:00', minutes: 50 },
  { period: 'P1' },
  { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 30 },
);
const plans: fc.Arbitrary<SessionPlan> = fc
  .tuple(
    repeats,
    end,
    times,
    fc.constantFrom<'skip' | 'keep'>('skip', 'keep'),
    fc.integer({ min: 0, max: 120 }),
  )
  .map(([repeat, ends, at, closures, offset]) => {
    const first = addDays('2026-09-08', offset);
    return {
      first,
      at,
      zone: school.zone,
      closures,
      repeat: { ...repeat, ...(ends.until && ends.until < first ? {} : ends) },
      changes: [
        {
          key: addDays(first, 7),
          kind: 'move',
          date: addDays(first, 8),
          time: '12:00',
          minutes: 20,
        },
        { key: addDays(first, 14), kind: 'cancel' },
      ],
      alsoOn: [addDays(first, 3)],
    };
  });

describe('expanded by RFC 5545, by two libraries', () => {
  it.each(['rrule-temporal', 'ical.js'] as const)(
    '%s gives the held dates again',
    (library) => {
      fc.assert(
        fc.property(plans, (p) => {
          const held = heldKeys(p);
          fc.pre(held.length > 0);
          const dtstart = held.find((key) => !p.alsoOn!.includes(key)) ?? held[0]!;
          expect(expanded(toRRule(p, school, YEAR), dtstart, library)).toEqual(held);
        }),
        { numRuns: 700 },
      );
    },
    60000,
  );
  it('and read back by us gives the same dates and times', () => {
    fc.assert(
      fc.property(plans, (p) => {
        const held = expandPlan(p, school, YEAR).filter(isHeld);
        fc.pre(held.length > 0);
        const first =
          held
            .map((o) => o.key)
            .sort()
            .find((key) => !p.alsoOn!.includes(key)) ?? held[0]!.key;
        const back = fromRRule(toRRule(p, school, YEAR), { first, at: p.at, zone: p.zone });
        const stands = (list: typeof held): string[] =>
          list.map((o) => `${o.key} ${o.date} ${o.time} ${o.minutes}`);
        expect(stands(expandPlan(back, school, YEAR).filter(isHeld))).toEqual(stands(held));
      }),
      { numRuns: 700 },
    );
  });
});

describe('a rule from elsewhere', () => {
  const base = { first: '2026-10-14', at: { time: '10:00', minutes: 50 }, zone: school.zone };
  it.each<[string, PlanRepeat]>([
    [
      'FREQ=WEEKLY;BYDAY=WE,MO;UNTIL=20261216T140000Z',
      { every: 'week', on: ['MO', 'WE'], until: '2026-12-16' },
    ],
    ['RRULE:FREQ=WEEKLY;INTERVAL=2;WKST=MO', { every: 'week', interval: 2 }],
    ['FREQ=DAILY;COUNT=8', { every: 'day', times: 8 }],
    ['FREQ=MONTHLY;BYDAY=2WE', { every: 'month', nth: { n: 2, weekday: 'WE' } }],
    ['FREQ=MONTHLY;BYMONTHDAY=14', { every: 'month', monthDay: 14 }],
    // Our sentence cannot say these: they are kept as they are.
    [
      'FREQ=WEEKLY;INTERVAL=2;BYDAY=WE,SU;WKST=SU',
      { rrule: 'FREQ=WEEKLY;INTERVAL=2;BYDAY=WE,SU;WKST=SU' },
    ],
    ['FREQ=MONTHLY;BYMONTHDAY=14,-1', { rrule: 'FREQ=MONTHLY;BYMONTHDAY=14,-1' }],
    ['FREQ=YEARLY', { rrule: 'FREQ=YEARLY' }],
  ])('%s', (rrule, repeat) => expect(fromRRule({ rrule }, base).repeat).toEqual(repeat));
  it('ends the day before where UNTIL falls before the session’s own time', () => {
    expect(fromRRule({ rrule: 'FREQ=DAILY;UNTIL=20261020T120000Z' }, base).repeat).toEqual({
      every: 'day',
      until: '2026-10-19',
    });
  });
  it('counts skipped dates where its COUNT does, so that it stays a raw rule where closures are skipped', () => {
    expect(
      fromRRule({ rrule: 'FREQ=DAILY;COUNT=8' }, { ...base, closures: 'skip' }).repeat,
    ).toEqual({ rrule: 'FREQ=DAILY;COUNT=8' });
  });
  it('is refused where no plan can hold it', () => {
    expect(() => fromRRule({ rrule: 'FREQ=HOURLY' }, base)).toThrow(
      expect.objectContaining({ path: 'repeat.rrule' }),
    );
  });
});
