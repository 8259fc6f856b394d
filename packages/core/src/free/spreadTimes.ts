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
    const meets = same.some((other) => time.start < other.end && other.start < time.end);
    if (meets || same.length === perDay) continue;
    onDay.set(day, [...same, time]);
    chosen.push(time);
  }
  return chosen;
}

/** Spans with those that overlap or touch made one, in order: when somebody is busy, and nothing of what with. */
export function joinedSpans(
  spans: { start: string; end: string }[],
): { start: string; end: string }[] {
  const joined: { start: string; end: string }[] = [];
  for (const { start, end } of [...spans].sort((a, b) => (a.start < b.start ? -1 : 1))) {
    const last = joined.at(-1);
    if (last && start <= last.end) last.end = end > last.end ? end : last.end;
    else joined.push({ start, end });
  }
  return joined;
}
