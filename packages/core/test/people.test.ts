import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areOffice,
  areStaff,
  notesForNoAccount,
  notesForPerson,
  occasionRules,
  rolesInWords,
  searchWords,
  wordsAsked,
  type PersonFacts,
} from '@glen/core';

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

const ottoline: PersonFacts = {
  name: 'Ottoline Marsh',
  roles: ['teacher'],
  isRetired: false,
  accounts: [{ kind: 'school', hasWayIn: true }],
  teaches: 3,
  learns: 0,
  guards: 0,
};
const titles = (person: Partial<PersonFacts>): string[] =>
  notesForPerson({ ...ottoline, ...person }).map((note) => note.title);

describe('what needs thought about one person', () => {
  it('is nothing where they can come in wherever they belong', () => {
    expect(titles({})).toEqual(['Everything is in place']);
  });
  it('is how they come in, and where they belong', () => {
    expect(titles({ accounts: [{ kind: 'personal', hasWayIn: true }] })).toEqual([
      'No school account',
    ]);
    expect(titles({ accounts: [{ kind: 'school', hasWayIn: false }] })).toEqual(['No way in yet']);
    const student: Partial<PersonFacts> = { roles: ['student'], teaches: 0 };
    expect(titles({ ...student, learns: 0 })).toEqual(['On no roll']);
    expect(titles({ ...student, learns: 1, accounts: [] })).toEqual([
      'Comes without an account',
      'Everything is in place',
    ]);
    expect(titles({ roles: ['guest'], teaches: 0, guards: 1 })).toEqual([
      'A guardian',
      'Everything is in place',
    ]);
  });
  it('is that they are retired, and nothing else', () => {
    expect(titles({ isRetired: true, accounts: [] })).toEqual(['Retired']);
  });
});

describe('people on a roll who have no account', () => {
  const note = (withoutAccount: number, whoMayEnter: 'roll' | 'anyone') =>
    notesForNoAccount({ classId: 7, withoutAccount, whoMayEnter })[0];
  it('come where anyone with the link may knock; elsewhere that is offered', () => {
    expect(note(0, 'roll')).toBeUndefined();
    expect(note(2, 'anyone')).toMatchObject({ severity: 'inform', title: '2 have no account' });
    expect(note(1, 'roll')).toMatchObject({
      severity: 'careful',
      title: 'One has no account',
      actions: [{ name: 'knock-until-roll', subject: 7 }],
    });
  });
});

describe('who comes to an occasion', () => {
  it('is whom its host names, whoever is let in, or everybody', () => {
    expect(occasionRules('named')).toEqual({ whoMayEnter: 'roll' });
    expect(occasionRules('knock')).toEqual({ whoMayEnter: 'anyone', straightIn: 'hosts' });
    expect(occasionRules('open')).toMatchObject({ whoMayEnter: 'anyone', straightIn: 'everyone' });
  });
});
