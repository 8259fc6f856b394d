import { useState } from 'react';
import { chosenDays, chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
import type { Notch } from './layout.js';
import { useLanding } from './useLanding.js';
import type { StripData } from './useStripData.js';

interface Carried {
  notch: Notch;
  /** The column it is held over. */
  column: number;
  byKeys: boolean;
}

const within = (n: number, count: number): number => Math.max(0, Math.min(count - 1, n));

type Asked = Pick<StripProps, 'school' | 'chosen' | 'onChoose' | 'onMove'>;

/** What hand and keyboard do on the strip: where they are, what they carry, which days they sweep over. */
export function useStripHand(data: StripData, { school, chosen, onChoose, onMove }: Asked) {
  const { classes, dates, classIdOf, nowColumn } = data;
  const [cursor, setCursor] = useState({ row: 0, column: Math.max(0, nowColumn) });
  const [hasFocus, setFocus] = useState(false);
  const [hover, setHover] = useState<Notch | null>(null);
  const [carried, setCarried] = useState<Carried | null>(null);
  const [swept, setSwept] = useState<{ from: number; to: number } | null>(null);

  const looked = carried?.notch ?? chosenNotch(chosen);
  const classId = looked ? (classIdOf(looked) ?? null) : null;
  const target = carried ? { date: dates[carried.column]! } : null;
  const { landing, version } = useLanding(looked, classId, school, target);

  const putDown = (): void => {
    if (target && carried && landing?.row && version !== undefined) {
      if (target.date !== carried.notch.date) onMove(carried.notch, { ...target, version });
    }
    setCarried(null);
  };

  /** Lengthens or shortens the chosen days to a column, from the end that the cursor isn't at. */
  const sweepTo = (column: number): void => {
    const here = dates[cursor.column]!;
    const days = chosenDays(chosen) ?? { from: here, to: here };
    const anchor = here === days.from ? days.to : days.from;
    const there = dates[column]!;
    onChoose(there < anchor ? { from: there, to: anchor } : { from: anchor, to: there });
  };

  const go = (row: number, column: number, isSweeping: boolean): void => {
    const next = { row: within(row, classes.length), column: within(column, dates.length) };
    setCursor(next);
    if (carried) setCarried({ ...carried, column: next.column });
    else if (isSweeping) sweepTo(next.column);
  };

  const drop = (): void => {
    setCarried(null);
    setSwept(null);
  };

  return {
    cursor,
    setCursor,
    hasFocus,
    setFocus,
    hover,
    setHover,
    carried,
    setCarried,
    swept,
    setSwept,
    landing,
    putDown,
    drop,
    go,
  };
}

export type StripHand = ReturnType<typeof useStripHand>;
