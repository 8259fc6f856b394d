import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { allProgrammes, programmesOfClass, type OfDate } from '../programme/programmeStore.js';

/** Has it looked at which of a programme is to be told: at once, or with `at` when school time comes to that instant. */
export const scheduleTelling = (
  glen: Glen,
  { seriesId, key }: OfDate,
  at: string | null = null,
): Promise<void> =>
  glen.enqueue({
    kind: 'programme',
    subject: `${seriesId}:${key}`,
    dueSchool: at,
    sooner: true,
  });

/** Programmes follow what becomes of their sessions. */
export const programmesFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing !== 'class') return;
    for (const date of await programmesOfClass(glen.db, id)) await scheduleTelling(glen, date);
  };

/** School time was moved. */
export async function scheduleAllProgrammes(glen: Glen): Promise<void> {
  await glen.db.transaction(async () => {
    for (const date of await allProgrammes(glen.db)) await scheduleTelling(glen, date);
  });
}
