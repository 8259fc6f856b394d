import type { Db } from '../../db/connect.js';
import { wrongField } from '../../http/problem.js';
import { rollIds } from './store.js';

/** 422 where somebody who is asked about does not stand on this roll. */
export async function refuseUnlessOnRoll(
  db: Db,
  classId: number,
  personIds: number[],
): Promise<void> {
  const roll = new Set(await rollIds(db, classId));
  if (personIds.some((id) => !roll.has(id)))
    throw wrongField('personIds', 'One of these is not on this roll.');
}
