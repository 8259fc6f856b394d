import { addMinutes, dateInWords, slotOffsets } from '@glen/core';
import type { Notch, Strip } from './layout.js';
import { fill, many } from '../../../ui/fill.js';
import * as say from '../words.js';

export type StripSeries = Strip['series'][number];

/** What becomes of a session, in a word. */
export function stateOf(n: Notch, series: StripSeries | undefined, now: string): string {
  if (n.status === 'cancelled')
    return n.why ? fill(say.cancelledWhy, { why: n.why }) : say.cancelledAlone;
  if (series?.draft) return say.draft;
  if (n.heldAt) return fill(say.heldAtTheDoorOf, { heldAt: n.heldAt });
  if (n.was && n.was.date !== n.date)
    return fill(say.movedFromDate, { date: dateInWords(n.was.date) });
  if (n.was) return fill(say.movedFromTimeWithin, { time: n.was.time });
  if (n.end <= now) return 'over';
  return n.start <= now ? 'running' : 'planned';
}

/** Into how many slots a session is cut; 0: it is not. */
export const slotsIn = (n: Notch, series: StripSeries | undefined): number =>
  series?.slots ? slotOffsets(n.minutes, series.slots).length : 0;

/** All about one notch, for hover, focus and screen readers alike. */
export const notchInWords = (n: Notch, series: StripSeries | undefined, now: string): string =>
  `${dateInWords(n.date)}, ${n.time}–${addMinutes(n.time, n.minutes)}: ${n.title ?? series?.title ?? ''}, ${stateOf(n, series, now)}${slotsInWords(slotsIn(n, series))}`;

const slotsInWords = (slots: number): string => (slots === 0 ? '' : `, ${many(say.slots, slots)}`);
