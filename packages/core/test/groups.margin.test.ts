import { describe, expect, it } from 'vitest';
import { notesForGroups, type GroupsFacts } from '../src/index.js';

const roll = ['Ada', 'Bo', 'Cy', 'Di', 'Eli', 'Fen', 'Gus', 'Hal'].map((name, id) => ({
  id,
  name,
}));
const titles = (facts: Partial<GroupsFacts>): string[] =>
  notesForGroups({ roll, groups: [], ...facts }).map((n) => n.title);

describe('notes about groups', () => {
  it('say what groups are for where there are none', () => {
    expect(titles({})).toEqual(['Groups']);
  });

  it('name those who are in none, but not a whole class', () => {
    const [note] = notesForGroups({
      roll: roll.slice(0, 2),
      groups: [{ name: 'Port', members: [0], hasLink: false }],
    });
    expect(note).toMatchObject({ title: 'One is in no group', text: 'Bo' });
    const [many] = notesForGroups({
      roll,
      groups: [{ name: 'Port', members: [0], hasLink: false }],
    });
    expect(many).toMatchObject({ title: '7 are in no group' });
    expect(many!.text).not.toContain('Bo');
  });

  it('warn of a group with a link that nobody is in any more', () => {
    const port = { name: 'Port', members: [], hasLink: true };
    const star = { name: 'Star', members: roll.map((p) => p.id), hasLink: true };
    expect(titles({ groups: [port, star] })).toEqual(['Port has a link and nobody in it']);
    expect(titles({ groups: [{ ...port, hasLink: false }, star] })).toEqual([
      'Everybody has a group',
    ]);
  });
});
