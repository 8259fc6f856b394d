import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { actionInWords, changesInWords } from '@glen/core';

describe('what was done, in words', () => {
  it('is said of every kind of deed; of one from long ago by its old name', () => {
    expect(actionInWords('retire-person')).toBe('retired');
    expect(actionInWords('paint-the-mast')).toBe('paint the mast');
  });
});

describe('what changed between two states of a thing', () => {
  it('is told field by field, and what stayed is left out', () => {
    const before = { title: 'Knots', period: null, isOpen: false };
    const after = { title: 'Knots and splices', period: '3', isOpen: false };
    expect(changesInWords(before, after)).toEqual([
      { field: 'title', before: 'Knots', after: 'Knots and splices' },
      { field: 'period', before: '', after: '3' },
    ]);
  });
  it('of what was made all is new, of what is gone all is old', () => {
    expect(changesInWords(undefined, { whoMayEnter: 'anyone' })).toEqual([
      { field: 'who may enter', before: '', after: 'anyone' },
    ]);
    expect(changesInWords({ as_what: 'host' }, undefined)).toEqual([
      { field: 'as what', before: 'host', after: '' },
    ]);
  });
  it('takes lists, yes and no, and what is no object', () => {
    expect(changesInWords({ on: true, days: ['Mon', 'Tue'] }, { on: false, days: [] })).toEqual([
      { field: 'on', before: 'yes', after: 'no' },
      { field: 'days', before: 'Mon, Tue', after: 'none' },
    ]);
    expect(changesInWords('waiting', 'let-in')).toEqual([
      { field: '', before: 'waiting', after: 'let-in' },
    ]);
    expect(changesInWords(undefined, undefined)).toEqual([]);
  });
  it('is never long, whatever the states are', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 4 }), fc.jsonValue({ maxDepth: 4 }), (before, after) => {
        const changes = changesInWords(before, after);
        return (
          changes.length <= 12 &&
          changes.every((c) => c.before.length <= 160 && c.after.length <= 160)
        );
      }),
    );
  });
  it('is nothing between a state and itself', () => {
    fc.assert(fc.property(fc.jsonValue(), (state) => changesInWords(state, state).length === 0));
  });
});
