/**
 * What is typed between the press that opens a field and the field being there: kept, so that no letter is lost or taken
 * for a key of the page.
 */
interface Waiting {
  text: string;
  stop: () => void;
}
let waiting: Waiting | undefined;

/** Nobody waits longer for a field; what is typed then is for the page again. */
const LONGEST_MS = 10_000;

function typedInto(text: string, event: KeyboardEvent): string | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  if (event.key === 'Backspace') return text.slice(0, -1);
  return [...event.key].length === 1 ? text + event.key : undefined;
}

/** From now on what is typed is for a field that is about to open. */
export function typeAhead(): void {
  waiting?.stop();
  const onKey = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' || event.key === 'Tab') return mine.stop();
    const text = typedInto(mine.text, event);
    if (text === undefined) return;
    mine.text = text;
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const stop = (): void => {
    clearTimeout(timer);
    window.removeEventListener('keydown', onKey, { capture: true });
    window.removeEventListener('pointerdown', stop, { capture: true });
    if (waiting === mine) waiting = undefined;
  };
  const mine: Waiting = { text: '', stop };
  const timer = setTimeout(stop, LONGEST_MS);
  window.addEventListener('keydown', onKey, { capture: true });
  window.addEventListener('pointerdown', stop, { capture: true });
  waiting = mine;
}

/** What was typed meanwhile, once the field is there; nothing where nobody asked for it by a key. */
export function takeTypedAhead(): string | undefined {
  const text = waiting?.text;
  waiting?.stop();
  return text;
}
