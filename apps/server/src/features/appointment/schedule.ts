import type { Glen } from '../../glen.js';

/** Has an evening looked at: at once, or with `at` when school time comes to that instant. */
export const scheduleAppointments = (
  glen: Glen,
  eveningId: number,
  at: string | null = null,
): Promise<void> =>
  glen.enqueue({ kind: 'appointments', subject: String(eveningId), dueSchool: at, sooner: true });
