import { dateInWords } from '../time/dates.js';

/** What something at a link holds for. Series 0: always; key '': all dates of the series. */
export interface HoldsFor {
  seriesId: number;
  key: string;
}

/** Whether what holds always, for a series or for one date holds at a date of a series. */
export const holdsAt = (its: HoldsFor, date: HoldsFor): boolean =>
  (its.seriesId === 0 || its.seriesId === date.seriesId) &&
  (its.key === '' || its.key === date.key);

/** The same in words: `always`, `at every date of Knots`, `on Thu 5 Nov`. `series`: what that is called, where it still stands. */
export function holdsForInWords(
  { seriesId, key }: HoldsFor,
  { series, date = key }: { series: string | null; date?: string },
): string {
  if (seriesId === 0) return 'always';
  return key === '' ? `at every date of ${series ?? 'a series'}` : `on ${dateInWords(date)}`;
}
