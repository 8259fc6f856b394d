import { describe, expect, it } from 'vitest';
import { stillInside } from '../src/index.js';

describe('who would stay behind', () => {
  it('is named, and counted where it is many', () => {
    expect(stillInside([])).toBe('');
    expect(stillInside(['Ansel'])).toBe('Still inside: Ansel.');
    expect(stillInside(['Ansel', 'Birgit', 'Caspian'])).toBe(
      'Still inside: Ansel, Birgit and Caspian.',
    );
    expect(stillInside(['A', 'B', 'C', 'D', 'E', 'F', 'G'])).toBe(
      'Still inside: A, B, C, D, E and 2 more.',
    );
  });
});
