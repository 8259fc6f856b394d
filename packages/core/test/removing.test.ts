import { describe, expect, it } from 'vitest';
import { adviseRemoving } from '../src/index.js';

describe('removing a mistake', () => {
  it('is advised where nobody could have seen it', () => {
    const nobody = { draft: false, people: 0, places: 0 };
    expect(adviseRemoving(nobody).advises).toBe('remove');
    expect(adviseRemoving({ draft: true, people: 24, places: 3 })).toEqual({
      advises: 'remove',
      text: 'It is a draft: nobody but its hosts could have seen it.',
    });
  });
  it('else cancelling, with who could have', () => {
    expect(adviseRemoving({ draft: false, people: 24, places: 1 })).toEqual({
      advises: 'cancel',
      text: '24 people have it in their day, and its link stands in one place. Cancelled, it says so there; removed, it is gone without a word.',
    });
    expect(adviseRemoving({ draft: false, people: 0, places: 2 }).text).toMatch(
      /^Its link stands in 2 places\./,
    );
    expect(adviseRemoving({ draft: false, people: 1, places: 0 }).text).toMatch(
      /^One person has it in their day\./,
    );
  });
});
