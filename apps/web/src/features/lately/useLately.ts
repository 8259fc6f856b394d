import type { Answer } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { takeBack } from '../../app/wayBack.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type LatelyChange = Answer<'lately'>['changes'][number];

/** My last changes, and taking one of them back: it works until somebody has changed the same thing since. */
export function useLately() {
  const { data, error, refetch } = api.useLatelyQuery();
  const [note] = api.useTakenBackMutation();
  const take = async ({ id, what, calls }: LatelyChange): Promise<void> => {
    try {
      await takeBack(calls);
    } catch (failure) {
      const problem = problemOf(failure);
      return void toast.error(
        problem?.status === 409 ? say.itWasChangedAgain : (problem?.title ?? say.itWasChangedAgain),
      );
    }
    await note({ params: { latelyId: id } });
    toast(fill(say.takenBack, { what }));
  };
  return { changes: data?.changes, error, refetch, take };
}
