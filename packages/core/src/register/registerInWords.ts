import { counted } from '../margin/counted.js';
import type { Standing } from './whatCounts.js';

/** What of a row is told. */
export interface CountedRow {
  stands: Standing;
  late: boolean;
  leftEarly: boolean;
}

const countOf = (rows: readonly CountedRow[], is: (row: CountedRow) => boolean): number =>
  rows.filter(is).length;

/** Parts that have something to say, with a comma between. */
const parts = (...told: (string | false)[]): string => told.filter(Boolean).join(', ');

/** A register in a line: `18 of 24 present, 2 partly, 1 excused, 3 absent; 3 late, 1 left early; 2 guests`. */
export function registerInWords(rows: readonly CountedRow[]): string {
  const standing = (of: Standing): number => countOf(rows, (row) => row.stands === of);
  const guests = standing('guest');
  const roll = rows.length - guests;
  const [partly, excused, absent] = [standing('partly'), standing('excused'), standing('absent')];
  const late = countOf(rows, (row) => row.late);
  const early = countOf(rows, (row) => row.leftEarly);
  const clauses = [
    roll > 0 &&
      parts(
        `${standing('present')} of ${roll} present`,
        partly > 0 && `${partly} partly`,
        excused > 0 && `${excused} excused`,
        absent > 0 && `${absent} absent`,
      ),
    parts(late > 0 && `${late} late`, early > 0 && `${early} left early`),
    guests > 0 && counted(guests, 'guest', 'guests'),
  ].filter(Boolean);
  return clauses.length > 0 ? clauses.join('; ') : 'Nobody came';
}
