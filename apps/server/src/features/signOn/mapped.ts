import type { Glen } from '../../glen.js';
import { announceClass } from '../classes/announceClass.js';
import { putOnRoll } from '../classes/store.js';
import { classesThere } from './store.js';

/** Puts somebody new onto the rolls that the school's map names; class periods that are gone or put away are passed over. */
export async function putOnRolls(glen: Glen, personId: number, classIds: number[]): Promise<void> {
  const going = (await classesThere(glen.db, classIds)).filter((one) => one.goesOn);
  for (const { id } of going) {
    await putOnRoll(glen.db, id, [personId]);
    const subject = `class:${id}`;
    await glen.audit({ by: null, action: 'add-to-roll', subject, after: [personId] });
    await announceClass(glen, id, [personId]);
  }
}
