import { minuteOfDay, slotOffsets, type SlotPattern } from '@glen/core';
import type { WeekLayout } from './weekLayout.js';

interface SlotLinesProps {
  time: string;
  minutes: number;
  slots: SlotPattern | undefined;
  layout: WeekLayout;
}

/** Where the slots of a session begin: ticks at the edge of its block, beside its words. */
export function SlotLines({ time, minutes, slots, layout }: SlotLinesProps) {
  if (!slots) return null;
  const start = minuteOfDay(time, 'time');
  const [, ...later] = slotOffsets(minutes, slots);
  return later.map(({ from }) => (
    <span
      key={from}
      aria-hidden="true"
      className="absolute right-0 w-2.5 border-t-2 border-edge"
      style={{ top: layout.y(start + from) - layout.y(start) }}
    />
  ));
}
