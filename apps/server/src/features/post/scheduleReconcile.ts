import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { postIdsInForce, postIdsTouching } from './store.js';

/** Has a post looked at again: at once, or with `at` when school time comes to that instant, if nothing wakes it before. */
export const scheduleReconcile = (
  glen: Glen,
  id: number,
  at: string | null = null,
): Promise<void> =>
  glen.enqueue({ kind: 'post', subject: String(id), dueSchool: at, sooner: true });

/** Something of a class period has changed; every post that goes there, or bears a link of its, is looked at again. */
async function scheduleReconcileOfClass(glen: Glen, classId: number): Promise<void> {
  for (const id of await postIdsTouching(glen.db, classId)) await scheduleReconcile(glen, id);
}

/** Posts follow what is announced of a class period: its sessions, links, rules, groups and names. */
export const postsFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing === 'class') await scheduleReconcileOfClass(glen, id);
  };

/** Seconds after which a class period's course site is looked at again by itself. */
const LOOK_AGAIN_SECONDS = 1800;

/** Has what stands on a class period's course site compared with the books by and by; a look that waits already stays. */
export const scheduleLook = (glen: Glen, classId: number): Promise<void> =>
  glen.enqueue({
    kind: 'look',
    subject: String(classId),
    waitSeconds: LOOK_AGAIN_SECONDS,
    sooner: true,
  });

/** School time was moved: what was to come may be past, and the other way round. */
export async function scheduleReconcileOfAll(glen: Glen): Promise<void> {
  await glen.db.transaction(async () => {
    for (const id of await postIdsInForce(glen.db)) await scheduleReconcile(glen, id);
  });
}
