import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  plusMinutes,
  programmeAt,
  programmeInText,
  programmeMoments,
  readProgramme,
  shiftProgramme,
  type ProgrammeItem,
} from '../src/index.js';

const EVENING = { time: '18:30', minutes: 90 };
const TEXT = `18:30 Welcome
18:45 Chartwork, what it is for (Tomas Verhage)
19:15 Questions`;
const items = readProgramme(TEXT, EVENING).items;
const span = { start: '2026-11-04T22:30:00Z', end: '2026-11-05T00:00:00Z' };

describe('a programme', () => {
  it('is read from lines of a time, what it is, and who speaks', () => {
    expect(items).toEqual([
      { after: 0, title: 'Welcome', speaker: '' },
      { after: 15, title: 'Chartwork, what it is for', speaker: 'Tomas Verhage' },
      { after: 45, title: 'Questions', speaker: '' },
    ]);
    expect(programmeInText(items, '18:30')).toBe(TEXT);
  });

  it('is read in whatever way times are written, and put in order', () => {
    const read = readProgramme('7.15 – Questions\n\n6:45pm: Chartwork\n1830 Welcome', EVENING);
    expect(read.unread).toEqual([]);
    expect(read.items.map(({ after, title }) => [after, title])).toEqual([
      [0, 'Welcome'],
      [15, 'Chartwork'],
      [45, 'Questions'],
    ]);
  });

  it('says which lines cannot be read, and why', () => {
    const read = readProgramme(
      'Welcome\n18:30 Welcome\n18:30 Again\n21:00 Too late\n18:00 Too early',
      EVENING,
    );
    expect(read.unread).toEqual([
      { line: 1, text: 'Welcome', why: 'It begins with no time, such as 18:30.' },
      { line: 3, text: '18:30 Again', why: 'Something begins at that time already.' },
      { line: 4, text: '21:00 Too late', why: 'At 21:00 the session does not run.' },
      { line: 5, text: '18:00 Too early', why: 'At 18:00 the session does not run.' },
    ]);
  });

  it('may run past midnight', () => {
    const late = { time: '23:30', minutes: 90 };
    expect(readProgramme('23:45 Tea\n00:15 Stars', late).items.map(({ after }) => after)).toEqual([
      15, 45,
    ]);
  });

  it('says what is on, and what comes next', () => {
    const begins = items.map(({ after }) => plusMinutes(span.start, after));
    const at = (time: string) => programmeAt(begins, span, `2026-11-04T${time}:00Z`);
    expect(at('22:00')).toEqual({ on: null, next: 0 });
    expect(at('22:30')).toEqual({ on: 0, next: 1 });
    expect(at('23:20')).toEqual({ on: 2, next: null });
    expect(programmeAt(begins, span, span.end)).toEqual({ on: null, next: null });
  });

  it('has those inside told two minutes before each change', () => {
    expect(programmeMoments(items, span.start)).toEqual([
      '2026-11-04T22:43:00Z',
      '2026-11-04T23:13:00Z',
    ]);
  });

  it('has its rest begin later, or sooner, as long as it stays in order and within the session', () => {
    const shifted = shiftProgramme(items, { from: 1, by: 20, minutes: 90 });
    expect(shifted.map(({ after }) => after)).toEqual([0, 35, 65]);
    const path = (from: number, by: number): string => {
      try {
        shiftProgramme(items, { from, by, minutes: 90 });
      } catch (error) {
        if (error instanceof GlenInputError) return error.path;
      }
      return 'none';
    };
    expect(path(1, -15)).toBe('by');
    expect(path(1, 45)).toBe('by');
    expect(path(9, 5)).toBe('from');
    expect(path(0, -1)).toBe('by');
  });

  it('is read back as it was told, whatever it holds', () => {
    const word = fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,20}[a-z]$/);
    const someItems = fc
      .uniqueArray(fc.integer({ min: 0, max: 89 }), { minLength: 1, maxLength: 8 })
      .chain((afters) =>
        fc.tuple(
          ...afters
            .sort((a, b) => a - b)
            .map((after) =>
              fc.record({
                after: fc.constant(after),
                title: word,
                speaker: fc.oneof(fc.constant(''), word),
              }),
            ),
        ),
      );
    fc.assert(
      fc.property(someItems, (some) => {
        const told = programmeInText(some as ProgrammeItem[], EVENING.time);
        expect(readProgramme(told, EVENING)).toEqual({ items: some, unread: [] });
      }),
      { examples: [[[{ after: 0, title: 'Am Hafen', speaker: '' }]]] },
    );
  });
});
