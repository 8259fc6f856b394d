import { useState } from 'react';
import type { Answer, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Staff = Sent<'setStaff'>['staff'];
export type As = Staff[number]['as'];
export type Ways = Answer<'setStaff'>['addresses'];

/** Changes who teaches a class period; each change is saved at once and can be taken back. */
export function useTeachers({ class: { id }, version, staff }: ClassPeriod) {
  const [set, { isLoading }] = api.useSetStaffMutation();
  const [problem, setProblem] = useState<Problem>();
  const [ways, setWays] = useState<Ways>([]);
  const params = { classId: id };
  // Whoever covers is named by the cover, not here.
  const own = staff.flatMap((s) => {
    const as = s.covers ? s.covers.own : s.as;
    return as === null ? [] : [{ id: s.id, as }];
  });
  const now: Staff = own.map((s) => ({ personId: s.id, as: s.as }));

  /** Gives what was wrong, if anything was. */
  const put = async (next: Staff, done: string): Promise<Problem | undefined> => {
    const { data, error } = await set({ params, body: { version, staff: next } });
    if (!data) return problemOf(error);
    setWays(data.addresses);
    const body = { version: version + 1, staff: now };
    offerWayBack(done, [wayBack('setStaff', { params, body })]);
    return undefined;
  };
  /** Of what is pressed, not typed, what was wrong stands with the list. */
  const said = async (next: Staff, done: string): Promise<void> =>
    setProblem(await put(next, done));
  return {
    problem,
    ways,
    isSaving: isLoading,
    add: (person: Staff[number], name: string) =>
      put([...now, person], fill(say.nameIsNamed, { name })),
    change: (personId: number, as: As, name: string) =>
      said(
        own.map((s) => ({ personId: s.id, as: s.id === personId ? as : s.as })),
        fill(say.isNamedAgain, { name }),
      ),
    remove: (personId: number, name: string) =>
      said(
        now.filter((s) => !('personId' in s) || s.personId !== personId),
        fill(say.teachesItNoLonger, { name }),
      ),
  };
}
