import type { Glen } from '../../glen.js';
import { noteCodes } from './askedCode.js';
import { noteNews } from './changedDates.js';
import { classIds, dropGathering } from './takeAsToldStore.js';

/** From now on everybody has heard of all that has changed so far, without a word being said: for a school that was filled in one go. */
export async function takeAsTold(glen: Glen): Promise<void> {
  await glen.db.transaction(async () => {
    for (const id of await classIds(glen.db)) {
      await noteNews(glen, id);
      await noteCodes(glen, id);
    }
    await dropGathering(glen.db);
  });
}
