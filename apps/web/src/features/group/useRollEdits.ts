import type { Answer, Problem, Sent } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { sayWhy } from './sayWhy.js';
import { useLeaving } from './useLeaving.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type People = Sent<'addToRoll'>['people'];
export type RollLines = Answer<'previewRoll'>['lines'];
export type PasswordAddresses = Answer<'passwordAddresses'>['addresses'];

const studentsInWords = (n: number): string => many(say.students, n);

/** What can be done to a roll; each is saved at once and can be taken back. */
export function useRollEdits(classId: number) {
  const [addPeople, adding] = api.useAddToRollMutation();
  const [preview] = api.usePreviewRollMutation();
  const [setKnocking] = api.useKnockUntilRollMutation();
  const [makeAddresses] = api.usePasswordAddressesMutation();
  const leaving = useLeaving(classId);
  const params = { classId };
  /** Gives what was wrong, if anything was. */
  const add = async (people: People): Promise<Problem | undefined> => {
    const { data, error } = await addPeople({ params, body: { people } });
    if (!data) return problemOf(error);
    const { personIds, isClosed } = data;
    if (personIds.length === 0) toast(say.allOfThem);
    else
      offerUndo(
        fill(isClosed ? say.onTheRollAndClosed : say.onTheRoll, {
          students: studentsInWords(personIds.length),
        }),
        async () => {
          await leaving.off(personIds).unwrap();
          if (isClosed) await setKnocking({ params, body: { on: true } }).unwrap();
        },
      );
    return undefined;
  };
  /** What a list would do. */
  const look = (text: string) => preview({ params, body: { text } });
  const addresses = async (
    personIds: number[],
    forgotten = false,
  ): Promise<PasswordAddresses | undefined> => {
    const { data, error } = await makeAddresses({ params, body: { personIds, forgotten } });
    return data?.addresses ?? sayWhy(error);
  };
  return {
    add,
    leaving,
    look,
    addresses,
    isBusy: adding.isLoading,
  };
}

export type RollEdits = ReturnType<typeof useRollEdits>;
