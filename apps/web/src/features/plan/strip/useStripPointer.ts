import { useRef, type PointerEvent } from 'react';
import { chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
import { proposedAt } from './proposedAt.js';
import { ROW_HEIGHT, nearest, type Notch } from './layout.js';
import { LABEL_WIDTH, type StripData } from './useStripData.js';
import type { StripHand } from './useStripHand.js';

/** How many pixels a pressed pointer may tremble before it drags. */
const DRAG_FROM = 4;

interface Pressed {
  x: number;
  notch: Notch | undefined;
  column: number;
}

type Asked = Pick<StripProps, 'chosen' | 'onChoose' | 'onOpen' | 'proposed'>;

/** The row and the day under the pointer, and what stands nearest there: a session, or a date of the series in hand. */
function placeAt(event: PointerEvent, data: StripData, proposed: StripProps['proposed']) {
  const { classes, dates, layout, notchesAt } = data;
  const box = event.currentTarget.getBoundingClientRect();
  const y = event.clientY - box.top;
  const row = Math.max(0, Math.min(classes.length - 1, Math.floor(y / ROW_HEIGHT)));
  const column = layout.columnAt(event.clientX - box.left - LABEL_WIDTH);
  const height = y - row * ROW_HEIGHT;
  const notch = nearest(layout, notchesAt(row, column), height);
  const own = proposedAt(proposed, classes[row]?.id, dates[column]);
  const isOwn = own && nearest(layout, [own, ...(notch ? [notch] : [])], height) === own;
  return { row, column, notch: isOwn ? undefined : notch, own: isOwn ? own : undefined };
}

/** Pressing chooses, dragging a notch carries it, dragging over nothing sweeps over days. */
export function useStripPointer(data: StripData, hand: StripHand, asked: Asked) {
  const { dates, mayMove } = data;
  const { carried, swept, setCarried, setCursor, setHover, setSwept } = hand;
  const { chosen, onChoose, onOpen, proposed } = asked;
  const pressed = useRef<Pressed | null>(null);

  const placeOf = (event: PointerEvent) => placeAt(event, data, proposed);

  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0 || (event.target as HTMLElement).closest('a')) return;
    const { row, column, notch, own } = placeOf(event);
    if (own) {
      setCursor({ row, column });
      return proposed?.toggle?.(own.key);
    }
    pressed.current = { x: event.clientX, notch, column };
    setCursor({ row, column });
    event.currentTarget.setPointerCapture(event.pointerId);
    if (notch) onChoose({ notch });
  };

  const onPointerMove = (event: PointerEvent): void => {
    const { column, notch } = placeOf(event);
    const start = pressed.current;
    if (!start) return setHover(notch ?? null);
    if (Math.abs(event.clientX - start.x) < DRAG_FROM) return;
    if (!start.notch)
      setSwept({ from: Math.min(start.column, column), to: Math.max(start.column, column) });
    else if (mayMove(start.notch)) setCarried({ notch: start.notch, column, byKeys: false });
  };

  const onPointerUp = (): void => {
    if (carried && !carried.byKeys) hand.putDown();
    else if (swept) {
      onChoose({ from: dates[swept.from]!, to: dates[swept.to]! });
      setSwept(null);
    } else if (pressed.current && !pressed.current.notch) onChoose(null);
    pressed.current = null;
  };

  const onPointerCancel = (): void => {
    pressed.current = null;
    hand.drop();
  };

  const onDoubleClick = (): void => {
    const notch = chosenNotch(chosen);
    if (notch) onOpen(notch);
  };

  const onPointerLeave = (): void => setHover(null);
  return {
    onPointerDown,
    onPointerMove,
    onPointerUp,
    onPointerCancel,
    onPointerLeave,
    onDoubleClick,
  };
}
