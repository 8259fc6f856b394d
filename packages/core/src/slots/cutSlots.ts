import { checkWhole, fail } from '../input.js';
import { secondsOf, utcOf } from '../time/seconds.js';

/** A stretch of time, half open; instants. */
export interface TimeWindow {
  start: string;
  end: string;
}

export interface Slot extends TimeWindow {
  /** The index of its window, from 0. */
  window: number;
}

const MINUTE = 60;

/**
 * Windows cut into slots, back to back from each window's start with `gap` minutes between (common practice: 90 minutes in 15s is
 * 6); none that would pass its window's end. Throws GlenInputError at `windows.i.start`, `windows.i.end`, `minutes`, `gap`.
 */
export function cutSlots({
  windows,
  minutes,
  gap = 0,
}: {
  windows: TimeWindow[];
  minutes: number;
  gap?: number;
}): Slot[] {
  const length = checkWhole(minutes, 1, Infinity, 'minutes') * MINUTE;
  const step = length + checkWhole(gap, 0, Infinity, 'gap') * MINUTE;
  return windows.flatMap((window, index) => {
    const start = secondsOf(window.start, `windows.${index}.start`);
    const end = secondsOf(window.end, `windows.${index}.end`);
    if (end <= start) fail(`windows.${index}.end`, 'It would end before it begins.');
    const count = Math.max(0, Math.floor((end - start - length) / step) + 1);
    return Array.from({ length: count }, (_, nth) => {
      const from = start + nth * step;
      return { start: utcOf(from), end: utcOf(from + length), window: index };
    });
  });
}
