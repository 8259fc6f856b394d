import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  PENNANT_HUES,
  PENNANT_PATTERNS,
  bellsByPattern,
  dayInfo,
  indexSchool,
  likelyTerms,
  minuteOfDay,
  proposePennant,
  yearCalendar,
  type PennantMark,
} from '../src/index.js';

const SIX = {
  count: 6,
  minutes: 50,
  first: '08:40',
  between: 5,
  breaks: [{ after: 2, minutes: 20 }],
};

describe('bells by a pattern', () => {
  it('6 periods of 50 minutes from 08:40, 5 between, 20 after the 2nd', () => {
    expect(bellsByPattern(SIX).map((p) => `${p.label} ${p.start}–${p.end}`)).toEqual([
      '1 08:40–09:30',
      '2 09:35–10:25',
      '3 10:45–11:35',
      '4 11:40–12:30',
      '5 12:35–13:25',
      '6 13:30–14:20',
    ]);
  });

  it.each([
    [{ ...SIX, count: 0 }, 'count'],
    [{ ...SIX, minutes: 0 }, 'minutes'],
    [{ ...SIX, first: '8.40' }, 'first'],
    [{ ...SIX, between: -1 }, 'between'],
    [{ ...SIX, breaks: [{ after: 7, minutes: 20 }] }, 'breaks.0.after'],
    [{ ...SIX, first: '20:00' }, 'count'],
  ])('say what is wrong beside its field (%#)', (pattern, path) => {
    expect(() => bellsByPattern(pattern)).toThrow(GlenInputError);
    expect(() => bellsByPattern(pattern)).toThrow(expect.objectContaining({ path }));
  });

  it('always follow one another within the day, each as long as was said', () => {
    const pattern = fc.record({
      count: fc.integer({ min: 1, max: 8 }),
      minutes: fc.integer({ min: 1, max: 90 }),
      first: fc.constantFrom('07:30', '08:40', '09:00'),
      between: fc.integer({ min: 0, max: 15 }),
      breaks: fc.constant<{ after: number; minutes: number }[]>([]),
    });
    fc.assert(
      fc.property(pattern, (given) => {
        const spans = bellsByPattern(given).map((p) => [
          minuteOfDay(p.start, 'start'),
          minuteOfDay(p.end, 'end'),
        ]);
        for (const [i, [start, end]] of spans.entries()) {
          expect(end! - start!).toBe(given.minutes);
          if (i > 0) expect(start).toBe(spans[i - 1]![1]! + given.between);
        }
      }),
    );
  });
});

describe('likely terms', () => {
  it('are those of the year that one is in, and in summer of the year to come', () => {
    expect(likelyTerms('2026-11-26', 'CA-NS')[0]).toMatchObject({ first: '2026-09-01' });
    expect(likelyTerms('2027-02-01', '')[0]).toMatchObject({ first: '2026-09-01' });
    expect(likelyTerms('2027-07-20', 'GB')[0]).toMatchObject({ first: '2027-09-01' });
  });

  it('go with the calendar year where schools do', () => {
    expect(likelyTerms('2026-06-01', 'NZ').map((t) => t.name)).toHaveLength(4);
    expect(likelyTerms('2026-12-10', 'AU')[0]).toMatchObject({ first: '2027-01-29' });
  });

  it('always make a calendar that can be read', () => {
    for (const region of ['', 'CA-NS', 'NZ'])
      for (const today of ['2026-01-01', '2026-06-30', '2026-12-31'])
        expect(() =>
          indexSchool(
            yearCalendar({
              zone: 'America/Halifax',
              terms: likelyTerms(today, region),
              holidays: [],
              periods: [],
              cycle: [],
            }),
          ),
        ).not.toThrow();
  });
});

describe('a first-told year', () => {
  const year = {
    zone: 'America/Halifax',
    terms: [{ name: 'Autumn', first: '2026-09-08', last: '2026-12-18' }],
    holidays: [{ name: 'Thanksgiving', date: '2026-10-12' }],
    periods: bellsByPattern(SIX),
    cycle: ['A', 'B'],
  };

  it('teaches from Monday to Friday, holidays left out, on alternating days', () => {
    const school = yearCalendar(year);
    expect(dayInfo(school, '2026-09-08')).toMatchObject({ teaching: true, cycleDay: 'A' });
    expect(dayInfo(school, '2026-09-09')).toMatchObject({ teaching: true, cycleDay: 'B' });
    expect(dayInfo(school, '2026-09-12').teaching).toBe(false);
    expect(dayInfo(school, '2026-10-12')).toMatchObject({ teaching: false, why: 'Thanksgiving' });
  });

  it('teaches without bells too, and has no cycle of one', () => {
    const school = yearCalendar({ ...year, periods: [], cycle: ['A'] });
    expect(dayInfo(school, '2026-09-08').teaching).toBe(true);
    expect(school.cycle).toBeUndefined();
  });
});

describe('a pennant for a new class period', () => {
  it('bears the first letters of its words, and its period', () => {
    const letters = (title: string, period: string | null): string =>
      proposePennant({ title, period }, []).letters;
    expect(letters('Bookbinding, Tuesday group', null)).toBe('BT');
    expect(letters('Coastal Navigation', '3')).toBe('C3');
    expect(letters('Ropework', null)).toBe('RO');
    expect(letters('日本語', null)).toBe('日本');
    expect(letters('…', null)).toBe('?');
  });

  it('looks like no other, until every look is taken', () => {
    const taken: PennantMark[] = [];
    for (let i = 0; i < PENNANT_HUES.length * PENNANT_PATTERNS.length; i++)
      taken.push(proposePennant({ title: `Class ${i}`, period: null }, taken));
    expect(new Set(taken.map((p) => `${p.pattern} ${p.hue}`)).size).toBe(taken.length);
    expect(proposePennant({ title: 'One more', period: null }, taken).letters).toBe('OM');
  });
});
