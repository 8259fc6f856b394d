import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { eveningsAhead } from './store.js';

/** Has an evening looked at: at once, or with `at` when school time comes to that instant. */
export const scheduleAppointments = (
  glen: Glen,
  eveningId: number,
  at: string | null = null,
): Promise<void> =>
  glen.enqueue({ kind: 'appointments', subject: String(eveningId), dueSchool: at, sooner: true });

/** Has guests told what has become of what they have, once no more of it comes for a while: five edits of one hand are one letter. */
const scheduleTelling = (glen: Glen, eveningId: number): Promise<void> =>
  glen.enqueue({
    kind: 'appointments',
    subject: `${eveningId}:told`,
    waitSeconds: glen.config.gatherSeconds,
    sooner: true,
  });

/** What guests have follows what becomes of the sessions. */
export const appointmentsFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing !== 'class') return;
    const ahead = await eveningsAhead(glen.db, { classId: id, now: glen.clock.school() });
    for (const eveningId of ahead) await scheduleTelling(glen, eveningId);
  };
