import { describe, expect, it } from 'vitest';
import { yearCalendar } from '@glen/core';
import { FIRST_PATTERN, draftFrom, type Draft } from '../src/features/moveIn/firstDraft.js';
import { readMeets } from '../src/features/moveIn/readMeets.js';
import { periodsOf, yearOfDraft } from '../src/features/moveIn/yearOfDraft.js';

const kept = (more: Partial<Draft> = {}): Draft => ({
  school: {
    name: 'Harbour Street',
    zone: 'America/Halifax',
    region: 'CA-NS',
    dateOrder: 'dmy',
    hours: '24',
    help: '',
    alone: true,
  },
  year: {
    terms: [{ name: 'Autumn', first: '2026-09-08', last: '2026-12-18' }],
    holidaysOf: 'CA-NS',
    holidays: [{ name: 'Thanksgiving', date: '2026-10-12' }],
    bells: FIRST_PATTERN,
    cycle: '',
  },
  you: { name: '', email: '' },
  ...more,
});
const withYear = (part: Partial<Draft['year']>): Draft => ({
  ...kept(),
  year: { ...kept().year, ...part },
});
const wrongWith = (part: Partial<Draft['year']>) => {
  const found = yearOfDraft(withYear(part));
  return 'wrong' in found ? found.wrong.path : null;
};

describe('what is typed while moving in', () => {
  it('is what was kept, and for the rest what the day makes likely', () => {
    const { school, year, you } = draftFrom({
      draft: { school: kept().school },
      today: '2026-11-26',
    });
    expect(school).toEqual(kept().school);
    expect(year.terms[0]).toMatchObject({ first: '2026-09-01' });
    // Whose holidays they are is nobody's yet: the region's are taken when they are known.
    expect(year).toMatchObject({ holidays: [], holidaysOf: '' });
    expect(you).toEqual({ name: '', email: '' });
  });

  it('comes to a school year', () => {
    const found = yearOfDraft(kept());
    expect(found).toMatchObject({
      calendar: {
        zone: 'America/Halifax',
        closures: [{ name: 'Thanksgiving', first: '2026-10-12' }],
        bells: [{ periods: [{ label: '1', start: '08:40' }, {}, {}, {}, {}, {}] }],
      },
    });
  });

  it('has no bells and no cycle where none are typed', () => {
    const found = yearOfDraft(withYear({ bells: null, cycle: ' , ' }));
    expect(found).toMatchObject({ calendar: { bells: [{ periods: [] }] } });
    expect('calendar' in found && found.calendar.cycle).toBeUndefined();
  });

  it.each([
    [{ bells: { ...FIRST_PATTERN, count: '' } }, 'bells.count'],
    [{ bells: { ...FIRST_PATTERN, minutes: 'many' } }, 'bells.minutes'],
    [{ bells: { ...FIRST_PATTERN, first: '8.40' } }, 'bells.first'],
    [
      { bells: { ...FIRST_PATTERN, breaks: [{ after: '9', minutes: '20' }] } },
      'bells.breaks.0.after',
    ],
    [{ terms: [{ name: 'Autumn', first: '2026-12-18', last: '2026-09-08' }] }, 'terms.0.last'],
    [{ cycle: 'A, A' }, 'cycle'],
  ])('says where it cannot be (%#)', (part, path) => {
    expect(wrongWith(part)).toBe(path);
  });

  it('reads the numbers of a pattern as they are typed', () => {
    expect(periodsOf({ ...FIRST_PATTERN, count: ' 2 ', breaks: [] })).toHaveLength(2);
    expect(() => periodsOf({ ...FIRST_PATTERN, count: '2.5' })).toThrow();
  });
});

describe('when a class period meets, in words', () => {
  const school = yearCalendar({
    zone: 'America/Halifax',
    terms: [{ name: 'Autumn', first: '2026-09-08', last: '2026-12-18' }],
    holidays: [],
    periods: [],
    cycle: [],
  });
  const moment = { school, today: '2026-11-26' };

  it('comes to a plan, a sentence and its dates', () => {
    const { meets } = readMeets('every Tuesday 18:30 to 20:00 until term ends', moment);
    expect(meets!.dates).toEqual(['2026-12-01', '2026-12-08', '2026-12-15']);
    expect(meets!.words).toMatch(/^Every Tue, 18:30 for 90 min.*: 3 sessions\.$/);
  });

  it('is nothing where nothing is typed', () => {
    expect(readMeets('  ', moment)).toEqual({});
  });

  it('says what is not understood, and what never comes', () => {
    expect(readMeets('when the moon is full', moment).wrong).toMatch(/Not understood/);
    const tooShort = readMeets('every Tuesday 18:30 to 20:00 until 2026-11-27', moment);
    expect(tooShort.wrong).toBe('“2026-11-27”: It would end before it begins.');
  });
});
