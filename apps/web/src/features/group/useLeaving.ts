import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { sayWhy } from './sayWhy.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Named {
  id: number;
  name: string;
}

export type Touched = Answer<'rollTouched'>;

/** Taking people off a roll, moving them to another, and bringing them back; each can be taken back. */
export function useLeaving(classId: number) {
  const [takeOffPeople] = api.useTakeOffRollMutation();
  const [backPeople] = api.useBringBackToRollMutation();
  const [movePeople] = api.useMoveOnRollMutation();
  const [look] = api.useLazyRollTouchedQuery();
  const params = { classId };
  const off = (personIds: number[]) => takeOffPeople({ params, body: { personIds } });
  const back = (personId: number) => backPeople({ params, body: { personIds: [personId] } });
  return {
    off,
    /** What would end with somebody's place on the roll. */
    touched: async (personId: number): Promise<Touched | undefined> => {
      const { data, error } = await look({ params, query: { personId } });
      return error ? sayWhy(error) : data;
    },
    takeOff: async ({ id, name }: Named): Promise<void> => {
      const { error } = await off([id]);
      if (error) return sayWhy(error);
      offerUndo(fill(say.isOffTheRoll, { name }), () => back(id).unwrap());
    },
    bringBack: async ({ id, name }: Named): Promise<void> => {
      const { error } = await back(id);
      if (error) return sayWhy(error);
      offerUndo(fill(say.isBackOnTheRoll, { name }), () => off([id]).unwrap());
    },
    move: async ({ id, name }: Named, to: ClassItem): Promise<void> => {
      const personIds = [id];
      const { error } = await movePeople({ params, body: { personIds, toClassId: to.id } });
      if (error) return sayWhy(error);
      offerUndo(fill(say.isOnTheRollOf, { name, classTitle: classTitle(to) }), async () => {
        await takeOffPeople({ params: { classId: to.id }, body: { personIds } }).unwrap();
        await back(id).unwrap();
      });
    },
  };
}

export type Leaving = ReturnType<typeof useLeaving>;
