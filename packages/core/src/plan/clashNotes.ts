import { freePeriod } from '../clash/freePeriod.js';
import type { PlanClash } from '../clash/planClashes.js';
import type { Note, NoteAction } from '../margin/note.js';
import { dateInWords } from '../time/dates.js';
import type { DryRunContext } from './dryRunContext.js';
import { capital, count, holdersInWords, span } from './dryRunWords.js';
import type { Occurrence } from './plan.js';

/** So many clashes with one and the same series are told in one note. */
const TOLD_AT_ONCE = 3;

/** One note for each series that several dates clash with. */
function seriesClashNotes(
  clashes: PlanClash[],
  c: DryRunContext,
): { notes: Note[]; told: Set<PlanClash> } {
  const bySeries = new Map<number, PlanClash[]>();
  for (const clash of clashes)
    bySeries.set(clash.other.seriesId, [...(bySeries.get(clash.other.seriesId) ?? []), clash]);
  const many = [...bySeries.values()].filter((of) => of.length >= TOLD_AT_ONCE);
  const notes = many.map((of): Note => {
    const { other } = of[0]!;
    const keys = of.map((clash) => clash.key);
    const on = [...new Set(of.flatMap((clash) => clash.on))];
    return {
      severity: on.some((thing) => thing in c.names) ? 'wrong' : 'careful',
      title:
        other.classId === c.classId ? 'The class meets then already' : `${of.length} dates clash`,
      text: `${other.title} is planned on ${of.length} of these dates, the first ${dateInWords(of[0]!.date)}, ${span(other.time, other.minutes)}. ${capital(holdersInWords(on, c.names))} would be in both.`,
      actions: [
        { name: 'skip-date', label: `Skip those ${of.length}`, keys },
        { name: 'keep-date', label: 'Keep them', keys },
      ],
    };
  });
  return { notes, told: new Set(many.flat()) };
}

/** The dates of a plan, and what a date that falls out could be held on instead. */
export interface PlanDates {
  rows: Occurrence[];
  held: Occurrence[];
  instead: (row: Occurrence) => NoteAction[];
}

/** What mends a clash at one date: a free period, another day, leaving the date out, or keeping both. */
function actionsFor(row: Occurrence, { held, instead }: PlanDates, c: DryRunContext): NoteAction[] {
  const { key, date } = row;
  const free = freePeriod(row, { ...c, held });
  const others = [
    ...instead(row),
    { name: 'skip-date', label: 'Skip it', key },
    { name: 'keep-date', label: 'Leave both as they are', key },
  ];
  if (!free) return others;
  const day = free.date === date ? '' : `${dateInWords(free.date)}, `;
  const to = { date: free.date, time: free.time, minutes: free.minutes };
  const label = `Move it to ${day}period ${free.period}`;
  return [{ name: 'move-date', label, key, to }, ...others];
}

/** One note for each date that clashes. */
function dateClashNotes(clashes: PlanClash[], dates: PlanDates, c: DryRunContext): Note[] {
  const byKey = new Map<string, PlanClash[]>();
  for (const clash of clashes) byKey.set(clash.key, [...(byKey.get(clash.key) ?? []), clash]);
  return [...byKey].map(([key, of]): Note => {
    const { other, on, date } = of[0]!;
    const row = dates.rows.find((o) => o.key === key)!;
    const more = of.length > 1 ? `; and ${count(of.length - 1, 'more session')}` : '';
    const all = [...new Set(of.flatMap((clash) => clash.on))];
    return {
      severity: on.some((thing) => thing in c.names) ? 'wrong' : 'careful',
      title: `${dateInWords(date)} clashes`,
      text: `${other.title}, ${span(other.time, other.minutes)}, has ${holdersInWords(all, c.names)} too${more}.`,
      actions: actionsFor(row, dates, c),
    };
  });
}

/** Notes on clashes shown at once. */
const MOST_SHOWN = 2;

/** What clashes, a series told as one; the first two, and how many more there are. */
export function notesForClashes(
  clashes: PlanClash[],
  dates: PlanDates,
  context: DryRunContext,
): Note[] {
  const { notes: ofSeries, told } = seriesClashNotes(clashes, context);
  const single = clashes.filter((clash) => !told.has(clash));
  const notes = [...ofSeries, ...dateClashNotes(single, dates, context)];
  const more = notes.length - MOST_SHOWN;
  if (more <= 0) return notes;
  return [
    ...notes.slice(0, MOST_SHOWN),
    {
      severity: 'wrong',
      title: count(more, 'more clash', 'more clashes'),
      text: 'They show here as these are settled; on the strip they are dotted.',
    },
  ];
}
