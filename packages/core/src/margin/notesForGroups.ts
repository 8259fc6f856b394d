import type { Note } from './note.js';

/** A class period parted into groups, as they would be saved. */
export interface GroupsFacts {
  roll: { id: number; name: string }[];
  groups: { name: string; members: number[]; hasLink: boolean }[];
}

/** From so many people on names would fill the margin. */
const MOST_NAMES = 6;

const WHAT_FOR: Note = {
  severity: 'inform',
  title: 'Groups',
  text: 'A group can have its own link, its own times and a tutor who is host there and nowhere else.',
};

/** What needs thought about the groups of a class period: who is in none, and what emptying one does. */
export function notesForGroups({ roll, groups }: GroupsFacts): Note[] {
  if (groups.length === 0) return [WHAT_FOR];
  const placed = new Set(groups.flatMap((g) => g.members));
  const left = roll.filter((p) => !placed.has(p.id));
  const emptied = groups.filter((g) => g.members.length === 0 && g.hasLink);
  return [
    ...emptied.map((g): Note => ({
      severity: 'careful',
      title: `${g.name} has a link and nobody in it`,
      text: 'Whoever has that link as a member of the group is turned away.',
    })),
    ...inNoGroup(left),
    ...(left.length === 0 && emptied.length === 0 ? [everybodyHasOne(groups)] : []),
  ];
}

function inNoGroup(left: { name: string }[]): Note[] {
  if (left.length === 0) return [];
  return [
    {
      severity: 'inform',
      title: left.length === 1 ? 'One is in no group' : `${left.length} are in no group`,
      text:
        left.length > MOST_NAMES
          ? 'They come in by the class period’s own link alone.'
          : left.map((p) => p.name).join(', '),
    },
  ];
}

const everybodyHasOne = (groups: GroupsFacts['groups']): Note => ({
  severity: 'well',
  title: 'Everybody has a group',
  text: groups.map((g) => `${g.name} ${g.members.length}`).join(' · '),
});
