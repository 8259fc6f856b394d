import { plusMinutes } from '../time/seconds.js';
import { cutSlots, type Slot, type TimeWindow } from './cutSlots.js';
import type { SlotPattern } from './slotWays.js';

const MINUTE_MS = 60_000;

/** The stretches of a session between its breaks; the whole of one without. */
function betweenBreaks(
  { start, end }: TimeWindow,
  { minutes, gap, breakEvery, breakMinutes }: SlotPattern,
): TimeWindow[] {
  if (breakEvery === 0 || breakMinutes === 0) return [{ start, end }];
  const stretch = breakEvery * minutes + (breakEvery - 1) * gap;
  const stretches: TimeWindow[] = [];
  for (let from = start; from < end;) {
    const to = plusMinutes(from, stretch);
    stretches.push({ start: from, end: to < end ? to : end });
    from = plusMinutes(to, breakMinutes);
  }
  return stretches;
}

/** The slots of a session (instants), in order; a break stands in the place of the gap after every so many of them. */
export const cutSession = (session: TimeWindow, pattern: SlotPattern): Slot[] =>
  cutSlots({ windows: betweenBreaks(session, pattern), ...pattern });

/** The same of a session of so many minutes that is held whenever: minutes from its start, as a drawing takes them. */
export function slotOffsets(minutes: number, pattern: SlotPattern): { from: number; to: number }[] {
  const start = '2000-01-01T00:00:00Z';
  const since = (at: string): number => (Date.parse(at) - Date.parse(start)) / MINUTE_MS;
  return cutSession({ start, end: plusMinutes(start, minutes) }, pattern).map((slot) => ({
    from: since(slot.start),
    to: since(slot.end),
  }));
}

/** How a session is cut, as part of a sentence: "in slots of 15 minutes with 5 between". */
export function slotsInWords({ minutes, gap, breakEvery, breakMinutes }: SlotPattern): string {
  const between = gap === 0 ? '' : ` with ${gap} between`;
  const joined = gap === 0 ? ' with' : ' and';
  const off =
    breakEvery === 0 || breakMinutes === 0
      ? ''
      : `${joined} a break of ${breakMinutes} after every ${breakEvery}`;
  return `in slots of ${minutes} minutes${between}${off}`;
}
