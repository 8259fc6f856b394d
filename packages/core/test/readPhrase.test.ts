import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { expandPlan, readPhrase, type PhraseContext, type SessionPlan } from '../src/index.js';
import { phraseContext, smallContext, unclearOf } from './phraseSchool.js';
import { school } from './school.js';

const context = smallContext;
const read = (text: string) => readPhrase(text, context);
const planOf = (text: string): Omit<SessionPlan, 'zone'> => {
  const { zone: _zone, ...plan } = read(text).plan;
  return plan;
};
const assumedOf = (text: string) =>
  read(text).assumed.map(({ text: said, as, instead }) => [said, as, instead]);
/** The same of the demo school, whose bells, terms and class periods the listed phrases use. */
const atDemo = (text: string) => readPhrase(text, phraseContext);

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
        first: '2026-10-15',
        at: { time: '13:30', minutes: 90 },
        closures: 'skip',
        repeat: { every: 'week', interval: 2, on: ['TH'], times: 5 },
      },
    ],
    [
      'Ebb days period P2 for 8 weeks',
      {
        first: '2026-10-15',
        at: { period: 'P2' },
        closures: 'skip',
        repeat: { every: 'school-day', cycleDays: ['Ebb'], weeks: 8 },
      },
    ],
    [
      'Ebb Mondays P1 until term ends',
      {
        first: '2026-10-19',
        at: { period: 'P1' },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO'], cycleDays: ['Ebb'], until: 'term-end' },
      },
    ],
    [
      'Fridays 10 min after last bell x3',
      {
        first: '2026-10-16',
        at: { bell: { period: 'last', edge: 'end', offset: 10 }, minutes: 50 },
        closures: 'skip',
        repeat: { every: 'week', on: ['FR'], times: 3 },
      },
    ],
    [
      'weekly on Tue, Thu 9:05am for an hour until 18 Dec',
      {
        first: '2026-10-15',
        at: { time: '09:05', minutes: 60 },
        closures: 'skip',
        repeat: { every: 'week', on: ['TU', 'TH'], until: '2026-12-18' },
      },
    ],
    [
      'the last Friday of every month 15:00 until the end of the year',
      {
        first: '2026-10-30',
        at: { time: '15:00', minutes: 50 },
        closures: 'skip',
        repeat: { every: 'month', nth: { n: -1, weekday: 'FR' }, until: 'year-end' },
      },
    ],
    [
      'monthly on the 15th 16:00 even on holidays',
      {
        first: '2026-10-15',
        at: { time: '16:00', minutes: 50 },
        closures: 'keep',
        repeat: { every: 'month', monthDay: 15, until: 'term-end' },
      },
    ],
    [
      'every 3 days 08:00 for 20 min, 6 times',
      {
        first: '2026-10-15',
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
      'Nov 3, 10 and 17 at 2pm',
      {
        first: '2026-11-03',
        at: { time: '14:00', minutes: 50 },
        closures: 'keep',
        alsoOn: ['2026-11-10', '2026-11-17'],
      },
    ],
    [
      '15 minutes before the first bell on Mondays for 2 months',
      {
        first: '2026-10-19',
        at: { bell: { period: 'first', edge: 'start', offset: -15 }, minutes: 50 },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO'], until: '2026-12-18' },
      },
    ],
    [
      'every day next week P1',
      {
        first: '2026-10-19',
        at: { period: 'P1' },
        closures: 'skip',
        repeat: { every: 'school-day', until: '2026-10-25' },
      },
    ],
    [
      'every day except Fridays P1 until Oct 30',
      {
        first: '2026-10-15',
        at: { period: 'P1' },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO', 'TU', 'WE', 'TH'], until: '2026-10-30' },
      },
    ],
    [
      'Mondays P1 until 30 Nov but not 2 to 9 Nov, also Tue 3 Nov',
      {
        first: '2026-10-19',
        at: { period: 'P1' },
        closures: 'skip',
        repeat: { every: 'week', on: ['MO'], until: '2026-11-30' },
        alsoOn: ['2026-11-03'],
        except: ['2026-11-02', '2026-11-09'],
      },
    ],
  ])('%s', (text, plan) => {
    expect(planOf(text)).toEqual(plan);
    expect(read(text).unclear).toEqual([]);
  });
  it.each([
    ['thu 9', '09:00', 50],
    ['thu 9-11', '09:00', 120],
    ['thu 9am-3', '09:00', 360],
    ['thu 8-4pm', '08:00', 480],
    ['thu 6-7', '18:00', 60],
    ['thu 7-8', '07:00', 60],
    ['thu half past 3 for an hour and a half', '15:30', 90],
    ['thu from nine to ten', '09:00', 60],
    ['thu ten to eleven', '10:50', 50],
    ['thu quarter to ten', '09:45', 50],
    ['thu five past nine', '09:05', 50],
    ['thu 3 in the afternoon', '15:00', 50],
    ['tomorrow morning 9', '09:00', 50],
    ['thu 10:30 in the evening', '22:30', 50],
    ['thu 11pm to midnight', '23:00', 60],
    ['thu 10pm-1am', '22:00', 180],
    ['thu 12:15', '12:15', 50],
    ['thu 02:15', '02:15', 50],
    ['thu 2:15 1h30', '14:15', 90],
    ['thu at two', '14:00', 50],
  ])('%s begins at %s and lasts %i minutes', (text, time, minutes) => {
    expect(planOf(text).at).toEqual({ time, minutes });
    expect(unclearOf(text)).toEqual([]);
  });
  it.each([
    ['monday week P1', '2026-10-26'],
    ['friday next week P1', '2026-10-23'],
    ['a week on friday P1', '2026-10-23'],
    ['in a fortnight P1', '2026-10-28'],
    ['the 20th P1', '2026-10-20'],
    ['fri 16 P1', '2026-10-16'],
    ['Wednesday the 21st P1', '2026-10-21'],
    ['20.10 at 2pm', '2026-10-20'],
    ['11/12 P1', '2026-11-12'],
    ['3 March 10:00', '2027-03-03'],
    ['oct 20th, 2026 P1', '2026-10-20'],
    ['the 19th of november P1', '2026-11-19'],
    ['2026/11/02 P1', '2026-11-02'],
    ['next week mon and wed P1', '2026-10-19'],
  ])('%s is on %s', (text, first) => {
    expect(planOf(text).first).toBe(first);
    expect(unclearOf(text)).toEqual([]);
  });
  it('has its dates in the order of the region, which the zone tells where nothing else does', () => {
    const on = (more: Partial<PhraseContext>) =>
      readPhrase('11/12 P1', { ...context, ...more }).plan.first;
    expect(on({ region: 'CA' })).toBe('2026-11-12');
    expect(on({ region: 'GB' })).toBe('2026-12-11');
    expect(on({ school: { ...school, zone: 'Europe/Paris' } })).toBe('2026-12-11');
  });
  it('runs to the end of its term where it names no end, and says so', () => {
    const { plan, assumed } = read('N3 Mondays from 11 Jan');
    expect(plan).toMatchObject({ first: '2027-01-11', repeat: { until: 'term-end' } });
    expect(assumed.at(-1)).toMatchObject({
      as: 'until the term ends, Fri 26 Mar',
      instead: ' all year',
    });
  });
  it.each<[string, (string | undefined)[]]>([
    ['thu 9', ['9', '09:00', '21:00']],
    ['thu 2:15', ['2:15', '14:15', undefined]],
    ['thu 10pm-1am', ['10pm-1am', 'until 01:00 the next day', undefined]],
    ['wed 12:00', ['wed', 'today, Wed 14 Oct', 'next wed']],
    ['wed 9am', ['wed', 'Wed 21 Oct', undefined]],
    ['11/12 P1', ['11/12', 'Thu 12 Nov', '11 Dec']],
    ['tue 3 P1', ['tue 3', 'Tue 3 Nov', 'tue at 3']],
    ['every day P1 x3', ['every day', 'every school day', 'every day incl. weekends']],
    [
      'every other mon P1 x3',
      ['every other mon', 'from Mon 19 Oct on', 'every other mon from 26 Oct'],
    ],
    ['fridays P1 x8 except the 27th', ['the 27th', 'Fri 27 Nov', undefined]],
    ['nav mondays p3 x2', ['nav', 'Coastal Navigation, period P3', undefined]],
    ['tomorrow, fri and mon P1 x4', ['tomorrow', 'from Thu 15 Oct on', undefined]],
    ['15 oct P1 x5', ['15 oct', 'every week from then on', undefined]],
    ['11:00', ['', 'Wed 14 Oct', ' on 15 Oct']],
  ])('%s: what was assumed can be changed', (text, assumed) => {
    expect(assumedOf(text)).toContainEqual(assumed);
  });
  it('means the other thing when what stands instead is put in its place', () => {
    const text = 'every other mon P1 until term ends';
    const { from, to, instead } = read(text).assumed[0]!;
    const other = planOf(text.slice(0, from) + instead! + text.slice(to));
    expect([planOf(text).first, other.first]).toEqual(['2026-10-19', '2026-10-26']);
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
    const { classId, unclear } = read('Navigation Mondays 10:00');
    const place = { text: 'Navigation', from: 0, to: 10, why: 'Which one: N1 or N3?' };
    expect([classId, unclear]).toEqual([undefined, [place]]);
  });
  it('names a group or a link of a class period by its label', () => {
    const fits = (text: string) => {
      const { classId, groupId, linkId } = atDemo(text);
      return [classId, groupId, linkId];
    };
    const [ropework, groupId] = fits('port watch fri p4');
    expect(fits('ropework fri p5 starboard')).toEqual([ropework, 2, undefined]);
    expect(groupId).toBe(1);
    expect(fits('birgit friday 9am')[2]).toBe(90);
    const both = atDemo('port & starboard thu p5').unclear.map((place) => place.text);
    expect(both).toEqual(['port', 'starboard']);
    expect(fits('n3 lesson friday 9am')[2]).toBeUndefined();
  });
  it('takes the bell period of the class period at hand where it names none', () => {
    const at = readPhrase('fridays', { ...context, current: 2 });
    expect([at.plan.at, at.classId, at.unclear]).toEqual([{ period: 'P2' }, undefined, []]);
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
    expect(unclear).toMatchObject([{ text: 'every Friday', from: 1007, to: 1019 }]);
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
