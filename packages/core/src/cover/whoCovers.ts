import { dateInWords } from '../time/dates.js';

/** Somebody teaches instead of somebody, on the dates from the first to the last, both included, by the school's wall clock. */
export interface Cover {
  id: number;
  absentId: number;
  coveringId: number;
  first: string;
  last: string;
}

export const isOn = ({ first, last }: Pick<Cover, 'first' | 'last'>, date: string): boolean =>
  first <= date && date <= last;

/** Whose lessons somebody covers, and by which cover of their own. */
export interface Covered {
  absentId: number;
  coverId: number;
}

/**
 * Whose lessons are covered on a date, by each who covers: those of whom they cover, and those that these cover in turn. Nobody
 * covers themselves, however covers run in a circle.
 */
export function whoCovers(covers: readonly Cover[], date: string): Map<number, Covered[]> {
  const on = covers.filter((cover) => isOn(cover, date));
  const of = (coveringId: number): Cover[] => on.filter((cover) => cover.coveringId === coveringId);
  const found = new Map<number, Covered[]>();
  for (const coveringId of new Set(on.map((cover) => cover.coveringId))) {
    const covered = new Map<number, Covered>();
    const open = of(coveringId).map(({ absentId, id }) => ({ absentId, coverId: id }));
    for (let next = open.shift(); next !== undefined; next = open.shift()) {
      const { absentId, coverId } = next;
      if (absentId === coveringId || covered.has(absentId)) continue;
      covered.set(absentId, next);
      open.push(...of(absentId).map((cover) => ({ absentId: cover.absentId, coverId })));
    }
    found.set(coveringId, [...covered.values()]);
  }
  return found;
}

/** `on Thu 15 Oct`, `from Thu 15 Oct to Fri 16 Oct`. */
export const coverDays = ({ first, last }: Pick<Cover, 'first' | 'last'>): string =>
  first === last
    ? `on ${dateInWords(first)}`
    : `from ${dateInWords(first)} to ${dateInWords(last)}`;
