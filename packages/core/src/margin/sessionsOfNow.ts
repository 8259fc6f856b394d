import type { NotedSession } from './notesForSessions.js';

type OfNow = Pick<NotedSession, 'status' | 'draft' | 'door' | 'start' | 'end'> & {
  opens: string;
  inside: number;
};

/** Its room is in use: people are in it, or it is its time. */
const isRunning = ({ door, inside, end }: OfNow, now: string): boolean =>
  door === 'open' && (inside > 0 || end > now);

/** Its time has come, and its host has yet to open it. */
const waitsForHost = ({ door, opens, end }: OfNow, now: string): boolean =>
  door === 'shut' && opens <= now && now < end;

/**
 * The sessions of a day that matter now: those whose rooms are in use and those that wait for their host; where there is
 * none, the next to come. Expects them by their start; `now` is an instant.
 */
export function sessionsOfNow<S extends OfNow>(sessions: S[], now: string): S[] {
  const held = sessions.filter(
    ({ status, draft }) => status !== 'cancelled' && status !== 'skipped' && !draft,
  );
  const ofNow = held.filter((session) => isRunning(session, now) || waitsForHost(session, now));
  if (ofNow.length > 0) return ofNow;
  const next = held.find(({ end, door }) => end > now && door !== 'ended');
  return next ? [next] : [];
}
