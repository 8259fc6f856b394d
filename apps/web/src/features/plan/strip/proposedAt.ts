import { isHeld, type Occurrence } from '@glen/core';
import type { Proposed } from './stripProps.js';

/** The date of the series in hand that stands on a day in its class period's row, left out or not. */
export function proposedAt(
  proposed: Proposed | null,
  classId: number | undefined,
  date: string | undefined,
): Occurrence | undefined {
  if (!proposed?.toggle || proposed.classId !== classId) return undefined;
  return [...proposed.rows.filter(isHeld), ...proposed.leftOut].find((o) => o.date === date);
}
