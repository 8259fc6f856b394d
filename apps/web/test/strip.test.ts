import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayInfo } from '@glen/core';
import { calendar } from '../../../demo/school.js';
import {
  columnsOf,
  dotPath,
  layoutStrip,
  nearest,
  notchPath,
  strikePath,
  type Notch,
} from '../src/features/plan/strip/layout.js';
import { shortened } from '../src/features/plan/strip/StripRow.js';
import { notchInWords, stateOf } from '../src/features/plan/strip/inWords.js';

const notch = (date: string, time: string, more: Partial<Notch> = {}): Notch => ({
  id: 1,
  seriesId: 7,
  key: date,
  date,
  time,
  minutes: 50,
  start: `${date}T13:00:00Z`,
  end: `${date}T13:50:00Z`,
  status: 'planned',
  ...more,
});
const AUTUMN = columnsOf(calendar, '2026-09-08', '2026-12-18', []);
const layout = layoutStrip(
  calendar,
  AUTUMN,
  [notch('2026-10-14', '08:40'), notch('2026-11-05', '19:00')],
  760,
);

describe('the strip’s columns', () => {
  it('are the school days, and any other day on which something stands', () => {
    expect(AUTUMN).toHaveLength(74);
    expect(
      AUTUMN.every((date) => dayInfo(calendar, date).bell === 'Regular' || date === '2026-10-19'),
    ).toBe(true);
    expect(columnsOf(calendar, '2026-10-16', '2026-10-19', ['2026-10-17'])).toEqual([
      '2026-10-16',
      '2026-10-17',
      '2026-10-19',
    ]);
  });
  it('are found again from where they are drawn', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: AUTUMN.length - 1 }),
        fc.integer({ min: 200, max: 2400 }),
        (i, width) => {
          const l = layoutStrip(calendar, AUTUMN, [], width);
          expect(l.columnAt(l.x(i) + l.band / 2)).toBe(i);
          expect(l.x(i) + l.band).toBeLessThanOrEqual(width + 1);
        },
      ),
    );
  });
  it('shade weeks from Monday and hatch closures, each run once', () => {
    expect(layout.weeks).toHaveLength(15);
    expect(layout.weeks[1]!.date).toBe('2026-09-14');
    expect(layout.closures.map((c) => [c.name, c.to - c.from + 1])).toEqual([
      ['Truth and Reconciliation Day', 1],
      ['Thanksgiving', 1],
      ['Remembrance Day', 1],
      ['Staff day', 1],
    ]);
  });
});

describe('a row’s name', () => {
  it('keeps the words that tell it apart', () => {
    expect(
      [
        'Coastal Navigation',
        'Marine Weather',
        'Navigation group 12',
        'Chartwork clinic',
        'Ropework',
      ].map(shortened),
    ).toEqual(['Navigation', 'Marine Weather', 'group 12', 'clinic', 'Ropework']);
  });
});

describe('a notch', () => {
  it('is placed by its day and time, evenings lowest, and nowhere outside the days shown', () => {
    expect(layout.y(8 * 60 + 40)).toBeLessThan(layout.y(12 * 60));
    expect(layout.y(19 * 60)).toBeGreaterThan(layout.y(15 * 60));
    const paths = [notchPath, strikePath, dotPath].map((draw) =>
      draw(layout, notch('2027-02-01', '10:00')),
    );
    expect(paths).toEqual(['', '', '']);
    expect(notchPath(layout, notch('2026-10-14', '10:00'))).toMatch(
      /^M[\d.]+ [\d.]+h[\d.]+v12h-[\d.]+z$/,
    );
  });
  it('is the one nearest to the pointer', () => {
    const [early, late] = [notch('2026-10-14', '08:40'), notch('2026-10-14', '19:00', { id: 2 })];
    expect(nearest(layout, [early, late], 30)?.id).toBe(2);
    expect(nearest(layout, [early, late], 4)?.id).toBe(1);
    expect(nearest(layout, [], 4)).toBeUndefined();
  });
  it('says all about itself', () => {
    const series = {
      id: 7,
      classId: 1,
      linkId: 3,
      version: 1,
      title: 'Tides',
      words: '',
      draft: false,
      repeats: true,
    };
    const now = '2026-10-14T12:00:00Z';
    expect(notchInWords(notch('2026-10-14', '10:00'), series, now)).toBe(
      'Wed 14 Oct, 10:00–10:50: Tides, planned',
    );
    expect(stateOf(notch('2026-10-13', '10:00'), series, now)).toBe('over');
    expect(
      stateOf(notch('2026-10-14', '10:00', { status: 'cancelled', why: 'rain' }), series, now),
    ).toBe('cancelled: rain');
    expect(
      stateOf(
        notch('2026-10-14', '10:00', { was: { date: '2026-10-13', time: '10:00', minutes: 50 } }),
        series,
        now,
      ),
    ).toBe('moved from Tue 13 Oct');
    expect(stateOf(notch('2026-10-14', '10:00'), { ...series, draft: true }, now)).toBe('draft');
  });
});
