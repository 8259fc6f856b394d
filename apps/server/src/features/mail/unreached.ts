import type { Answer } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { recipients } from './postLetterStore.js';
import { refusedAddresses, rollIds } from './store.js';

/** Those of a class period's roll whose last letter did not reach them, with why. */
export async function unreachedOf(db: Db, classId: number): Promise<Answer<'unreached'>> {
  const people = await recipients(db, await rollIds(db, classId));
  const emails = people.flatMap(({ email }) => (email === null ? [] : [email]));
  const refused = await refusedAddresses(db, emails);
  return {
    people: people.flatMap(({ id, name, email }) => {
      const why = email === null ? undefined : refused.get(email);
      return why === undefined ? [] : [{ id, name, why }];
    }),
  };
}
