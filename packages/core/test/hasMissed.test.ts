import { describe, expect, it } from 'vitest';
import { hasMissed } from '../src/index.js';

describe('lessons missed in a row', () => {
  it('are told of as the last of them is missed, and not again after the next', () => {
    expect(hasMissed(['absent', 'absent', 'absent', 'present'], 3)).toBe(true);
    expect(hasMissed(['absent', 'absent', 'absent'], 3)).toBe(true);
    expect(hasMissed(['absent', 'absent', 'absent', 'absent'], 3)).toBe(false);
  });
  it('are in a row only where nothing lies between', () => {
    expect(hasMissed(['absent', 'partly', 'absent', 'absent'], 3)).toBe(false);
    expect(hasMissed(['present', 'absent', 'absent', 'absent'], 3)).toBe(false);
    expect(hasMissed(['absent', 'absent'], 3)).toBe(false);
  });
  it('are never told of where the school wishes so', () => {
    expect(hasMissed(['absent', 'absent'], 0)).toBe(false);
  });
});
