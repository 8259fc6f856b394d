import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import type { ThingKind } from '../../outside/courseSite.js';
import { OutsideError } from '../../outside/outsideError.js';
import { announcePosts } from './announcePosts.js';
import { placementById } from './placements.sql.js';
import { confirmedOf, noteMissing, notePlaced } from './placementStore.js';
import { siteOfClass } from './store.js';
import { syncLetters } from './postLetters.js';
import { sectionKey } from './bodies.js';
import { scheduleLook } from './scheduleReconcile.js';

export const keyOf = (p: { id: number; part: 'thing' | 'section'; place_id: number }): string =>
  p.part === 'section' ? sectionKey(p.place_id) : `glen-${p.id}`;

/** What is said where the course site has been taken away since. */
const NO_SITE = 'No course site is set up here.';

/** Brings what stands at a place to what ought to stand there. Repeating it does no harm. */
export async function syncPlacement(glen: Glen, placementId: number): Promise<void> {
  const row = await placementById(glen.db, placementId);
  if (!row || row.body.kind === 'hand') return;
  if (row.body.kind === 'mail') return syncLetters(glen, row, row.body);
  const { courseSite } = glen;
  if (!courseSite) throw new OutsideError(NO_SITE, true);
  const call = { classRef: row.class_ref, key: keyOf(row), revision: row.revision };
  if (row.wish === 'gone') await courseSite.withdraw({ ...call, kind: row.body.kind });
  else await courseSite.publish({ ...call, thing: row.body });
  await notePlaced(glen.db, row, glen.clock.school());
}

export async function announcePlacement(glen: Glen, placementId: number): Promise<void> {
  const row = await placementById(glen.db, placementId);
  if (row) await announcePosts(glen, [row]);
}

const KINDS: ThingKind[] = ['post', 'section', 'item', 'event'];

/** Looks by itself, and again later for as long as anything stands there; a site that is down is looked at the next time. */
export async function lookByItself(glen: Glen, classId: number): Promise<void> {
  const klass = await siteOfClass(glen.db, classId);
  if (!klass || (await confirmedOf(glen.db, classId)).length === 0) return;
  try {
    await lookAtSite(glen, klass);
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
  }
  await glen.db.transaction(() => scheduleLook(glen, classId));
}

/** Holds what the course site lists in a class against what it has confirmed to us; gives how many things are missing there. */
async function lookAtSite(glen: Glen, klass: { id: number; ref: string }): Promise<number> {
  // What ought to be there is read first: what is put there while the site is asked is not held against it.
  const rows = await confirmedOf(glen.db, klass.id);
  const { courseSite } = glen;
  if (!courseSite) throw new OutsideError(NO_SITE, true);
  const listed = await Promise.all(KINDS.map((kind) => courseSite.list(klass.ref, kind)));
  const keys = new Set(listed.flat().map((thing) => thing.key));
  const missing: number[] = [];
  for (const { id } of rows) {
    const row = (await placementById(glen.db, id))!;
    if (!keys.has(keyOf(row)) && row.job_state === null) missing.push(id);
  }
  if (missing.length > 0) {
    await noteMissing(glen.db, missing, glen.clock.school());
    await announcePosts(glen, [{ class_id: klass.id }]);
  }
  return missing.length;
}

/** The same when a teacher asks for it: trouble of the site is told. */
export async function lookAtSiteOf(glen: Glen, classId: number): Promise<Answer<'lookAtSite'>> {
  const klass = (await siteOfClass(glen.db, classId))!;
  try {
    return { missing: await lookAtSite(glen, klass) };
  } catch (error) {
    if (error instanceof OutsideError) throw new HttpProblem(503, error.message);
    throw error;
  }
}
