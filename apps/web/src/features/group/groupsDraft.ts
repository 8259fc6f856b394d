import type { ReadGroups } from '@glen/core';
import type { Answer } from '@glen/contract';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** The groups of a class period as they are kept. */
export type Kept = Answer<'groups'>;

/** A group while it is edited; without an id it is new. */
export interface Draft {
  id?: number;
  name: string;
  tutorId: number | null;
  members: number[];
}

export const draftOf = (kept: Kept): Draft[] =>
  kept.groups.map(({ id, name, tutorId, members }) => ({ id, name, tutorId, members }));
export const isSame = (a: Draft[], b: Draft[]): boolean =>
  JSON.stringify(a.map((g) => ({ ...g, members: [...g.members].sort() }))) ===
  JSON.stringify(b.map((g) => ({ ...g, members: [...g.members].sort() })));

/** New members in groups that keep their names, tutors and links as far as there are any. */
export const refilled = (groups: Draft[], parts: number[][]): Draft[] =>
  parts.map((members, i) => ({
    ...(groups[i] ?? { name: fill(say.groupI, { i: i + 1 }), tutorId: null }),
    members,
  }));

/** Groups of a file take over those of the same name, and with them tutor and link. */
export function fromFile(groups: Draft[], read: ReadGroups): Draft[] {
  const byName = new Map(groups.map((g) => [g.name.toLowerCase(), g]));
  const taken = read.groups.map(({ name, members }) => ({
    ...(byName.get(name.toLowerCase()) ?? { name, tutorId: null }),
    members,
  }));
  const names = new Set(taken.map((g) => g.name.toLowerCase()));
  return [
    ...taken,
    ...groups
      .filter((g) => !names.has(g.name.toLowerCase()) && g.id !== undefined)
      .map((g) => ({ ...g, members: [] })),
  ];
}
