import { useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { isHeld } from '@glen/core';
import { mayEdit } from '../../school/mayEdit.js';
import type { StripProps } from './stripProps.js';
import { columnsOf, groupBy, layoutStrip, type Notch } from './layout.js';

export const LABEL_WIDTH = 172;
const LEAST_WIDTH = 120;
const NONE: Notch[] = [];

/** The width of an element in whole pixels; 0 until it is known. */
export function useWidth(): [RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setWidth(Math.floor(entry!.contentRect.width)),
    );
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}

type Asked = Pick<StripProps, 'strip' | 'school' | 'from' | 'to' | 'now' | 'today' | 'proposed'>;

/** Where everything stands on the strip, and how to find it there. */
export function useStripData(asked: Asked, width: number) {
  const { strip, school, from, to, now, today, proposed } = asked;
  const { classes, notches } = strip;
  const dates = useMemo(() => {
    const shown = [...notches, ...(proposed?.rows ?? []).filter(isHeld)].map((n) => n.date);
    const within = shown.filter((date) => date >= from && date <= to);
    return columnsOf(school, from, to, within);
  }, [school, from, to, notches, proposed]);
  const layout = useMemo(
    () => layoutStrip(school, dates, notches, Math.max(LEAST_WIDTH, width - LABEL_WIDTH)),
    [school, dates, notches, width],
  );
  const series = useMemo(() => new Map(strip.series.map((s) => [s.id, s])), [strip.series]);
  const byClass = useMemo(
    () => groupBy(notches, (n) => series.get(n.seriesId)?.classId ?? 0),
    [notches, series],
  );
  const classIdOf = (n: Notch): number | undefined => series.get(n.seriesId)?.classId;
  const notchesOf = (classId: number): Notch[] => byClass.get(classId) ?? NONE;
  const notchesAt = (row: number, column: number): Notch[] =>
    notchesOf(classes[row]?.id ?? 0).filter((n) => n.date === dates[column]);
  const mayMove = (n: Notch | undefined): n is Notch =>
    n !== undefined &&
    n.start > now &&
    n.status !== 'cancelled' &&
    mayEdit(classes.find((c) => c.id === classIdOf(n)));
  const nowColumn = dates.findIndex((date) => date >= today);
  return { classes, dates, layout, series, classIdOf, notchesOf, notchesAt, mayMove, nowColumn };
}

export type StripData = ReturnType<typeof useStripData>;
