import type { KeyboardEvent } from 'react';
import { chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
import { proposedAt } from './proposedAt.js';
import type { StripData } from './useStripData.js';
import type { StripHand } from './useStripHand.js';

/** How far the page keys go: a week. */
const PAGE = 5;

type Asked = Pick<StripProps, 'chosen' | 'onChoose' | 'onOpen' | 'onCancel' | 'proposed'>;

/** The keyboard's ways about the strip: arrows go, Enter chooses and opens, m carries, Delete cancels. */
export function useStripKeys(data: StripData, hand: StripHand, asked: Asked) {
  const { dates, layout, notchesAt, mayMove } = data;
  const { cursor, carried, setCarried, setCursor, go } = hand;
  const { chosen, onChoose, onOpen, onCancel, proposed } = asked;
  const { row, column } = cursor;
  const here = notchesAt(row, column);
  const place = here.findIndex((n) => n.id === chosenNotch(chosen)?.id);

  /** The next of those under the cursor; the only one is opened once it is chosen. */
  const enter = (): void => {
    if (carried) return hand.putDown();
    const own = proposedAt(proposed, data.classes[row]?.id, dates[column]);
    if (own) return proposed?.toggle?.(own.key);
    if (here.length === 0) return onChoose(null);
    if (place >= 0 && here.length === 1) return onOpen(here[0]!);
    onChoose({ notch: here[(place + 1) % here.length]! });
  };
  const pickUp = (): void => {
    const notch = here[Math.max(0, place)];
    if (carried || !mayMove(notch)) return;
    onChoose({ notch });
    setCarried({ notch, column, byKeys: true });
  };
  const open = (): void => {
    if (here[0]) onOpen(here[0]);
  };
  const leave = (): void => {
    if (!carried) return onChoose(null);
    setCarried(null);
    setCursor({ row, column: layout.indexOf(carried.notch.date) ?? column });
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if ((event.target as HTMLElement).closest('a')) return;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const isSweeping = event.shiftKey;
    const actions: Record<string, () => void> = {
      ArrowLeft: () => go(row, column - 1, isSweeping),
      ArrowRight: () => go(row, column + 1, isSweeping),
      ArrowUp: () => go(carried ? row : row - 1, column, false),
      ArrowDown: () => go(carried ? row : row + 1, column, false),
      PageUp: () => go(row, column - PAGE, isSweeping),
      PageDown: () => go(row, column + PAGE, isSweeping),
      Home: () => go(row, 0, isSweeping),
      End: () => go(row, dates.length - 1, isSweeping),
      Enter: enter,
      m: pickUp,
      e: open,
      Delete: onCancel,
      Escape: leave,
    };
    const action = actions[event.key];
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  };
  return { onKeyDown };
}
