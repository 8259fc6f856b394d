import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { WEEKDAYS, addDays, expandPlan, wholeWindow, type SessionPlan } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { calendar } from '../../../demo/school.js';
import {
  fromPlan,
  newDraft,
  planOfDraft,
  withClass,
  type SheetDraft,
} from '../src/features/plan/sheetDraft.js';

const draftOf = (plan: SessionPlan): SheetDraft => ({
  ...fromPlan(plan),
  classId: 1,
  title: 'x',
  titleIsOurs: true,
  description: '',
  draft: false,
  linkId: null,
  together: [],
  inSlots: false,
  slotMinutes: '15',
  slotGap: '0',
});
const rows = (plan: SessionPlan): string[] =>
  expandPlan(plan, calendar, wholeWindow(plan, calendar)).map(
    (o) => `${o.key} ${o.date} ${o.time} ${o.minutes} ${o.status}`,
  );
const of = (period: string | null): ClassItem => ({
  id: 3,
  title: 'Coastal Navigation',
  period,
  pennant: { letters: 'N3', pattern: 'halves', hue: 'loch' },
  link: { id: 1, code: 'heron-7k3m9qvd2xt', address: '', label: '', kind: 'lesson', state: 'live' },
  mine: 'host',
  isOccasion: false,
  rollSize: 20,
  coverFor: null,
  putAwayAt: null,
});

const ends = fc.constantFrom<object>(
  {},
  { until: 'term-end' },
  { until: 'year-end' },
  { until: 'exams' },
  { until: '2027-03-03' },
  { times: 12 },
  { weeks: 9 },
);
const repeats = fc.oneof(
  fc.record({
    every: fc.constant('week'),
    interval: fc.integer({ min: 1, max: 4 }),
    on: fc.subarray([...WEEKDAYS], { minLength: 1 }),
  }),
  fc.record({ every: fc.constant('school-day'), cycleDays: fc.constantFrom(['Ebb'], ['Flood']) }),
  fc.record({ every: fc.constant('day'), interval: fc.integer({ min: 1, max: 9 }) }),
  fc.record({ every: fc.constant('month'), monthDay: fc.integer({ min: 1, max: 31 }) }),
  fc.record({
    every: fc.constant('month'),
    nth: fc.record({
      n: fc.constantFrom(1, 2, 3, 4, 5, -1),
      weekday: fc.constantFrom(...WEEKDAYS),
    }),
  }),
);
const times = fc.constantFrom<SessionPlan['at']>(
  { time: '16:05', minutes: 35 },
  { period: '3' },
  { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 30 },
  { bell: { period: '2', edge: 'start', offset: -5 }, minutes: 20 },
);
const plans = fc
  .tuple(
    fc.option(fc.tuple(repeats, ends), { nil: undefined }),
    times,
    fc.integer({ min: 0, max: 120 }),
    fc.constantFrom<'skip' | 'keep'>('skip', 'keep'),
  )
  .map(([repeat, at, day, closures]): SessionPlan => {
    const first = addDays('2026-09-08', day);
    return {
      first,
      at,
      zone: calendar.zone,
      closures: repeat ? closures : 'keep',
      ...(repeat ? { repeat: { ...repeat[0], ...repeat[1] } as never } : {}),
      alsoOn: [addDays(first, 5)],
      changes: [{ key: addDays(first, 7), kind: 'cancel' }],
    };
  });

describe('what the sheet holds', () => {
  it('says the very sessions of the plan that it was opened with', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        expect(rows(planOfDraft(draftOf(plan)))).toEqual(rows(plan));
      }),
      { numRuns: 300 },
    );
  });
  it('keeps a rule from elsewhere as it is', () => {
    const raw: SessionPlan = {
      first: '2026-10-14',
      at: { time: '10:00', minutes: 50 },
      zone: calendar.zone,
      closures: 'keep',
      repeat: { rrule: 'FREQ=MONTHLY;BYMONTHDAY=14,-1' },
    };
    expect(planOfDraft(draftOf(raw))).toEqual(raw);
  });
  it('keeps what was typed, whole or not', () => {
    const typed = {
      ...draftOf({
        first: '2026-10-14',
        at: { time: '10:00', minutes: 50 },
        zone: calendar.zone,
        closures: 'keep',
      }),
      minutes: '4x',
      every: 'week' as const,
      end: 'times' as const,
      times: '',
    };
    expect(planOfDraft(typed)).toMatchObject({
      at: { minutes: Number.NaN },
      repeat: { times: Number.NaN },
    });
  });
  it('suggests the class period’s own bell period on the next school day, and follows another class period', () => {
    const draft = newDraft(of('3'), calendar, '2026-10-09');
    expect([draft.first, draft.when, draft.title]).toEqual([
      '2026-10-13',
      '3',
      'Coastal Navigation, period 3',
    ]);
    expect(withClass(draft, of('6'), calendar)).toEqual({
      classId: 3,
      linkId: null,
      together: [],
      title: 'Coastal Navigation, period 6',
      when: '6',
    });
    expect(withClass({ ...draft, titleIsOurs: false }, of(null), calendar)).toEqual({
      classId: 3,
      linkId: null,
      together: [],
    });
    expect(newDraft(of(null), calendar, '2026-10-14')).toMatchObject({ when: 'at a time' });
  });
});
