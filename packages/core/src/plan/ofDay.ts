import type { Occurrence } from './plan.js';

/** A session as far as the days go that it is told on. Dates on the school's wall clock, `end` an instant. */
interface Told {
  date: string;
  /** Where it stood before it was moved. */
  was: { date: string } | null;
  status: Occurrence['status'];
  end: string;
}

/** Whether a session began on an earlier day than `today` and is not one that was moved away from it; of a day's own list: it runs past midnight. */
export const isOvernight = ({ date, was }: Pick<Told, 'date' | 'was'>, today: string): boolean =>
  date < today && was?.date !== today;

/**
 * Whether a session is told on a day: it is held on it, was moved away from it, or began before and runs past `midnight`, the
 * instant at which the day begins.
 */
export function isOfDay(
  session: Told,
  { date, midnight }: { date: string; midnight: string },
): boolean {
  if (session.date === date || session.was?.date === date) return true;
  const isHeld = session.status === 'planned' || session.status === 'moved';
  return isHeld && session.date < date && session.end > midnight;
}
