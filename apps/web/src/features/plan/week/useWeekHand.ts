import { useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import type { ClassItem } from '@glen/contract';
import { mayEdit } from '../../school/mayEdit.js';
import type { Notch } from '../strip/layout.js';
import type { GridProps } from '../strip/stripProps.js';
import { useLanding } from '../strip/useLanding.js';
import { STEP, shiftedTime, snapped, type WeekLayout } from './weekLayout.js';

/** How many pixels a pressed pointer may tremble before it drags. */
const DRAG_FROM = 4;

interface Pressed {
  notch: Notch;
  x: number;
  y: number;
  /** How far below its top the session was taken. */
  grab: number;
}

interface Carried {
  notch: Notch;
  date: string;
  time: string;
  byKeys: boolean;
}

const within = (n: number, count: number): number => Math.max(0, Math.min(count - 1, n));

interface WeekPlace extends GridProps {
  layout: WeekLayout;
  classOf: (n: Notch) => ClassItem | undefined;
  grid: RefObject<HTMLDivElement | null>;
}

/** What is being carried through the week, and where it would land. */
function useCarried({ school, classOf, onMove }: WeekPlace) {
  const [carried, setCarried] = useState<Carried | null>(null);
  const notch = carried?.notch ?? null;
  const classId = notch ? (classOf(notch)?.id ?? null) : null;
  const { landing, version } = useLanding(notch, classId, school, carried);
  const putDown = (): void => {
    setCarried(null);
    if (!carried || !landing?.row || version === undefined) return;
    const { date, time } = carried;
    const hasMoved = date !== carried.notch.date || time !== carried.notch.time;
    if (hasMoved) onMove(carried.notch, { date, time, version });
  };
  return { carried, setCarried, landing, putDown };
}

type WeekCarried = ReturnType<typeof useCarried>;

const mayMove = ({ now, classOf }: WeekPlace, n: Notch): boolean =>
  n.start > now && n.status !== 'cancelled' && mayEdit(classOf(n));

/** Pressing chooses, dragging carries to another day and time. */
function usePointer(place: WeekPlace, { carried, setCarried, putDown }: WeekCarried) {
  const { layout, school, grid, onChoose } = place;
  const { days } = layout;
  const pressed = useRef<Pressed | null>(null);

  const onPointerDown = (event: PointerEvent, notch: Notch): void => {
    if (event.button !== 0) return;
    const { top } = event.currentTarget.getBoundingClientRect();
    pressed.current = { notch, x: event.clientX, y: event.clientY, grab: event.clientY - top };
    event.currentTarget.setPointerCapture(event.pointerId);
    onChoose({ notch });
  };

  const onPointerMove = (event: PointerEvent): void => {
    const start = pressed.current;
    if (!start || !mayMove(place, start.notch)) return;
    if (Math.hypot(event.clientX - start.x, event.clientY - start.y) < DRAG_FROM) return;
    const box = grid.current!.getBoundingClientRect();
    const column = Math.floor(((event.clientX - box.left) / box.width) * days.length);
    const date = days[within(column, days.length)]!;
    const minute = layout.minuteAt(event.clientY - box.top - start.grab);
    setCarried({ notch: start.notch, date, time: snapped(school, date, minute), byKeys: false });
  };

  const onPointerUp = (): void => {
    if (carried && !carried.byKeys) putDown();
    pressed.current = null;
  };

  const onPointerCancel = (): void => {
    pressed.current = null;
    setCarried(null);
  };
  return { onPointerDown, onPointerMove, onPointerUp, onPointerCancel };
}

/** The keyboard: m takes a session up, arrows carry it, Enter puts it down. */
function useKeys(place: WeekPlace, { carried, setCarried, putDown }: WeekCarried) {
  const { layout, onChoose, onOpen, onCancel } = place;
  const { days } = layout;
  const whileCarrying = (held: Carried): Record<string, () => void> => {
    const shift = (byDays: number, minutes: number) => () => {
      const date = days[within(days.indexOf(held.date) + byDays, days.length)]!;
      setCarried({ ...held, date, time: shiftedTime(held.time, minutes) });
    };
    return {
      ArrowLeft: shift(-1, 0),
      ArrowRight: shift(1, 0),
      ArrowUp: shift(0, -STEP),
      ArrowDown: shift(0, STEP),
      Enter: putDown,
      Escape: () => setCarried(null),
    };
  };
  const atRest = (notch: Notch): Record<string, () => void> => ({
    m: () => {
      if (!mayMove(place, notch)) return;
      onChoose({ notch });
      setCarried({ notch, date: notch.date, time: notch.time, byKeys: true });
    },
    e: () => onOpen(notch),
    Enter: () => onChoose({ notch }),
    Delete: onCancel,
    Escape: () => onChoose(null),
  });
  return (event: KeyboardEvent, notch: Notch): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const action = (carried ? whileCarrying(carried) : atRest(notch))[event.key];
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  };
}

/** Pointer and keys on the week's sessions, and what they carry. */
export function useWeekHand(place: WeekPlace) {
  const hand = useCarried(place);
  const { carried, setCarried, landing } = hand;
  const { onPointerDown, ...pointer } = usePointer(place, hand);
  const onKeyDown = useKeys(place, hand);
  const onBlur = (): void => {
    if (carried?.byKeys) setCarried(null);
  };
  /** What one session's block listens to. */
  const handlersOf = (notch: Notch) => ({
    ...pointer,
    onPointerDown: (event: PointerEvent) => onPointerDown(event, notch),
    onKeyDown: (event: KeyboardEvent) => onKeyDown(event, notch),
    onDoubleClick: () => place.onOpen(notch),
    onBlur,
  });
  return { carried, landing, handlersOf };
}

export type WeekHand = ReturnType<typeof useWeekHand>;
