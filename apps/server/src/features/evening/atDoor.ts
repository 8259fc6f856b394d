import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { findDoor, type Caller } from '../door/findDoor.js';
import { isKeptFrom } from '../door/whose.js';
import { programmeOf } from '../programme/programmeStore.js';
import { readSchool } from '../school/store.js';
import { itemsAt } from './programme.js';

/** What comes after what in the session at a door, for all who may read what it is about; of any other nothing. */
export async function programmeAtDoor(
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'doorProgramme'>> {
  const facts = await findDoor(glen, typed, caller);
  const session = facts.at?.occurrence;
  const isClosed = isKeptFrom(facts) || facts.row.link_state === 'retired';
  if (!session || isClosed) return { start: null, end: null, word: '', items: [] };
  const of = { seriesId: session.series_id, key: session.key_date };
  const kept = await programmeOf(glen.db, of);
  const { zone } = (await readSchool(glen.db)).calendar;
  return {
    start: session.start_at,
    end: session.end_at,
    word: kept?.word ?? '',
    items: itemsAt(kept?.items ?? [], session.start_at, zone),
  };
}
