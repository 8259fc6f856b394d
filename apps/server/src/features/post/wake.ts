import type { Clock } from '../../clock.js';
import type { Db, Tx } from '../../db/connect.js';
import { enqueue } from '../../jobs/outbox.js';
import { postIdsInForce, postIdsTouching } from './store.js';

/** Has a post looked at again: at once, or with `at` when school time comes to that instant, if nothing wakes it before. */
export const wakePost = (
  db: Db,
  clock: Clock,
  id: number,
  tx: Tx,
  at: string | null = null,
): Promise<void> =>
  enqueue(db, clock, { kind: 'post', subject: String(id), dueSchool: at, sooner: true }, tx);

/** Something of a class period has changed; every post that goes there, or bears a link of its, is looked at again. */
export async function wakePostsOf(db: Db, clock: Clock, classId: number, tx: Tx): Promise<void> {
  for (const id of await postIdsTouching(db, classId, tx)) await wakePost(db, clock, id, tx);
}

/** Seconds after which a class period's course site is looked at again by itself. */
const LOOK_AGAIN_SECONDS = 1800;

/** Has what stands on a class period's course site compared with the books by and by; a look that waits already stays. */
export const lookLater = (db: Db, clock: Clock, classId: number, tx: Tx): Promise<void> =>
  enqueue(
    db,
    clock,
    { kind: 'look', subject: String(classId), waitSeconds: LOOK_AGAIN_SECONDS, sooner: true },
    tx,
  );

/** School time was moved: what was to come may be past, and the other way round. */
export async function wakeAllPosts(db: Db, clock: Clock): Promise<void> {
  await db.transaction(async (tx) => {
    for (const id of await postIdsInForce(db, tx)) await wakePost(db, clock, id, tx);
  });
}
