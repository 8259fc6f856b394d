import type { TimeWindow } from './cutSlots.js';

/** Whether two stretches of time have a moment in common; one that begins as the other ends does not. */
export const meet = (a: TimeWindow, b: TimeWindow): boolean => a.start < b.end && b.start < a.end;
