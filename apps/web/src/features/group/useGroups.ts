import { splitGroups, type ReadGroups } from '@glen/core';
import { wayBack } from '../../app/wayBack.js';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { draftOf, fromFile, isSame, refilled, type Draft, type Kept } from './groupsDraft.js';
import * as say from './words.js';

/** A group that has been removed meanwhile is made anew. */
const asBefore = (before: Draft[], now: Kept): Draft[] => {
  const known = new Set(now.groups.map((g) => g.id));
  return before.map(({ id, ...group }) =>
    id !== undefined && known.has(id) ? { id, ...group } : group,
  );
};

interface Fields {
  groups: Draft[];
}

const fieldsOf = (kept: Kept): Fields => ({ groups: draftOf(kept) });

/** The groups of a class period while somebody edits them: nothing is kept until it is saved. */
export function useGroups(classId: number, roll: { id: number }[], kept: Kept) {
  const [save] = api.useSetGroupsMutation();
  const params = { classId };
  const form = useKeptForm<Kept, Fields, Fields>({
    kept,
    fieldsOf,
    save: ({ groups }, version) => save({ params, body: { version, groups } }),
    callFor: ({ groups }, version) => wayBack('setGroups', { params, body: { version, groups } }),
    done: () => say.theGroupsAreChanged,
    back: (before, now) => ({ groups: asBefore(before.groups, now) }),
  });
  const draft = form.watch('groups');
  const change = (groups: Draft[]): void => form.change({ groups });
  return {
    ...form,
    draft,
    isChanged: !isSame(draft, draftOf(form.read)),
    change,
    put: (person: number, to: number | null): void => change(moved(draft, person, to)),
    edit: (i: number, part: Partial<Draft>): void =>
      change(draft.map((g, k) => (k === i ? { ...g, ...part } : g))),
    split: (count: number, isRandom: boolean): void =>
      change(splitInto(draft, roll, count, isRandom)),
    takeFile: (file: ReadGroups): void => change(fromFile(draft, file)),
  };
}

export type GroupsEditing = ReturnType<typeof useGroups>;

const moved = (draft: Draft[], person: number, to: number | null): Draft[] =>
  draft.map((group, i) => {
    const others = group.members.filter((m) => m !== person);
    return { ...group, members: i === to ? [...others, person] : others };
  });

/** So many groups of like size; those that are kept beyond them are emptied. */
function splitInto(
  draft: Draft[],
  roll: { id: number }[],
  count: number,
  isRandom: boolean,
): Draft[] {
  const chances = crypto.getRandomValues(new Uint32Array(roll.length));
  const parts = splitGroups(
    roll.map((p) => p.id),
    count,
    isRandom ? Array.from(chances, (x) => x / 2 ** 32) : undefined,
  );
  const beyond = draft
    .slice(parts.length)
    .filter((g) => g.id !== undefined)
    .map((g) => ({ ...g, members: [] }));
  return [...refilled(draft, parts), ...beyond];
}
