import { toast } from 'sonner';
import type { Problem } from '@glen/contract';
import { messageFor, problemOf } from '../../app/api.js';

type Open = (ask: {
  params: { linkId: number };
  body: { room?: string };
}) => Promise<{ data?: { go: string }; error?: unknown }>;

/** Where no room is behind the door yet, the desk asks for its address. */
export const needsRoom = (problem: Problem | undefined): boolean =>
  messageFor(problem, 'room') !== undefined;

/**
 * Opens a door and the room behind it in a tab of its own. The tab is opened before the answer comes,
 * as browsers allow it only at the press itself. `room` is the address to put behind the door first, where
 * none is there yet. Gives what was wrong, if anything was.
 */
export async function openDoor(
  open: Open,
  linkId: number,
  room?: string,
): Promise<Problem | undefined> {
  const tab = window.open('about:blank', '_blank');
  const { data, error } = await open({ params: { linkId }, body: room ? { room } : {} });
  if (!data) {
    tab?.close();
    const problem = problemOf(error);
    if (!needsRoom(problem)) toast.error(problem?.title ?? 'The door did not open.');
    return problem;
  }
  if (tab) tab.location.href = data.go;
  else window.location.href = data.go;
  return undefined;
}
