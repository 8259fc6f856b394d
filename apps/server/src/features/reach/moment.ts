import { placeWallTime, sessionAtDoor, wallClockAt } from '@glen/core';
import type { Glen } from '../../glen.js';
import { sessionsOfLink } from './store.js';

interface NextSession {
  title: string;
  date: string;
  time: string;
  start: string;
}

/** The session that a link stands for now, or the next to come. */
async function nextAt(glen: Glen, linkId: number): Promise<NextSession | null> {
  const rows = await sessionsOfLink(glen.db, linkId);
  const timed = rows.map((r) => ({ ...r, start: r.start_at, end: r.end_at }));
  const atOnce = { opensBefore: 0, closesAfter: 0 };
  const session = sessionAtDoor(timed, atOnce, glen.clock.school())?.occurrence;
  if (!session) return null;
  const { title, local_date: date, local_time: time, start_at: start } = session;
  return { title, date, time, start };
}

/** The instant that a question is asked for: null is now; with `begins` when the link's next session begins. */
export async function momentFor(
  glen: Glen,
  { at, linkId, zone }: { at: string | undefined; linkId: number; zone: string },
): Promise<{ instant: string | null; next: NextSession | null }> {
  const next = await nextAt(glen, linkId);
  if (at === undefined) return { instant: null, next };
  if (at === 'begins')
    return { instant: next && next.start > glen.clock.school() ? next.start : null, next };
  const [date, time] = at.split('T') as [string, string];
  const instant = placeWallTime(date, time, 0, zone).start;
  return { instant: instant > glen.clock.school() ? instant : null, next };
}

export const clockAt = (
  glen: Glen,
  instant: string | null,
  zone: string,
): { date: string; time: string } => {
  const { date, time } = wallClockAt(instant ?? glen.clock.school(), zone);
  return { date, time };
};
