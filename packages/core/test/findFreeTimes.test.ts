import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  findFreeTimes,
  placeWallTime,
  utcOf,
  type FreeTimesAsked,
} from '../src/index.js';

const at = (time: string, date = '2026-10-14'): string => `${date}T${time}:00Z`;
const span = (from: string, to: string, date?: string) => ({
  start: at(from, date),
  end: at(to, date),
});
const asked = (more: Partial<FreeTimesAsked>): FreeTimesAsked => ({
  busy: {},
  required: [],
  optional: [],
  within: [span('09:00', '12:00')],
  minutes: 60,
  step: 30,
  ...more,
});
const starts = (more: Partial<FreeTimesAsked>): string[] =>
  findFreeTimes(asked(more)).map(({ start }) => start.slice(11, 16));

describe('findFreeTimes', () => {
  it('gives each start on the step that ends within the window', () => {
    expect(starts({})).toEqual(['09:00', '09:30', '10:00', '10:30', '11:00']);
    expect(starts({ within: [span('09:10', '10:50')] })).toEqual(['09:10', '09:40']);
    expect(starts({ within: [span('09:00', '09:59')] })).toEqual([]);
  });

  it('leaves out what meets anybody who must come; ends that touch do not', () => {
    const busy = { ada: [span('10:00', '10:30')] };
    expect(starts({ busy, required: ['ada'] })).toEqual(['09:00', '10:30', '11:00']);
  });

  it('puts first when most of the others can come, then what is earliest, and names who cannot', () => {
    const busy = { ben: [span('09:00', '10:00')], cem: [span('08:00', '10:15')] };
    expect(findFreeTimes(asked({ busy, optional: ['cem', 'ben'] }))).toEqual([
      { ...span('10:30', '11:30'), missing: [] },
      { ...span('11:00', '12:00'), missing: [] },
      { ...span('10:00', '11:00'), missing: ['cem'] },
      { ...span('09:00', '10:00'), missing: ['ben', 'cem'] },
      { ...span('09:30', '10:30'), missing: ['ben', 'cem'] },
    ]);
  });

  it('counts nobody twice: busy spans may overlap, and a name may be said twice or in both lists', () => {
    const busy = { ben: [span('09:00', '10:00'), span('09:15', '09:45')] };
    const twice = findFreeTimes(asked({ busy, optional: ['ben', 'ben'], most: 4 }));
    expect(twice.map(({ missing }) => missing)).toEqual([[], [], [], ['ben']]);
    expect(starts({ busy, required: ['ben'], optional: ['ben'] })).toEqual([
      '10:00',
      '10:30',
      '11:00',
    ]);
  });

  it('gives a start once where windows overlap, in whatever order they come', () => {
    const within = [span('10:00', '11:30'), span('09:00', '11:00')];
    expect(starts({ within })).toEqual(['09:00', '09:30', '10:00', '10:30']);
  });

  it('takes an empty busy span for none, and whoever has none for free', () => {
    const busy = { ada: [span('10:00', '10:00')] };
    expect(starts({ busy, required: ['ada', 'nobody', 'toString'] })).toHaveLength(5);
  });

  it('gives so many at most, 20 where nothing is said, and tries every five minutes', () => {
    const { step: _, ...plain } = asked({});
    expect(findFreeTimes(plain)).toHaveLength(20);
    expect(findFreeTimes(plain)[1]!.start).toBe(at('09:05'));
    expect(starts({ most: 2 })).toEqual(['09:00', '09:30']);
  });

  it('goes by elapsed time over a change of clocks', () => {
    const night = placeWallTime('2026-11-01', '00:00', 240, 'America/Halifax');
    expect(findFreeTimes(asked({ within: [night] }))).toHaveLength(7);
  });

  it('refuses what is no question, with the place', () => {
    const path = (more: Partial<FreeTimesAsked>): string => {
      try {
        findFreeTimes(asked(more));
      } catch (error) {
        if (error instanceof GlenInputError) return error.path;
      }
      return 'none';
    };
    expect(path({ minutes: 0 })).toBe('minutes');
    expect(path({ step: 0 })).toBe('step');
    expect(path({ most: 0.5 })).toBe('most');
    expect(path({ within: [span('10:00', '10:00')] })).toBe('within.0.end');
    expect(path({ busy: { ada: [span('10:00', '09:00')] }, required: ['ada'] })).toBe(
      'busy.ada.0.end',
    );
  });
});

describe('free times, whatever is asked', () => {
  const MINUTE = 60;
  const aSpan = fc
    .tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 120 }))
    .map(([from, length]) => ({
      start: utcOf(from * MINUTE),
      end: utcOf((from + length) * MINUTE),
    }));
  const aWindow = fc
    .tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 200 }))
    .map(([from, length]) => ({
      start: utcOf(from * MINUTE),
      end: utcOf((from + length) * MINUTE),
    }));
  const people = ['a', 'b', 'c', 'd'];
  const aQuestion = fc.record({
    busy: fc.dictionary(fc.constantFrom(...people), fc.array(aSpan, { maxLength: 6 })),
    required: fc.subarray(people),
    optional: fc.subarray(people),
    within: fc.array(aWindow, { maxLength: 4 }),
    minutes: fc.integer({ min: 1, max: 90 }),
    step: fc.integer({ min: 1, max: 40 }),
    most: fc.integer({ min: 1, max: 12 }),
  });
  const isBusy = ({ busy }: FreeTimesAsked, id: string, start: string, end: string): boolean =>
    (busy[id] ?? []).some((b) => b.start < b.end && b.start < end && start < b.end);

  /** The same by trying every start by itself. */
  function tried(question: FreeTimesAsked & { step: number; most: number }) {
    const { within, minutes, step, required, optional, most } = question;
    const all = new Set<string>();
    for (const { start, end } of within)
      for (
        let at = Date.parse(start);
        at + minutes * 60_000 <= Date.parse(end);
        at += step * 60_000
      )
        all.add(utcOf(at / 1000));
    const others = optional.filter((id) => !required.includes(id)).sort();
    return [...all]
      .sort()
      .map((start) => ({ start, end: utcOf(Date.parse(start) / 1000 + minutes * 60) }))
      .filter(({ start, end }) => !required.some((id) => isBusy(question, id, start, end)))
      .map(({ start, end }) => ({
        start,
        end,
        missing: others.filter((id) => isBusy(question, id, start, end)),
      }))
      .sort((a, b) => a.missing.length - b.missing.length || (a.start < b.start ? -1 : 1))
      .slice(0, most);
  }

  it('are what trying every start by itself finds', () => {
    fc.assert(
      fc.property(aQuestion, (question) => {
        expect(findFreeTimes(question)).toEqual(tried(question));
      }),
      { numRuns: 400 },
    );
  });

  it('never meet the busy time of anybody who must come', () => {
    fc.assert(
      fc.property(aQuestion, (question) => {
        for (const { start, end } of findFreeTimes(question))
          for (const id of question.required) expect(isBusy(question, id, start, end)).toBe(false);
      }),
    );
  });
});
