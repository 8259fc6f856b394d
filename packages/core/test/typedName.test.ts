import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanName, foldedName } from '../src/index.js';

describe('a typed name', () => {
  it.each([
    ['  Ada   Quill ', 'Ada Quill'],
    ['Ada\tQuill\n', 'Ada Quill'],
    ['\u202eeuraM\u202c adA', 'euraM adA'],
    ['Ada\u0000\u0007 Quill', 'Ada Quill'],
    ['\u2066\u200fAda\u2069', 'Ada'],
    [`A${'\u0301'.repeat(40)}da`, `\u00c1${'\u0301'.repeat(4)}da`],
    ['محمد‌رضا', 'محمد‌رضا'],
    ['\u200e', ''],
  ])('%j is taken as %j', (typed, name) => {
    expect(cleanName(typed)).toBe(name);
  });

  it('cleaned twice is the same as once', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (typed) => {
        expect(cleanName(cleanName(typed))).toBe(cleanName(typed));
      }),
    );
  });
});

describe('names that read alike', () => {
  it.each([
    ['Ottoline Marsh', 'OTTOLINE  marsh'],
    ['Ottoline Marsh', 'Óttoline-Mársh'],
    ['Ottoline Marsh', 'Ottoline\u200b Marsh'],
    ['Ottoline Marsh', 'Ｏｔｔｏｌｉｎｅ Ｍａｒｓｈ'],
  ])('%j is %j', (one, other) => {
    expect(foldedName(one)).toBe(foldedName(other));
  });

  it('are no others', () => {
    expect(foldedName('Ansel Grue')).not.toBe(foldedName('Ansel Gruen'));
    expect(foldedName('⚓')).not.toBe(foldedName('⛵'));
  });
});
