import type { Answer, Problem } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Person = Answer<'person'>['person'];
export type WayIn = Answer<'wayIn'>;

interface Result {
  data?: { person: Person } | undefined;
  error?: unknown;
}

/** What can be done to one person beside changing their words; each is saved at once. */
export function usePersonEdits(person: Person) {
  const [add] = api.useAddAccountMutation();
  const [remove] = api.useRemoveAccountMutation();
  const [endTheirs] = api.useEndTheirSignOnMutation();
  const [give] = api.useWayInMutation();
  const [retire] = api.useRetirePersonMutation();
  const [bringBack] = api.useBringBackPersonMutation();
  const [merge] = api.useMergePeopleMutation();
  const [setGuardians] = api.useSetGuardiansMutation();
  const params = { personId: person.id };
  const { version } = person;
  const failed = ({ error }: Result): Problem | undefined => {
    const problem = problemOf(error);
    if (problem) toast.error(problem.errors?.[0]?.message ?? problem.title);
    return problem;
  };
  return {
    /** Gives what was wrong, if anything was. */
    addAccount: async (kind: 'school' | 'personal', email: string): Promise<Problem | undefined> =>
      problemOf((await add({ params, body: { version, kind, email } })).error),
    removeAccount: async (accountId: number): Promise<void> => {
      failed(await remove({ params, body: { version, accountId } }));
    },
    endSignOn: async (signOnId: number): Promise<void> => {
      const done = await endTheirs({ params: { ...params, signOnId } });
      if (!failed(done)) toast(say.theySignInOnceMore);
    },
    wayIn: async (accountId: number): Promise<WayIn | undefined> => {
      const { data, error } = await give({ params, body: { accountId } });
      if (!data) failed({ error });
      return data;
    },
    retire: async (): Promise<void> => {
      const done = await retire({ params, body: { version } });
      if (failed(done) || !done.data) return;
      const { version: now } = done.data.person;
      offerUndo(fill(say.personIsRetired, { person: person.name }), () =>
        bringBack({ params, body: { version: now } }).unwrap(),
      );
    },
    bringBack: async (): Promise<void> => {
      const done = await bringBack({ params, body: { version } });
      if (!failed(done)) toast(fill(say.personIsBack, { person: person.name }));
    },
    merge: async (otherId: number, otherVersion: number): Promise<boolean> => {
      const done = await merge({ params, body: { version, otherId, otherVersion } });
      if (failed(done)) return false;
      toast(say.theyAreOneNow);
      return true;
    },
    setGuardians: async (
      guardians: ({ personId: number } | { name: string; email: string })[],
    ): Promise<Problem | undefined> =>
      problemOf((await setGuardians({ params, body: { version, guardians } })).error),
  };
}

export type PersonEdits = ReturnType<typeof usePersonEdits>;
