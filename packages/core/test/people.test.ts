import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areOffice, areStaff, rolesInWords, searchWords, wordsAsked } from '@glen/core';

describe('what somebody is to the school', () => {
  it('is said in words, in one order', () => {
    expect(rolesInWords(['teacher'])).toBe('teacher');
    expect(rolesInWords(['teacher', 'office'])).toBe('office and teacher');
    expect(rolesInWords(['guest', 'head', 'teacher'])).toBe('head, teacher and guest');
    expect(rolesInWords([])).toBe('nothing');
  });
  it('one role of several is enough', () => {
    expect(areStaff(['guest', 'teacher'])).toBe(true);
    expect(areStaff(['student', 'guest'])).toBe(false);
    expect(areOffice(['teacher', 'office'])).toBe(true);
    expect(areOffice(['teacher'])).toBe(false);
  });
});

describe('the words that somebody is found by', () => {
  it('are those of the name, each address, and what stands before its @', () => {
    expect(searchWords('Milo Sandoval-Fisk', ['Milo.Fisk@home.example'])).toEqual([
      'milo',
      'sandoval',
      'fisk',
      'milo.fisk@home.example',
    ]);
  });
  it('leave the domain out, for it would find everybody', () => {
    expect(searchWords('Ansel Grue', ['a.grue@merrow.example'])).not.toContain('merrow');
  });
  it('what is typed is looked for as the beginnings of words, an address as it is', () => {
    expect(wordsAsked('  Gru, ans ')).toEqual(['gru', 'ans']);
    expect(wordsAsked('a.grue@mer')).toEqual(['a.grue@mer']);
    expect(wordsAsked(' – ')).toEqual([]);
  });
  it('whoever is looked for by the beginning of each word of their name is found', () => {
    const name = fc.array(fc.stringMatching(/^[a-zéøа-я]{1,12}$/u), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(name, fc.nat({ max: 12 }), (parts, length) => {
        const words = searchWords(parts.join(' '), []);
        const typed = parts.map((part) => [...part].slice(0, length + 1).join('')).join(' ');
        return wordsAsked(typed).every((asked) => words.some((word) => word.startsWith(asked)));
      }),
    );
  });
});
