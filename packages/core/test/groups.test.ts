import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeText, groupProblemInWords, readGroups, splitGroups } from '../src/index.js';

describe('splitting a roll', () => {
  it('deals it in its order into groups whose sizes differ by one at most', () => {
    expect(splitGroups(['a', 'b', 'c', 'd', 'e'], 2)).toEqual([
      ['a', 'b', 'c'],
      ['d', 'e'],
    ]);
    expect(() => splitGroups(['a'], 2)).toThrow(expect.objectContaining({ path: 'count' }));
    expect(() => splitGroups([], 1)).toThrow(/nobody/);
    expect(() => splitGroups(['a'], 0)).toThrow(expect.objectContaining({ path: 'count' }));
  });
  it('loses nobody and doubles nobody, at random too', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 40 }),
        fc.infiniteStream(fc.double({ min: 0, max: 0.999999, noNaN: true })),
        (n, count, stream) => {
          fc.pre(count <= n);
          const people = Array.from({ length: n }, (_, i) => i);
          const random = people.map(() => stream.next().value!);
          for (const groups of [splitGroups(people, count), splitGroups(people, count, random)]) {
            expect(groups.flat().sort((a, b) => a - b)).toEqual(people);
            const sizes = groups.map((g) => g.length);
            expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
          }
        },
      ),
    );
  });
  it('at random puts each of three people first a third of the time, over all orders of chance', () => {
    const steps = [0, 0.4, 0.8];
    const firsts = [0, 0, 0];
    for (const a of steps)
      for (const b of [0, 0.6]) firsts[splitGroups([0, 1, 2], 3, [0, b, a])[0]![0]!]!++;
    expect(firsts).toEqual([2, 2, 2]);
  });
});

const roll = [
  { id: 1, name: 'Ansel Grue', email: 'ansel.grue@merrow.example' },
  { id: 2, name: 'Birgit Tideman', email: 'birgit@merrow.example' },
  { id: 3, name: 'Zoë Ferrís', email: null },
  { id: 4, name: 'Jory Muise', email: 'jory.1@merrow.example' },
  { id: 5, name: 'Jory Muise', email: 'jory.2@merrow.example' },
];

describe('groups from a file', () => {
  it('takes columns in any order, other columns beside them, names either way round, and addresses', () => {
    const { groups, problems, left } = readGroups(
      'Group,Year,Student\nPort,9,Ansel Grue\nStarboard,9,"Tideman, Birgit"\nPort,9,zoe  FERRIS\n',
      roll,
    );
    expect(groups).toEqual([
      { name: 'Port', members: [1, 3] },
      { name: 'Starboard', members: [2] },
    ]);
    expect(problems).toEqual([]);
    expect(left).toEqual([4, 5]);
    expect(readGroups('email;team\njory.2@merrow.example;Red', roll).groups).toEqual([
      { name: 'Red', members: [5] },
    ]);
    expect(readGroups('Name\tGroup name\nAnsel Grue\tRed\n', roll).groups).toEqual([
      { name: 'Red', members: [1] },
    ]);
  });
  it('tells line by line what it does not take', () => {
    const text =
      'student,group\nAnsel Grue,Port\nAnsel Grue,port\nAnsel Grue,Starboard\nNobody Known,Port\nJory Muise,Port\n,Port\nBirgit Tideman,\n\n';
    const { groups, problems, lines } = readGroups(text, roll);
    expect(groups).toEqual([{ name: 'Port', members: [1] }]);
    expect(problems.map((p) => [p.line, p.kind])).toEqual([
      [3, 'doubled'],
      [4, 'two-groups'],
      [5, 'unknown'],
      [6, 'ambiguous'],
      [7, 'no-student'],
      [8, 'no-group'],
    ]);
    expect(lines).toBe(7);
    expect(problems.map(groupProblemInWords)).toEqual([
      'Ansel Grue stands here twice.',
      'Ansel Grue stands in another group already and stays there.',
      'Nobody Known is not on this roll.',
      'Two people of the roll are called Jory Muise; give the address instead.',
      'No student is named for Port.',
      'No group is named for Birgit Tideman.',
    ]);
  });
  it('says which columns it looks for where it finds none, and that an empty file is empty', () => {
    expect(() => readGroups('Ansel Grue,Port\n', roll)).toThrow(/first line/);
    expect(() => readGroups(' \n\n', roll)).toThrow(/nothing in this file/);
  });
  it('reads UTF-8 and UTF-16 with and without a byte order mark, and Windows-1252', () => {
    const text = 'student;group\r\nZoë Ferrís;Port\r\n';
    const utf16 = (order: 'le' | 'be'): number[] =>
      [...text].flatMap((c) => {
        const n = c.charCodeAt(0);
        const pair = [n & 255, n >> 8];
        return order === 'le' ? pair : pair.reverse();
      });
    const forms: Record<string, number[]> = {
      plain: [...new TextEncoder().encode(text)],
      marked: [0xef, 0xbb, 0xbf, ...new TextEncoder().encode(text)],
      le: [0xff, 0xfe, ...utf16('le')],
      be: [0xfe, 0xff, ...utf16('be')],
      bareLe: utf16('le'),
      bareBe: utf16('be'),
      windows: [...text].map((c) => c.charCodeAt(0)),
    };
    for (const [form, bytes] of Object.entries(forms))
      expect({ form, groups: readGroups(decodeText(Uint8Array.from(bytes)), roll).groups }).toEqual(
        { form, groups: [{ name: 'Port', members: [3] }] },
      );
  });
  it('reads a file of five megabytes as it reads a small one', () => {
    const lines = Array.from(
      { length: 120000 },
      (_, i) => `Somebody ${i},Group ${i % 9},${'x'.repeat(14)}`,
    );
    const text = ['student,group,notes', ...lines, 'Ansel Grue,Port,'].join('\n');
    expect(text.length).toBeGreaterThan(4.5e6);
    const { groups, problems } = readGroups(decodeText(new TextEncoder().encode(text)), roll);
    expect([groups, problems.length, problems.at(-1)!.line]).toEqual([
      [{ name: 'Port', members: [1] }],
      120000,
      120001,
    ]);
  });
  it('whatever it says, takes only people of the roll, each once', () => {
    const cell = fc.constantFrom(
      'Ansel Grue',
      'birgit@merrow.example',
      'Jory Muise',
      'X',
      '',
      '"',
      'Port',
      'Starboard;',
      '\ufeff',
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { maxLength: 30 }), (rows) => {
        const { groups, problems, lines, left } = readGroups(
          `student,group\n${rows.map((r) => r.join(',')).join('\n')}`,
          roll,
        );
        const members = groups.flatMap((g) => g.members);
        expect(new Set(members).size).toBe(members.length);
        expect([...members, ...left].sort()).toEqual([1, 2, 3, 4, 5]);
        expect(members.length + problems.length).toBe(lines);
      }),
    );
  });
});

describe('a file that is far too long, or far too wide', () => {
  const roll = [{ id: 1, name: 'Ansel Grue', email: null }];
  it('is refused whole', () => {
    const text = `student,group\n${'Ansel Grue,Port\n'.repeat(700_000)}`;
    expect(() => readGroups(text, roll)).toThrow(expect.objectContaining({ path: 'file' }));
  });
  it('tells no more of what is wrong than anybody would read', () => {
    const { problems } = readGroups(`student,group\n${'x'.repeat(50_000)},Port\n`, roll);
    expect(problems[0]!.said).toHaveLength(1000);
  });
});
