import { checkWhole, fail } from '../input.js';
import { plusMinutes } from '../time/seconds.js';

/** Something in the programme of a session. */
export interface ProgrammeItem {
  /** Minutes after the session begins, so that it follows when the session is moved. */
  after: number;
  title: string;
  /** Who speaks; empty where nobody is named. */
  speaker: string;
}

/** Minutes before the next of it begins at which those inside are told. */
const PROGRAMME_WARNING_MINUTES = 2;

/** What is on and what comes next, by their places in the programme; null: nothing. */
export interface ProgrammeNow {
  on: number | null;
  next: number | null;
}

const last = (places: number[]): number | null => places.at(-1) ?? null;

/** What is on and what comes next at an instant: of what begins at some instants, in order, in a session that ends at `end`. */
export function programmeAt(begins: string[], { end }: { end: string }, now: string): ProgrammeNow {
  const begun = begins.map((_, place) => place).filter((place) => begins[place]! <= now);
  const next = begins.findIndex((at) => at > now);
  return { on: now < end ? last(begun) : null, next: next === -1 ? null : next };
}

const warnsOf = ({ after }: ProgrammeItem, start: string): string =>
  plusMinutes(start, after - PROGRAMME_WARNING_MINUTES);

/** When those inside are told that the next of it begins, instants in order; whatever the session begins with needs no word. */
export const programmeMoments = (items: ProgrammeItem[], start: string): string[] =>
  items.filter(({ after }) => after > 0).map((item) => warnsOf(item, start));

/**
 * What those inside are to be told at an instant, and when to look again; null: nothing. `told` is what they were told last, by
 * its minutes after the beginning. What has begun is not told afterwards.
 */
export function programmeToTell(
  items: ProgrammeItem[],
  { start, told }: { start: string; told: number | null },
  now: string,
): { due: ProgrammeItem | null; next: string | null } {
  const isDue = (item: ProgrammeItem): boolean =>
    item.after > (told ?? 0) && warnsOf(item, start) <= now && now < plusMinutes(start, item.after);
  return {
    due: items.find(isDue) ?? null,
    next: programmeMoments(items, start).find((at) => at > now) ?? null,
  };
}

/** Which of it counts as told at an instant, by its minutes after the beginning: what is shifted to later is told anew. */
export const countsAsTold = (items: ProgrammeItem[], start: string, now: string): number | null =>
  items.filter((item) => warnsOf(item, start) <= now).at(-1)?.after ?? null;

/**
 * The programme with all from a place on begun so many minutes later (or sooner). Throws GlenInputError at `by` where one would
 * begin before the one before it, or after the session's `minutes`.
 */
export function shiftProgramme(
  items: ProgrammeItem[],
  { from, by, minutes }: { from: number; by: number; minutes: number },
): ProgrammeItem[] {
  checkWhole(from, 0, Math.max(0, items.length - 1), 'from');
  checkWhole(by, -1440, 1440, 'by');
  const shifted = items.map((item, place) =>
    place < from ? item : { ...item, after: item.after + by },
  );
  const before = from === 0 ? -1 : shifted[from - 1]!.after;
  if (shifted[from]!.after <= before) fail('by', 'It would begin before what comes before it.');
  if (shifted.at(-1)!.after >= minutes)
    fail(
      'by',
      'The last of it would begin after the session ends. Let the session run longer first.',
    );
  return shifted;
}
