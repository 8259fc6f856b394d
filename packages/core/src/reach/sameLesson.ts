/** An entry of a calendar. Times are instants. */
export interface CalendarEntry {
  title: string;
  start: string;
  end: string;
  /** It bears an address to follow. */
  leads: boolean;
}

/** Shorter words say nothing of what a lesson is about. */
const TELLING_LETTERS = 4;

const tellingWords = (title: string): Set<string> =>
  new Set(
    title
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((word) => word.length >= TELLING_LETTERS && word !== 'period'),
  );

/**
 * Whether an entry by another hand is for the same lesson as one of ours: at the same time, and with an address to follow or a
 * word of its title. A test or a trip at that time is another thing.
 */
export function isSameLesson(other: CalendarEntry, ours: CalendarEntry): boolean {
  if (other.start >= ours.end || ours.start >= other.end) return false;
  const words = tellingWords(ours.title);
  return other.leads || [...tellingWords(other.title)].some((word) => words.has(word));
}
