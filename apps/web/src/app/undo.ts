import { toast } from 'sonner';
import { allWritten } from './writes.js';

/** How long an undo is offered. */
const OFFER_MS = 20000;

interface Done {
  label: string;
  undo: () => Promise<unknown>;
  redo?: (() => Promise<unknown>) | undefined;
}
let done: (Done & { id: string | number }) | undefined;
let undone: Done | undefined;

function offer(what: Done): void {
  // Only the last can be taken back, so only its button is offered.
  if (done) toast.dismiss(done.id);
  const id = toast(what.label, {
    duration: OFFER_MS,
    action: { label: 'Undo', onClick: () => void undoLast() },
  });
  const offered = { ...what, id };
  done = offered;
  setTimeout(() => {
    if (done === offered) done = undefined;
  }, OFFER_MS);
}

/** Says what was done and offers to take it back; `u` takes the last one back, and `U` does it again where it can be. */
export function offerUndo(
  label: string,
  undo: () => Promise<unknown>,
  redo?: () => Promise<unknown>,
): void {
  undone = undefined;
  offer({ label, undo, redo });
}

/** What was pressed a moment ago counts as the last too, though its answer is still awaited. */
export async function undoLast(): Promise<void> {
  await allWritten();
  const last = done;
  if (!last) return void toast('There is nothing to undo.');
  done = undefined;
  toast.dismiss(last.id);
  try {
    await last.undo();
    undone = last.redo ? last : undefined;
    if (last.redo)
      toast('Undone.', { action: { label: 'Do it again', onClick: () => void redoLast() } });
    else toast('Undone.');
  } catch {
    toast.error('It was changed again in the meantime, so it stays as it is.');
  }
}

export async function redoLast(): Promise<void> {
  await allWritten();
  const last = undone;
  if (!last?.redo) return void toast('There is nothing to do again.');
  undone = undefined;
  try {
    await last.redo();
    offer(last);
  } catch {
    toast.error('It was changed in the meantime, so it stays as it is.');
  }
}
