import { dateOf, dayNumber, mondayOf } from '../time/dates.js';
import type { Standing } from './whatCounts.js';

/** How somebody stood at one session. */
export interface Stood {
  /** The day of the school. */
  date: string;
  stands: Standing;
  late: boolean;
}

/** How often somebody stood as what; guests are not counted. */
export interface StoodCounts {
  present: number;
  partly: number;
  excused: number;
  absent: number;
  late: number;
}

export type TermWeek = StoodCounts & {
  /** Its Monday. */
  week: string;
};

/** How often of several sessions somebody stood as what. */
export function countStood(stood: readonly Pick<Stood, 'stands' | 'late'>[]): StoodCounts {
  const of = (stands: Standing): number => stood.filter((one) => one.stands === stands).length;
  return {
    present: of('present'),
    partly: of('partly'),
    excused: of('excused'),
    absent: of('absent'),
    late: stood.filter((one) => one.late).length,
  };
}

const COUNTS = ['present', 'partly', 'excused', 'absent', 'late'] as const;

/** Several counts together. */
export function sumStood(all: readonly StoodCounts[]): StoodCounts {
  const sums = { present: 0, partly: 0, excused: 0, absent: 0, late: 0 };
  for (const one of all) for (const part of COUNTS) sums[part] += one[part];
  return sums;
}

/** `7 present, 1 absent; 2 late`: what there is nothing of is left out. */
export function stoodInWords(counts: StoodCounts): string {
  const said = COUNTS.filter((part) => part !== 'late' && counts[part] > 0).map(
    (part) => `${counts[part]} ${part}`,
  );
  if (said.length === 0) return 'no lessons';
  return counts.late > 0 ? `${said.join(', ')}; ${counts.late} late` : said.join(', ');
}

const A_WEEK = 7;

/** The same week by week from a day to a day, weeks without sessions too. */
export function termByWeek(
  stood: readonly Stood[],
  { from, until }: { from: string; until: string },
): TermWeek[] {
  const first = mondayOf(dayNumber(from, 'from'));
  const last = dayNumber(until, 'until');
  const weeks: TermWeek[] = [];
  for (let monday = first; monday <= last; monday += A_WEEK) {
    const of = stood.filter(({ date }) => mondayOf(dayNumber(date, 'date')) === monday);
    weeks.push({ week: dateOf(monday), ...countStood(of) });
  }
  return weeks;
}
