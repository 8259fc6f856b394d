import type { TimeWindow } from '../slots/cutSlots.js';
import { meet } from '../slots/meet.js';
import { secondsOf, utcOf } from '../time/seconds.js';
import { joinedSpans } from '../time/spans.js';
import type { FreeTime } from './findFreeTimes.js';

/**
 * Of times in the order of their worth those that people choose between: none that overlaps a better one, and so many of a
 * day at most, so that a whole morning does not take all the places. `dayOf` gives the local date of an instant.
 */
export function spreadTimes(
  times: FreeTime[],
  { dayOf, perDay, most }: { dayOf: (instant: string) => string; perDay: number; most: number },
): FreeTime[] {
  const chosen: FreeTime[] = [];
  const onDay = new Map<string, FreeTime[]>();
  for (const time of times) {
    if (chosen.length === most) break;
    const day = dayOf(time.start);
    const same = onDay.get(day) ?? [];
    const meets = same.some((other) => meet(time, other));
    if (meets || same.length === perDay) continue;
    onDay.set(day, [...same, time]);
    chosen.push(time);
  }
  return chosen;
}

/** Busy spans (instants) with those that overlap or touch made one, in order: when, and nothing of what with. */
export const joinedBusy = (spans: TimeWindow[]): TimeWindow[] =>
  joinedSpans(
    spans.map(({ start, end }) => ({
      from: secondsOf(start, 'start'),
      to: secondsOf(end, 'end'),
    })),
  ).map(({ from, to }) => ({ start: utcOf(from), end: utcOf(to) }));
