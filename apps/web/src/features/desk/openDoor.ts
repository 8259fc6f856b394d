import { toast } from 'sonner';
import { problemOf } from '../../app/api.js';

type Open = (ask: {
  params: { linkId: number };
}) => Promise<{ data?: { go: string }; error?: unknown }>;

/**
 * Opens a door and the room behind it in a tab of its own. The tab is opened before the answer comes,
 * as browsers allow it only at the press itself.
 */
export async function openDoor(open: Open, linkId: number): Promise<boolean> {
  const room = window.open('about:blank', '_blank');
  const { data, error } = await open({ params: { linkId } });
  if (!data) {
    room?.close();
    toast.error(problemOf(error)?.title ?? 'The door did not open.');
    return false;
  }
  if (room) room.location.href = data.go;
  else window.location.href = data.go;
  return true;
}
