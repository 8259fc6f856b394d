import { findClashes } from '../clash/findClashes.js';
import type { NotedSession } from './notesForSessions.js';

type Other = Pick<NotedSession, 'id' | 'status' | 'draft' | 'door' | 'start' | 'end'>;

/**
 * The first of a host's sessions that is on while a door is open which they open apart from its own time; null where none
 * is. `opened`: the session that stands at the door, if one does, and when it will have run. Instants.
 */
export function openedOver<S extends Other>(
  opened: { id: number | null; start: string; end: string },
  sessions: S[],
): S | null {
  const others = sessions.filter(
    ({ id, status, draft, door }) =>
      id !== opened.id &&
      (status === 'planned' || status === 'moved') &&
      !draft &&
      door !== 'ended',
  );
  const host = ['host'];
  const clashes = findClashes([
    { id: 'opened', start: opened.start, end: opened.end, holds: host },
    ...others.map(({ id, start, end }) => ({ id: String(id), start, end, holds: host })),
  ]).filter(({ a, b }) => a === 'opened' || b === 'opened');
  const first = clashes[0];
  if (!first) return null;
  const other = first.a === 'opened' ? first.b : first.a;
  return others.find(({ id }) => String(id) === other)!;
}
