import { describe, expect, it } from 'vitest';
import { lettersInWords } from '../src/index.js';

describe('what has become of a post’s letters', () => {
  it('is said in a line, what there is none of left out', () => {
    const all = { sent: 24, waiting: 0, refused: [], glen: 0 };
    expect(lettersInWords(all)).toBe('24 letters sent');
    expect(lettersInWords({ sent: 1, waiting: 2, refused: ['a'], glen: 3 })).toBe(
      '1 letter sent, 2 on the way, 1 refused; 3 read it in Glen alone',
    );
    expect(lettersInWords({ ...all, sent: 0, glen: 1 })).toBe(
      '0 letters sent; 1 reads it in Glen alone',
    );
  });
});
