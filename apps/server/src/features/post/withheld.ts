import { givesCode } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { peopleOfLink } from '../audience/store.js';
import { textAt } from './bodies.js';
import type { PlaceRow } from './places.sql.js';
import { beyondAudience, readersOf } from './readerStore.js';
import type { PostRow } from './store.js';

/** Whether somebody whom a place's link is not for reads there. */
async function isReadBeyond(db: Db, place: PlaceRow): Promise<boolean> {
  const readers = await readersOf(db, place);
  return beyondAudience(readers, await peopleOfLink(db, place.link_id)).length > 0;
}

/**
 * Places where the entry code is left out though their words ask for it: somebody whom the link is not for would read it
 * there. What is saved is checked for that; a roll, a group or an audience may have changed since.
 */
export async function withheldFrom(
  db: Db,
  posts: PostRow[],
  places: PlaceRow[],
): Promise<Set<PlaceRow>> {
  const asks = (place: PlaceRow): boolean => {
    const post = posts.find((p) => p.id === place.post_id);
    return post !== undefined && givesCode(textAt(post, place.shape));
  };
  const withheld = new Set<PlaceRow>();
  // Many posts stand where the same people read.
  const known = new Map<string, boolean>();
  for (const place of places.filter(asks)) {
    const read = JSON.stringify([place.class_id, place.link_id, place.shape.readers]);
    const isBeyond = known.get(read) ?? (await isReadBeyond(db, place));
    known.set(read, isBeyond);
    if (isBeyond) withheld.add(place);
  }
  return withheld;
}
