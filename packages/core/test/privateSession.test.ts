import { describe, expect, it } from 'vitest';
import { isPrivate } from '../src/index.js';

const LESSON = { kind: 'lesson', isForNamed: false, whoMayEnter: 'roll' } as const;

describe('a private session', () => {
  it.each([
    ['a one-to-one', { ...LESSON, kind: 'one-to-one' }],
    ['what is for people by name alone', { ...LESSON, isForNamed: true }],
    ['what only the invited may enter', { ...LESSON, whoMayEnter: 'invited' }],
  ] as const)('is %s', (_what, link) => {
    expect(isPrivate(link)).toBe(true);
  });

  it('is no lesson, and nothing that strangers may come to', () => {
    expect(isPrivate(LESSON)).toBe(false);
    expect(isPrivate({ ...LESSON, kind: 'help' })).toBe(false);
    expect(isPrivate({ ...LESSON, kind: 'event', whoMayEnter: 'anyone' })).toBe(false);
  });
});
