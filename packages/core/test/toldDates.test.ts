import { describe, expect, it } from 'vitest';
import {
  fittingWord,
  newsInWords,
  newsOfDate,
  standingOf,
  type ChangedSession,
} from '../src/index.js';

const KNOTS = { title: 'Knots', date: '2026-11-05', time: '10:45', minutes: 50 };
const changed = (more: Partial<ChangedSession>): ChangedSession => ({
  ...KNOTS,
  status: 'cancelled',
  was: null,
  note: null,
  ...more,
});
const held = { ...KNOTS, changed: null };
const cancelled = { ...KNOTS, changed: changed({ note: 'storm' }) };
const moved = {
  ...KNOTS,
  time: '11:40',
  changed: changed({
    status: 'moved',
    time: '11:40',
    was: { date: '2026-11-05', time: '10:45', minutes: 50 },
  }),
};

describe('what people are told of a date', () => {
  it('is what has become of it, once', () => {
    expect(newsOfDate(cancelled)).toBe('Cancelled: Knots, Thu 5 Nov 10:45 (storm)');
    expect(newsOfDate(cancelled, standingOf(cancelled))).toBeNull();
    expect(newsOfDate(moved)).toBe('Moved: Knots, Thu 5 Nov, from 10:45 to 11:40');
    expect(newsOfDate(moved, standingOf(cancelled))).toBe(
      'Moved: Knots, Thu 5 Nov, from 10:45 to 11:40',
    );
  });
  it('is that it is held after all, where they were told otherwise; else nothing', () => {
    expect(newsOfDate(held)).toBeNull();
    expect(newsOfDate(held, standingOf(cancelled))).toBe('Held after all: Knots, Thu 5 Nov 10:45');
  });
  it('tells of many dates how many more they are, and fits where it is kept', () => {
    const many = Array.from({ length: 30 }, (_, i) => `Moved: ${'Knots '.repeat(40)}${i}`);
    const { title, text } = fittingWord(newsInWords(many, 'Ropework'));
    expect(title).toBe('Ropework: 30 sessions have changed');
    expect(text.length).toBe(2000);
    expect(newsInWords(['a', ...many].fill('a'), 'Ropework').text).toMatch(/And 21 more\.$/);
    const one = fittingWord({ title: 'x'.repeat(300), text: 'short' });
    expect([one.title.length, one.title.at(-1), one.text]).toEqual([200, '…', 'short']);
  });
  it('is one word for several dates', () => {
    expect(newsInWords(['Cancelled: Knots'], 'Ropework')).toEqual({
      title: 'Cancelled: Knots',
      text: 'It is a session of Ropework.',
    });
    expect(newsInWords(['Cancelled: Ropework, Thu 5 Nov'], 'Ropework').text).toBe('');
    expect(newsInWords(['Cancelled: Knots', 'Moved: Hitches'], 'Ropework')).toEqual({
      title: 'Ropework: 2 sessions have changed',
      text: 'Cancelled: Knots. Moved: Hitches.',
    });
  });
});
