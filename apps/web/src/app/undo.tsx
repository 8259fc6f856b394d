import type { WayBack } from '@glen/contract';
import { toast } from '../ui/toast.js';
import { keepWayBack, takeBack } from './wayBack.js';
import { allWritten } from './writes.js';
import { fill } from '../ui/fill.js';
import * as say from './words.js';

/** How long an undo is offered. */
const OFFER_MS = 20000;

/** How a change is taken back, and made once more after that. */
interface Ways {
  redo?: (() => Promise<unknown>) | undefined;
  /** The way back as data: it is kept under Lately, over reloads and days. */
  calls?: () => WayBack[];
}

interface Done extends Ways {
  label: string;
  undo: () => Promise<unknown>;
  /** Notes under Lately that it was taken back. */
  noted?: Promise<() => void>;
}
let done: (Done & { id: string | number }) | undefined;
let undone: Done | undefined;

interface PressProps {
  does: string;
  /** What the line beside it says: it is heard after the button’s name, and seen as one stays on it. */
  to: string;
  onPress: () => void;
}

/** A button of a toast, dressed by its style sheet; what lies under a toast can be pressed through it, so only this cannot. */
const Press = ({ does, to, onPress }: PressProps) => (
  <button
    type="button"
    data-button
    data-action
    title={to}
    className="pointer-events-auto !bg-bar-ink !text-bar"
    onClick={onPress}
  >
    {does}
  </button>
);

/** What can be taken back just now, in words. */
export const lastDone = (): string | undefined => done?.label;

function offer(what: Done): void {
  // Only the last can be taken back, so only its button is offered.
  if (done) toast.dismiss(done.id);
  const id = toast(what.label, {
    duration: OFFER_MS,
    action: <Press does={say.undo} to={what.label} onPress={() => void undoLast()} />,
  });
  const noted = what.calls ? keepWayBack(what.label, what.calls()) : undefined;
  const offered = { ...what, id, ...(noted ? { noted } : {}) };
  done = offered;
  setTimeout(() => {
    if (done === offered) done = undefined;
  }, OFFER_MS);
}

/** Says what was done and offers to take it back; `u` takes the last one back, and `U` does it again where it can be. */
export function offerUndo(label: string, undo: () => Promise<unknown>, ways: Ways = {}): void {
  undone = undefined;
  offer({ label, undo, ...ways });
}

/** The same of a change whose way back is calls and nothing else. */
export const offerWayBack = (label: string, calls: WayBack[]): void =>
  offerUndo(label, () => takeBack(calls), { calls: () => calls });

function tellUndone({ label, redo }: Done): void {
  const again = (): void => {
    toast.dismiss(told);
    void redoLast();
  };
  const told = toast(
    fill(say.undone, { what: label }),
    redo ? { action: <Press does={say.doItAgain} to={label} onPress={again} /> } : {},
  );
}

/** What was pressed a moment ago counts as the last too, though its answer is still awaited. */
export async function undoLast(): Promise<void> {
  await allWritten();
  const last = done;
  if (!last) return void toast(say.thereIsNothingToUndo);
  done = undefined;
  toast.dismiss(last.id);
  try {
    await last.undo();
    void last.noted?.then((note) => note());
    undone = last.redo ? last : undefined;
    tellUndone(last);
  } catch {
    toast.error(say.itWasChangedAgain);
  }
}

export async function redoLast(): Promise<void> {
  await allWritten();
  const last = undone;
  if (!last?.redo) return void toast(say.thereIsNothingToDo);
  undone = undefined;
  try {
    await last.redo();
    offer(last);
  } catch {
    toast.error(say.itWasChanged);
  }
}
