import { useRef, type PointerEvent } from 'react';
import { chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
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

type Asked = Pick<StripProps, 'chosen' | 'onChoose' | 'onOpen'>;

/** Pressing chooses, dragging a notch carries it, dragging over nothing sweeps over days. */
export function useStripPointer(data: StripData, hand: StripHand, asked: Asked) {
  const { classes, dates, layout, notchesAt, mayMove } = data;
  const { carried, swept, setCarried, setCursor, setHover, setSwept } = hand;
  const { chosen, onChoose, onOpen } = asked;
  const pressed = useRef<Pressed | null>(null);

  const placeOf = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const y = event.clientY - box.top;
    const row = Math.max(0, Math.min(classes.length - 1, Math.floor(y / ROW_HEIGHT)));
    const column = layout.columnAt(event.clientX - box.left - LABEL_WIDTH);
    const notch = nearest(layout, notchesAt(row, column), y - row * ROW_HEIGHT);
    return { row, column, notch };
  };

  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0 || (event.target as HTMLElement).closest('a')) return;
    const { row, column, notch } = placeOf(event);
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
