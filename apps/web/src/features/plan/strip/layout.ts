import { scaleBand, scaleLinear } from 'd3-scale';
import {
  addDays,
  dayInfo,
  minuteOfDay,
  mondayOf,
  dayNumber,
  type SchoolCalendar,
} from '@glen/core';
import type { Answer } from '@glen/contract';

export type Strip = Answer<'strip'>;
export type Notch = Strip['notches'][number];

export const ROW_HEIGHT = 37;
const NOTCH_HEIGHT = 12;
/** Room above and below the notches of a row. */
const PAD = 4;

export interface StripLayout {
  dates: string[];
  width: number;
  /** The column's left edge, by its place among the dates. */
  x: (index: number) => number;
  step: number;
  band: number;
  /** The notch's top within its row, by minute of the day. */
  y: (minute: number) => number;
  indexOf: (date: string) => number | undefined;
  /** The column at a distance from the left, kept within the strip. */
  columnAt: (x: number) => number;
  weeks: { from: number; to: number; date: string }[];
  closures: { from: number; to: number; name: string }[];
}

/** One column for each school day between two dates, and for each other day on which something stands. */
export function columnsOf(
  school: SchoolCalendar,
  from: string,
  to: string,
  used: Iterable<string>,
): string[] {
  const others = new Set(used);
  const dates: string[] = [];
  for (let date = from; date <= to; date = addDays(date, 1))
    if (dayInfo(school, date).bell !== undefined || others.has(date)) dates.push(date);
  return dates;
}

/** Neighbouring columns for which something holds, each run once. */
function runs<T>(
  dates: string[],
  of: (date: string) => T | undefined,
): { from: number; to: number; value: T }[] {
  const found: { from: number; to: number; value: T }[] = [];
  dates.forEach((date, i) => {
    const value = of(date);
    const last = found.at(-1);
    if (value === undefined) return;
    if (last && last.to === i - 1 && last.value === value) last.to = i;
    else found.push({ from: i, to: i, value });
  });
  return found;
}

/** Where everything stands on a strip of a width in pixels. */
export function layoutStrip(
  school: SchoolCalendar,
  dates: string[],
  notches: Pick<Notch, 'time' | 'minutes'>[],
  width: number,
): StripLayout {
  const xScale = scaleBand<number>()
    .domain(dates.map((_, i) => i))
    .range([0, width])
    .paddingInner(0.34)
    .paddingOuter(0.17);
  const minutes = [
    ...notches.map((n) => minuteOfDay(n.time, 'time')),
    ...school.bells.flatMap((set) => set.periods.map((p) => minuteOfDay(p.start, 'start'))),
  ];
  const [earliest, latest] =
    minutes.length === 0 ? [480, 960] : [Math.min(...minutes), Math.max(...minutes)];
  const yScale = scaleLinear()
    .domain([earliest, Math.max(latest, earliest + 60)])
    .range([PAD, ROW_HEIGHT - PAD - NOTCH_HEIGHT])
    .clamp(true);
  const index = new Map(dates.map((date, i) => [date, i]));
  const step = xScale.step();
  return {
    dates,
    width,
    step,
    band: Math.max(1.5, Math.min(11, xScale.bandwidth())),
    x: (i) => (xScale(i) ?? 0) + Math.max(0, (xScale.bandwidth() - 11) / 2),
    y: (minute) => yScale(minute),
    indexOf: (date) => index.get(date),
    columnAt: (x) => Math.max(0, Math.min(dates.length - 1, Math.floor((x - step * 0.08) / step))),
    weeks: runs(dates, (date) => mondayOf(dayNumber(date, 'date'))).map((w) => ({
      from: w.from,
      to: w.to,
      date: dates[w.from]!,
    })),
    closures: runs(dates, (date) => {
      const day = dayInfo(school, date);
      return day.teaching || day.bell === undefined ? undefined : day.why;
    }).map(({ value, ...run }) => ({ ...run, name: value })),
  };
}

/** A notch as a piece of an SVG path. */
export const notchPath = (l: StripLayout, n: Pick<Notch, 'date' | 'time'>): string => {
  const i = l.indexOf(n.date);
  if (i === undefined) return '';
  return `M${l.x(i).toFixed(1)} ${l.y(minuteOfDay(n.time, 'time')).toFixed(1)}h${l.band.toFixed(1)}v${NOTCH_HEIGHT}h-${l.band.toFixed(1)}z`;
};

/** A line through a cancelled one. */
export const strikePath = (l: StripLayout, n: Pick<Notch, 'date' | 'time'>): string => {
  const i = l.indexOf(n.date);
  if (i === undefined) return '';
  const y = l.y(minuteOfDay(n.time, 'time'));
  return `M${(l.x(i) - 1).toFixed(1)} ${(y + NOTCH_HEIGHT).toFixed(1)}l${(l.band + 2).toFixed(1)} -${NOTCH_HEIGHT}`;
};

/** A notch has room for so many pieces. */
const MOST_PIECES = 4;

/** Lines across one that is cut into so many slots: as many pieces as it has room for. */
export const cutPath = (l: StripLayout, n: Pick<Notch, 'date' | 'time'>, slots: number): string => {
  const i = l.indexOf(n.date);
  const pieces = Math.min(slots, MOST_PIECES);
  if (i === undefined) return '';
  const top = l.y(minuteOfDay(n.time, 'time'));
  return Array.from({ length: Math.max(0, pieces - 1) }, (_, nth) => {
    const y = top + ((nth + 1) * NOTCH_HEIGHT) / pieces;
    return `M${l.x(i).toFixed(1)} ${y.toFixed(1)}h${l.band.toFixed(1)}`;
  }).join('');
};

/** A dot above one that clashes. */
export const dotPath = (l: StripLayout, n: Pick<Notch, 'date'>): string => {
  const i = l.indexOf(n.date);
  return i === undefined
    ? ''
    : `M${(l.x(i) + l.band / 2 - 3).toFixed(1)} 3a3 3 0 1 0 6 0a3 3 0 1 0 -6 0`;
};

/** The notch nearest to a height within its row, of those in one column. */
export const nearest = <T extends Pick<Notch, 'time'>>(
  l: StripLayout,
  of: T[],
  y: number,
): T | undefined =>
  [...of].sort(
    (a, b) =>
      Math.abs(l.y(minuteOfDay(a.time, 'time')) + NOTCH_HEIGHT / 2 - y) -
      Math.abs(l.y(minuteOfDay(b.time, 'time')) + NOTCH_HEIGHT / 2 - y),
  )[0];

/** Things by what they have in common, each list in the given order. */
export function groupBy<T, K>(things: T[], of: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) {
    const list = groups.get(of(thing));
    if (list) list.push(thing);
    else groups.set(of(thing), [thing]);
  }
  return groups;
}
