import { scaleLinear } from 'd3-scale';
import { dateInWords, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import { useWide } from '../../ui/useMedia.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Found = Answer<'freeTimes'>;
type Window = Found['windows'][number];
export type FreeTime = Found['times'][number];

interface BusyStripProps {
  found: Found;
  /** The time that is looked at. */
  chosen: FreeTime;
  zone: string;
}

const seconds = (instant: string): number => Date.parse(instant) / 1000;

/** Where an instant stands in a day's window, in per cent of its width. */
const placeIn = (day: Window) =>
  scaleLinear()
    .domain([seconds(day.start), seconds(day.end)])
    .range([0, 100])
    .clamp(true);

interface Span {
  start: string;
  end: string;
}

const isWithin = (day: Window, { start, end }: Span): boolean => start < day.end && end > day.start;

/** A stretch of a day's window as a box. */
function Box({ day, span, className }: { day: Window; span: Span; className: string }) {
  const place = placeIn(day);
  const left = place(seconds(span.start));
  return (
    <span
      className={`absolute inset-y-0 ${className}`}
      style={{ left: `${left}%`, width: `${place(seconds(span.end)) - left}%` }}
    />
  );
}

interface OfDay {
  day: Window;
  chosen: FreeTime;
  zone: string;
}

/** A share of the width that a figure takes. */
const EDGE = 0.1;

/** Whole hours of a day's window, as far as they have room. */
function Hours({ day, zone }: Pick<OfDay, 'day' | 'zone'>) {
  const place = placeIn(day);
  const isLong = seconds(day.end) - seconds(day.start) > 4 * 3600;
  const apart = (isLong ? 2 : 1) * 3600;
  const first = Math.ceil(seconds(day.start) / apart) * apart;
  // Words at the edge would stand outside.
  const last = seconds(day.end) - (seconds(day.end) - seconds(day.start)) * EDGE;
  const count = Math.max(0, Math.ceil((last - first) / apart));
  return (
    <span className="relative block h-4 font-mono text-xs text-soft">
      {Array.from({ length: count }, (_, nth) => first + nth * apart).map((at) => (
        <span key={at} className="absolute" style={{ left: `${place(at)}%` }}>
          {wallClockAt(new Date(at * 1000).toISOString(), zone).time.slice(0, 2)}
        </span>
      ))}
    </span>
  );
}

/** One person's day: when they are busy, and never with what. */
const Lane = ({ day, chosen, busy }: OfDay & { busy: Span[] }) => (
  <span className="relative block h-6 border-b border-line bg-sheet">
    {isWithin(day, chosen) && (
      <Box day={day} span={chosen} className="border-x-2 border-bracken bg-bracken/15" />
    )}
    {busy
      .filter((span) => isWithin(day, span))
      .map((span) => (
        <Box key={span.start} day={day} span={span} className="my-1 rounded-mark bg-loch" />
      ))}
  </span>
);

const DAYS_SHOWN = 5;

/** The days around the one that is looked at, as many as have room. */
function daysAround(windows: Window[], date: string, most: number): Window[] {
  const at = Math.max(
    0,
    windows.findIndex((day) => day.date === date),
  );
  const from = Math.max(0, Math.min(at - Math.floor(most / 2), windows.length - most));
  return windows.slice(from, from + most);
}

/** When somebody is busy on a day, in words: the picture is for eyes alone. */
function busyInWords({ day, zone }: OfDay, busy: Span[]): string {
  const here = busy.filter((span) => isWithin(day, span));
  if (here.length === 0) return say.freeAllDay;
  const clock = (instant: string): string => wallClockAt(instant, zone).time;
  return fill(say.busyHere, {
    here: here.map(({ start, end }) => `${clock(start)}–${clock(end)}`).join(', '),
  });
}

/** Everybody's busy times on the days around the time that is looked at, one row each. */
export function BusyStrip({ found, chosen, zone }: BusyStripProps) {
  const isWide = useWide();
  const days = daysAround(found.windows, chosen.date, isWide ? DAYS_SHOWN : 1);
  const columns = { gridTemplateColumns: `9rem repeat(${days.length}, minmax(0, 1fr))` };
  return (
    <section aria-label={say.whenTheyAreBusy} className="mt-5 grid gap-x-2 gap-y-1" style={columns}>
      <span />
      {days.map((day) => (
        <span key={day.date} className="text-sm">
          <span className={day.date === chosen.date ? 'font-semibold text-bracken-deep' : ''}>
            {dateInWords(day.date)}
          </span>
          <Hours day={day} zone={zone} />
        </span>
      ))}
      {found.people.map(({ id, name, must, busy }) => (
        <Person key={id} name={name} must={must}>
          {days.map((day) => {
            const of = { day, chosen, zone };
            return (
              <span key={day.date}>
                <span className="sr-only">{`${dateInWords(day.date)}: ${busyInWords(of, busy)}`}</span>
                <Lane {...of} busy={busy} />
              </span>
            );
          })}
        </Person>
      ))}
    </section>
  );
}

const Person = ({
  name,
  must,
  children,
}: {
  name: string;
  must: boolean;
  children: React.ReactNode;
}) => (
  <>
    <span className={`truncate text-md ${must ? 'font-semibold' : 'text-soft'}`} title={name}>
      {name}
    </span>
    {children}
  </>
);
