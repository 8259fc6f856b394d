import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { allWithSlots, seriesWithSlots } from './signUpStore.js';

/** Has the slots of a series looked at: at once, or with `at` when school time comes to that instant, if nothing wakes it before. */
export const scheduleSlots = (
  glen: Glen,
  seriesId: number,
  at: string | null = null,
): Promise<void> =>
  glen.enqueue({ kind: 'slots', subject: String(seriesId), dueSchool: at, sooner: true });

/** Slots follow what becomes of their sessions. */
export const slotsFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing !== 'class') return;
    for (const seriesId of await seriesWithSlots(glen.db, id)) await scheduleSlots(glen, seriesId);
  };

/** School time was moved: what was to come may be past, and the other way round. */
export async function scheduleAllSlots(glen: Glen): Promise<void> {
  await glen.db.transaction(async () => {
    for (const seriesId of await allWithSlots(glen.db)) await scheduleSlots(glen, seriesId);
  });
}
