import type { Db } from '../../db/connect.js';
import { keepWords } from './store.js';
import { peopleWithoutWords } from './words.sql.js';

/** So many people at once get the words that they are found by. */
const PEOPLE_AT_ONCE = 500;

/** Has people be found who were set down before people were found by words. */
export async function keepMissingWords(db: Db): Promise<void> {
  for (;;) {
    const people = await peopleWithoutWords(db, PEOPLE_AT_ONCE);
    for (const id of people) await keepWords(db, id);
    if (people.length < PEOPLE_AT_ONCE) return;
  }
}
