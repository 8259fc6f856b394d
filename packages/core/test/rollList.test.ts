import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planRoll, readRollList, type KnownPerson } from '../src/index.js';

const read = (text: string) =>
  readRollList(text).map(({ name, email, isGuessed }) => `${name}|${email}${isGuessed ? '?' : ''}`);

describe('a pasted list', () => {
  it('is read as it is copied out of a mail', () => {
    expect(
      read('Ansel Grue <A.Grue@merrow.example>\n\nBirgit Tideman b.tideman@merrow.example'),
    ).toEqual(['Ansel Grue|a.grue@merrow.example', 'Birgit Tideman|b.tideman@merrow.example']);
  });

  it('is read by the names of its columns, in any order, with others beside them', () => {
    expect(
      read('Id;Email;Last name;First name\n7;a.grue@merrow.example;Grue;Ansel\n8;;Tideman;Birgit'),
    ).toEqual(['Ansel Grue|a.grue@merrow.example', 'Birgit Tideman|']);
    expect(read('Name\tAddress\nAnsel Grue\ta.grue@merrow.example')).toEqual([
      'Ansel Grue|a.grue@merrow.example',
    ]);
  });

  it('is read without names of columns; which way round a name stands is asked', () => {
    expect(read('Grue, Ansel, a.grue@merrow.example\nTideman, Birgit, b.t@merrow.example')).toEqual(
      ['Ansel Grue|a.grue@merrow.example?', 'Birgit Tideman|b.t@merrow.example?'],
    );
    expect(read('Ansel\tGrue\ta.grue@merrow.example')).toEqual([
      'Ansel Grue|a.grue@merrow.example?',
    ]);
  });

  it('is read line by line where nothing is alike', () => {
    expect(
      read('Ansel Grue <a@merrow.example>\nTideman, Birgit, b@merrow.example\nnobody'),
    ).toEqual(['Ansel Grue|a@merrow.example', 'Birgit Tideman|b@merrow.example?', 'nobody|']);
  });

  it('keeps commas within quotes together, and counts lines as they were pasted', () => {
    expect(readRollList('name,email\n\n"Grue, Ansel",a.grue@merrow.example')).toEqual([
      { line: 3, name: 'Grue, Ansel', email: 'a.grue@merrow.example', isGuessed: false },
    ]);
  });

  it('takes any text without falling over, a line for each that has something on it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => {
        const lines = text
          .replace(/^\ufeff/, '')
          .split(/\r\n|\r|\n/)
          .filter((l) => l.trim() !== '');
        const found = readRollList(text).length;
        expect(found === lines.length || found === lines.length - 1).toBe(true);
      }),
    );
  });
});

const ansel: KnownPerson = {
  id: 1,
  name: 'Ansel Grue',
  emails: ['a.grue@merrow.example'],
  isStudent: true,
  isRetired: false,
};
const tomas: KnownPerson = {
  id: 9,
  name: 'Tomas Verhage',
  emails: ['t.verhage@merrow.example'],
  isStudent: false,
  isRetired: false,
};
const plan = (text: string, onRoll: number[] = []) =>
  planRoll(readRollList(text), [ansel, tomas], onRoll).map((l) => ({
    what: l.what,
    id: l.personId,
  }));

describe('what a list would do', () => {
  it('adds whom the school knows, makes whom it does not, leaves who is there', () => {
    const list = 'Ansel Grue <a.grue@merrow.example>\nNew One <new@merrow.example>';
    expect(plan(list)).toEqual([
      { what: 'add', id: 1 },
      { what: 'make', id: null },
    ]);
    expect(plan(list, [1])[0]).toEqual({ what: 'there', id: 1 });
  });

  it('knows a name however it is written', () => {
    expect(plan('name,email\n"GRÜE, ansel",a.grue@merrow.example')).toEqual([
      { what: 'add', id: 1 },
    ]);
  });

  it('asks about what is not certain', () => {
    expect(plan('Somebody Else <a.grue@merrow.example>')).toEqual([{ what: 'doubt', id: 1 }]);
    expect(plan('Ansel Grue <ansel@home.example>')).toEqual([{ what: 'doubt', id: null }]);
    expect(plan('Grue, Xaver, x@merrow.example')).toEqual([{ what: 'doubt', id: null }]);
  });

  it('leaves out whoever teaches here', () => {
    expect(plan('Tomas Verhage <t.verhage@merrow.example>')).toEqual([{ what: 'wrong', id: null }]);
  });

  it('says what is wrong, and takes each address once', () => {
    const lines = planRoll(
      readRollList('Nobody\nx@merrow.example\nA B <x@merrow.example>\nC D <c@d>'),
      [],
      [],
    );
    expect(lines.map((l) => l.why)).toEqual([
      'No address: without one they have no account.',
      'A name is missing.',
      'This address stands in the list already.',
      'No address: without one they have no account.',
    ]);
  });

  it('takes a list of names alone for people without accounts; each name once', () => {
    const names = 'Ida Lund\nPer Holm\nIda Lund';
    expect(planRoll(readRollList(names), [], []).map((l) => [l.what, l.why])).toEqual([
      ['make', ''],
      ['make', ''],
      ['wrong', 'This name stands in the list already.'],
    ]);
  });

  it('asks whether a name alone is somebody whom the school knows', () => {
    expect(plan('Ansel Grue')).toEqual([{ what: 'doubt', id: 1 }]);
    expect(plan('Ansel Grue', [1])).toEqual([{ what: 'there', id: 1 }]);
  });

  it('leaves out whoever is retired, and says who can bring them back', () => {
    const retired = { ...ansel, isRetired: true };
    const [line] = planRoll(readRollList('Ansel Grue <a.grue@merrow.example>'), [retired], []);
    expect(line).toMatchObject({ what: 'wrong', personId: null });
    expect(line!.why).toContain('retired');
  });

  it('reads 3,000 lines, half of them broken', () => {
    const list = Array.from({ length: 3000 }, (_, i) =>
      i % 2 ? `Student ${i} <s${i}@merrow.example>` : `broken line ${i}`,
    ).join('\n');
    const lines = planRoll(readRollList(list), [ansel], []);
    expect(lines.filter((l) => l.what === 'make')).toHaveLength(1500);
    expect(lines.filter((l) => l.what === 'doubt')).toHaveLength(1500);
  });
});
