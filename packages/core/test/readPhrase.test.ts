import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { expandPlan, readPhrase, type PhraseContext, type SessionPlan } from '../src/index.js';
import { school } from './school.js';

const classes = [
  { id: 1, title: 'Coastal Navigation', period: 'P1', letters: 'N1' },
  { id: 3, title: 'Coastal Navigation', period: 'P3', letters: 'N3' },
  { id: 2, title: 'Marine Weather', period: 'P2', letters: 'W2' },
  { id: 4, title: 'Chartwork clinic', period: null, letters: 'C' },
];
/** Wednesday 14 October 2026. */
const context: PhraseContext = { school, today: '2026-10-14', classes };
const read = (text: string) => readPhrase(text, context);
const planOf = (text: string): Omit<SessionPlan, 'zone'> => {
  const { zone: _zone, ...plan } = read(text).plan;
  return plan;
};

describe('a phrase', () => {
  it.each<[string, Omit<SessionPlan, 'zone'>]>([
    [
      'N3 every Mon and Wed in period P3 until term ends',
      {
        first: '2026-10-14',
        at: { period: 'P3' },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO', 'WE'], until: 'term-end' },
      },
    ],
    [
      'tomorrow 14:00 for 40 minutes',
      { first: '2026-10-15', at: { time: '14:00', minutes: 40 }, closures: 'keep' },
    ],
    [
      'every second Thursday 13:30-15:00 x5',
      {
        first: '2026-10-14',
        at: { time: '13:30', minutes: 90 },
        closures: 'skip',
        repeat: { every: 'week', interval: 2, on: ['TH'], times: 5 },
      },
    ],
    [
      'Ebb days period P2 for 8 weeks',
      {
        first: '2026-10-14',
        at: { period: 'P2' },
        closures: 'skip',
        repeat: { every: 'school-day', cycleDays: ['Ebb'], weeks: 8 },
      },
    ],
    [
      'Fridays 10 min after last bell',
      {
        first: '2026-10-14',
        at: { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 50 },
        closures: 'skip',
        repeat: { every: 'week', on: ['FR'] },
      },
    ],
    [
      'weekly on Tue, Thu 9:05am for an hour until 18 Dec',
      {
        first: '2026-10-14',
        at: { time: '09:05', minutes: 60 },
        closures: 'skip',
        repeat: { every: 'week', on: ['TU', 'TH'], until: '2026-12-18' },
      },
    ],
    [
      'every school day 2pm from 2 November until exams',
      {
        first: '2026-11-02',
        at: { time: '14:00', minutes: 50 },
        closures: 'skip',
        repeat: { every: 'school-day', until: 'exams' },
      },
    ],
    [
      'the last Friday of every month 15:00 until the end of the year',
      {
        first: '2026-10-14',
        at: { time: '15:00', minutes: 50 },
        closures: 'skip',
        repeat: { every: 'month', nth: { n: -1, weekday: 'FR' }, until: 'year-end' },
      },
    ],
    [
      'monthly on the 15th 16:00 even on holidays',
      {
        first: '2026-10-14',
        at: { time: '16:00', minutes: 50 },
        closures: 'keep',
        repeat: { every: 'month', monthDay: 15 },
      },
    ],
    [
      'every 3 days 08:00 for 20 min, 6 times',
      {
        first: '2026-10-14',
        at: { time: '08:00', minutes: 20 },
        closures: 'skip',
        repeat: { every: 'day', interval: 3, times: 6 },
      },
    ],
    [
      'next Wednesday 19:00 for 2 hours',
      { first: '2026-10-21', at: { time: '19:00', minutes: 120 }, closures: 'keep' },
    ],
    [
      '2026-11-05 19:00-20:30',
      { first: '2026-11-05', at: { time: '19:00', minutes: 90 }, closures: 'keep' },
    ],
    [
      'Thu 22 Oct 10:00',
      { first: '2026-10-22', at: { time: '10:00', minutes: 50 }, closures: 'keep' },
    ],
    [
      '15 minutes before the first bell on Mondays',
      {
        first: '2026-10-14',
        at: { bell: { period: 'first', edge: 'start', offset: -15 }, minutes: 50 },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO'] },
      },
    ],
  ])('%s', (text, plan) => {
    expect(planOf(text)).toEqual(plan);
    expect(read(text).unclear).toEqual([]);
  });
  it('names a class period by its letters, or the beginnings of its words with its period, which it then meets in', () => {
    expect(read('Nav P3 Mondays')).toMatchObject({ classId: 3, plan: { at: { period: 'P3' } } });
    expect(read('Weather Fridays until term ends')).toMatchObject({
      classId: 2,
      plan: { at: { period: 'P2' } },
    });
    expect(read('chart clinic tomorrow 11:40')).toMatchObject({
      plan: { first: '2026-10-15', at: { time: '11:40' } },
    });
    expect(read('N1 tomorrow').classId).toBe(1);
  });
  it('does not guess between two class periods', () => {
    const { classId, unclear } = read('Navigation Mondays');
    expect([classId, unclear]).toEqual([undefined, [{ text: 'Navigation', from: 0, to: 10 }]]);
  });
  it('gives back what it cannot read, with its place', () => {
    expect(read('Mondays 10:00 with biscuits').unclear).toEqual([
      { text: 'biscuits', from: 19, to: 27 },
    ]);
    expect(read('tomorrow 25:00').unclear).toEqual([{ text: '25:00', from: 9, to: 14 }]);
    expect(read('from 31 November 10:00').unclear.map((u) => u.text)).toEqual(['31 November']);
  });
  it('takes titles and letters of any signs for what they are', () => {
    const odd = [
      { id: 5, title: 'C++ for Crews', period: null, letters: 'N(' },
      { id: 6, title: 'Knots [a|b] .* \\', period: 'P2', letters: '^$' },
    ];
    const classOf = (text: string) => readPhrase(text, { ...context, classes: odd });
    for (const typed of ['C++ tomorrow 10:00', 'N( tomorrow 10:00', 'crews tomorrow 10:00'])
      expect(classOf(typed)).toMatchObject({ classId: 5, unclear: [] });
    for (const typed of ['knots tomorrow 10:00', '^$ tomorrow 10:00'])
      expect(classOf(typed)).toMatchObject({ classId: 6, unclear: [] });
    const signs = fc.string({
      unit: fc.constantFrom(...'([{^$.*+?|\\/-', 'a', ' '),
      maxLength: 12,
    });
    fc.assert(
      fc.property(signs, signs, signs, (title, letters, typed) => {
        const classes = [{ id: 7, title, period: null, letters }];
        readPhrase(typed, { ...context, classes });
      }),
    );
  });
  it('is read as far as 1,000 characters; what follows is given back', () => {
    const text = `N3 tomorrow 10:00${' '.repeat(990)}every Friday`;
    const { plan, unclear } = read(text);
    expect(plan.repeat).toBeUndefined();
    expect(unclear).toEqual([{ text: 'every Friday', from: 1007, to: 1019 }]);
  });
  it('goes to the next year for a date that has been', () => {
    expect(planOf('3 March 10:00').first).toBe('2027-03-03');
  });
  it('gives a plan that can be expanded, or the field at fault, whatever is typed', () => {
    const word = fc.constantFrom(
      'every',
      'Mon',
      'and',
      'Fridays',
      'x5',
      'for',
      '8',
      'weeks',
      'until',
      'term',
      'ends',
      '10:00',
      'N3',
      'period',
      'P1',
      'tomorrow',
      'Ebb',
      'days',
      '31 Feb',
      'last',
      'bell',
      'x9999',
      '~',
      'second',
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 9 }), (typed) => {
        const { plan } = read(typed.join(' '));
        try {
          expandPlan(plan, school, { from: plan.first, to: '2027-09-01' });
        } catch (error) {
          expect((error as { path?: string }).path).toBeTruthy();
        }
      }),
      { numRuns: 400 },
    );
  });
});
