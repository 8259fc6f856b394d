import { OVER_ANOTHER, type Problem } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { messageFor, problemOf } from '../../app/api.js';
import * as say from './words.js';

type Open = (ask: {
  params: { linkId: number };
  body: { room?: string; anyway?: boolean };
}) => Promise<{ data?: { go: string }; error?: unknown }>;

/** Where no room is behind the door yet, the desk asks for its address. */
export const needsRoom = (problem: Problem | undefined): boolean =>
  messageFor(problem, 'room') !== undefined;

interface How {
  /** The address to put behind the door first, where none is there yet. */
  room?: string | undefined;
  /** Also while another session of whoever opens it is on. */
  anyway?: boolean;
}

/** How long what is asked about another session stands there, in milliseconds. */
const ASK_MS = 20000;

/** Asks whether a door is to be opened while another session is on; a press opens it. */
function askAnyway(problem: Problem, again: () => void): void {
  toast.warning(problem.title, {
    duration: ASK_MS,
    action: { label: say.openItAllTheSame, onClick: again },
  });
}

/**
 * Opens a door and the room behind it in a tab of its own. The tab is opened before the answer comes,
 * as browsers allow it only at the press itself. Where another session is on meanwhile, that is said first.
 * Gives what was wrong, if anything was.
 */
export async function openDoor(
  open: Open,
  linkId: number,
  { room, anyway }: How = {},
): Promise<Problem | undefined> {
  const tab = window.open('about:blank', '_blank');
  const body = { ...(room ? { room } : {}), ...(anyway ? { anyway } : {}) };
  const { data, error } = await open({ params: { linkId }, body });
  if (!data) {
    tab?.close();
    const problem = problemOf(error);
    if (problem?.type === OVER_ANOTHER)
      askAnyway(problem, () => void openDoor(open, linkId, { room, anyway: true }));
    else if (!needsRoom(problem)) toast.error(problem?.title ?? say.theDoorDidNotOpen);
    return problem;
  }
  if (tab) tab.location.href = data.go;
  else window.location.href = data.go;
  return undefined;
}
