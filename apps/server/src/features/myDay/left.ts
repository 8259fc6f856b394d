import { classTitle } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { ClassRow } from '../school/classes.sql.js';
import { classesBegun, classesTried, hasMovedIn, linksWithoutRoom } from './store.js';

/** At most so many class periods are listed; the others follow as these are done. */
const MOST = 3;

/** Guests come to an evening, and nobody stands on a roll for it. */
const isEvening = (row: ClassRow): boolean => row.kind === 'event';

/**
 * What is left to do at the class periods that one hosts, in a school that has moved in here: a roll, a room, the
 * link where students look, the door tried. Each goes by itself when it is done, and all of them with the first lesson.
 */
export async function leftToDo(
  glen: Glen,
  hosted: ClassRow[],
  placements: { classId: number; state: string }[],
): Promise<Answer<'today'>['left']> {
  if (hosted.length === 0 || !(await hasMovedIn(glen.db))) return [];
  const ids = hosted.map((row) => row.id);
  const [begun, tried] = [await classesBegun(glen.db, ids), await classesTried(glen.db, ids)];
  const fresh = hosted.filter((row) => !begun.has(row.id) && !isEvening(row));
  const links = fresh.map((row) => row.link_id);
  const roomless = new Set(glen.video ? [] : await linksWithoutRoom(glen.db, links));
  const posted = new Set(placements.filter((p) => p.state !== 'draft').map((p) => p.classId));
  return fresh
    .map((row) => ({
      classId: row.id,
      linkId: row.link_id,
      title: classTitle(row),
      roll: row.roll_size > 0,
      room: !roomless.has(row.link_id),
      posted: posted.has(row.id),
      tried: tried.has(row.id),
    }))
    .filter((left) => !left.roll || !left.room || !left.posted || !left.tried)
    .slice(0, MOST);
}
