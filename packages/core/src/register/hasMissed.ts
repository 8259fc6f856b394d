import type { Standing } from './whatCounts.js';

/**
 * Whether somebody has missed so many lessons in a row with the last, and not before it: told once, not after each lesson
 * more. `latestFirst` is how they stood, those at which they were excused left out; 0 in a row is never.
 */
export const hasMissed = (latestFirst: readonly Standing[], inRow: number): boolean =>
  inRow > 0 &&
  latestFirst.length >= inRow &&
  latestFirst.slice(0, inRow).every((stands) => stands === 'absent') &&
  latestFirst[inRow] !== 'absent';
