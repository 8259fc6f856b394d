import { useEffect, useState } from 'react';
import { splitGroups, type ReadGroups } from '@glen/core';
import type { Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { draftOf, fromFile, isSame, refilled, type Draft, type Kept } from './groupsDraft.js';

/** A group that has been removed meanwhile is made anew. */
const asBefore = (before: Draft[], now: Kept): Draft[] => {
  const known = new Set(now.groups.map((g) => g.id));
  return before.map(({ id, ...group }) =>
    id !== undefined && known.has(id) ? { id, ...group } : group,
  );
};

/** The groups of a class period while somebody edits them: nothing is kept until it is saved. */
export function useGroups(classId: number, roll: { id: number }[], kept: Kept) {
  const [read, setRead] = useState(kept);
  const [draft, setDraft] = useState(() => draftOf(kept));
  const [problem, setProblem] = useState<Problem>();
  const [save, { isLoading }] = api.useSetGroupsMutation();
  const isChanged = !isSame(draft, draftOf(read));
  const take = (groups: Kept): void => {
    setProblem(undefined);
    setRead(groups);
    setDraft(draftOf(groups));
  };
  useEffect(() => {
    if (kept !== read && !isChanged) {
      setRead(kept);
      setDraft(draftOf(kept));
    }
  }, [kept, read, isChanged]);
  const change = (next: Draft[]): void => {
    setProblem(undefined);
    setDraft(next);
  };
  const send = async (version: number): Promise<void> => {
    const params = { classId };
    const before = draftOf(read);
    const { data, error } = await save({ params, body: { version, groups: draft } });
    if (!data) return setProblem(problemOf(error));
    take(data);
    offerUndo('The groups are changed.', async () => {
      const body = { version: data.version, groups: asBefore(before, data) };
      take(await save({ params, body }).unwrap());
    });
  };
  return {
    read,
    draft,
    problem,
    isChanged,
    isLoading,
    take,
    send,
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
