import { describe, expect, it } from 'vitest';
import { registerInWords, type CountedRow } from '../src/index.js';

const row = (stands: CountedRow['stands'], more: Partial<CountedRow> = {}): CountedRow => ({
  stands,
  late: false,
  leftEarly: false,
  ...more,
});

describe('a register in a line', () => {
  it('counts the roll, what can be held against somebody, and guests', () => {
    const rows = [
      row('present', { late: true }),
      row('present', { leftEarly: true }),
      row('partly', { late: true }),
      row('absent'),
      row('excused'),
      row('guest'),
    ];
    expect(registerInWords(rows)).toBe(
      '2 of 5 present, 1 partly, 1 excused, 1 absent; 2 late, 1 left early; 1 guest',
    );
  });
  it('leaves out what there is nothing of', () => {
    expect(registerInWords([row('present')])).toBe('1 of 1 present');
    expect(registerInWords([row('guest'), row('guest')])).toBe('2 guests');
    expect(registerInWords([])).toBe('Nobody came');
    expect(registerInWords([row('absent'), row('absent')])).toBe('0 of 2 present, 2 absent');
  });
});
