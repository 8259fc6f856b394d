import { counted } from '../margin/counted.js';
import type { Note } from '../margin/note.js';
import { cutSession, slotsInWords } from '../slots/cutSession.js';
import type { SlotPattern } from '../slots/slotWays.js';
import { wallClockAt } from '../time/instants.js';
import type { Occurrence } from './plan.js';

/** So many beginnings of slots are told one by one. */
const MOST_TOLD = 6;

/** What cutting sessions into slots comes to. */
export function slotsNote(
  held: Occurrence[],
  pattern: SlotPattern | undefined,
  zone: string,
): Note[] {
  if (!pattern) return [];
  const cut = held.map((row) => cutSession(row, pattern)).filter((own) => own.length > 0);
  const [slots] = cut;
  if (!slots)
    return [
      {
        severity: 'wrong',
        title: 'No slot fits in',
        text: `It is shorter than a slot of ${pattern.minutes} minutes.`,
      },
    ];
  const times = slots.slice(0, MOST_TOLD).map(({ start }) => wallClockAt(start, zone).time);
  const more = slots.length > MOST_TOLD ? ' …' : '';
  const all = cut.reduce((sum, own) => sum + own.length, 0);
  return [
    {
      severity: 'inform',
      title: `Cut ${slotsInWords(pattern)}`,
      text: `${times.join(', ')}${more}${held.length === 1 ? '' : ` on the first day; ${counted(all, 'slot', 'slots')} in all`}.`,
    },
  ];
}
