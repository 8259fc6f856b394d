import { useHotkeys } from 'react-hotkeys-hook';
import type { Desk, DeskActions } from './useDesk.js';

/** The desk by keyboard: the next one in, all of the roll in, open or go in. `document` is the window's that listens. */
export function useDeskKeys(desk: Desk | undefined, act: DeskActions, document: Document): void {
  const options = { document, enabled: desk !== undefined };
  useHotkeys(
    'i',
    () => {
      const next = desk?.waiting[0];
      if (next) act.letIn(next.id);
    },
    options,
    [desk],
  );
  useHotkeys(
    'a',
    () => {
      if (desk?.waiting.some((v) => v.onRoll)) act.letAllIn('roll');
    },
    options,
    [desk],
  );
  useHotkeys('o', () => act.open(), options, [desk]);
}
