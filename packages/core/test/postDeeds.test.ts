import { describe, expect, it } from 'vitest';
import { postDeed } from '../src/index.js';

const post = (more: object = {}): object => ({
  words: 'Bring dividers.',
  linkWords: 'Join',
  about: 'link',
  timing: { kind: 'now' },
  afterwards: 'stay',
  pinned: false,
  places: [{ classId: 1, kind: 'stream' }],
  ...more,
});
const edited = (before: object, after: object): string =>
  postDeed({ action: 'edit-post', before: post(before), after: post(after) });

describe('what somebody did to a post', () => {
  it('tells posting, drafting and queueing apart', () => {
    const wrote = (timing: unknown): string =>
      postDeed({ action: 'post', before: null, after: { timing } });
    expect(wrote('now')).toBe('posted it');
    expect(wrote('draft')).toBe('wrote a draft of it');
    expect(wrote({ before: 10 })).toBe('wrote it, to go out by itself');
  });
  it('tells what of it was changed, and a release from a change', () => {
    expect(edited({}, { words: 'Bring rope.' })).toBe('changed its words');
    expect(edited({}, { places: [], timing: { kind: 'draft' } })).toBe(
      'changed when it goes out and where it goes',
    );
    expect(edited({ timing: { kind: 'draft' } }, {})).toBe('released it');
    expect(edited({ timing: { kind: 'draft' } }, { pinned: true })).toBe(
      'released it, and changed what becomes of it',
    );
    expect(edited({}, {})).toBe('saved it as it was');
  });
  it('tells at which place, and of what is done by hand which way', () => {
    const where = 'First slide, Ropework';
    expect(postDeed({ action: 'placement-done', before: null, after: { where } })).toBe(
      `put it up by hand: ${where}`,
    );
    expect(postDeed({ action: 'placement-done', before: null, after: { where, down: true } })).toBe(
      `took it down by hand: ${where}`,
    );
    expect(postDeed({ action: 'placement-put-back', before: null, after: null })).toBe(
      'put it back at one place',
    );
  });
  it('says of what is not known any more what it was called', () => {
    expect(postDeed({ action: 'old-deed', before: null, after: null })).toBe('old deed');
  });
});
