import { describe, expect, it } from 'vitest';
import { withoutCodes } from '../src/index.js';

const rules = (entryCode: string | null) => ({ lobby: true, rules: { entryCode } });

describe('what is told of entry codes', () => {
  it.each([
    ['one is set', null, 'Tide 42', null, 'set'],
    ['it stays', 'Tide 42', 'Tide 42', 'set', 'set'],
    ['there is another', 'Tide 42', 'Foghorn "7"', 'set', 'set to another'],
    ['it is taken away', 'Tide 42', null, 'set', null],
  ])('%s', (_what, before, after, toldBefore, toldAfter) => {
    expect(withoutCodes(rules(before), rules(after))).toEqual({
      before: rules(toldBefore),
      after: rules(toldAfter),
    });
  });

  it('is not the code itself, however deep it stands', () => {
    const deep = { dates: { '2026-10-14': [{ entryCode: 'Tide 42' }] } };
    expect(JSON.stringify(withoutCodes(undefined, deep))).not.toContain('Tide');
  });

  it('leaves everything else as it is', () => {
    const said = { title: 'Tide 42', n: 1, none: null, list: ['a'] };
    expect(withoutCodes(said, 'plain')).toEqual({ before: said, after: 'plain' });
  });
});
