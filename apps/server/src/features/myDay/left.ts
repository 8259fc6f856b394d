import { classTitle } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { ClassRow } from '../school/store.js';
import { hasMovedIn, linksWithoutRoom } from './store.js';

/** At most so many class periods are listed; the others follow as these are done. */
const MOST = 3;

/**
 * What is left to do at the class periods that one hosts, in a school that has moved in here: a roll, a room, the
 * link where students look. Each goes by itself when it is done.
 */
export async function leftToDo(
  glen: Glen,
  hosted: ClassRow[],
  placements: { classId: number; state: string }[],
): Promise<Answer<'today'>['left']> {
  if (hosted.length === 0 || !(await hasMovedIn(glen.db))) return [];
  const links = hosted.map((row) => row.link_id);
  const roomless = new Set(glen.video ? [] : await linksWithoutRoom(glen.db, links));
  const posted = new Set(placements.filter((p) => p.state !== 'draft').map((p) => p.classId));
  return hosted
    .map((row) => ({
      classId: row.id,
      linkId: row.link_id,
      title: classTitle(row),
      roll: row.roll_size > 0,
      room: !roomless.has(row.link_id),
      posted: posted.has(row.id),
    }))
    .filter((left) => !left.roll || !left.room || !left.posted)
    .slice(0, MOST);
}
