import { dateInWords } from '../time/dates.js';
import { changeInWords, type ChangedSession } from '../post/changed.js';

/** A date of a series, with what has become of it. */
export interface DateNow {
  title: string;
  /** Wall clock of the school. */
  date: string;
  time: string;
  minutes: number;
  /** Null where it is held as it was planned. */
  changed: ChangedSession | null;
}

/** How a date stands for those who come to it, to be kept with what they were told last. */
export function standingOf({ changed }: Pick<DateNow, 'changed'>): string {
  if (changed === null) return 'planned';
  const { status, date, time, minutes } = changed;
  return status === 'cancelled' ? 'cancelled' : `moved ${date} ${time} ${minutes}`;
}

const NOTHING_TOLD = 'planned';

/**
 * What is said of a date to those who come to it, by what they were told of it last; null where they know. What is taken
 * back before anybody was told leaves nothing to say.
 */
export function newsOfDate(now: DateNow, toldLast: string = NOTHING_TOLD): string | null {
  if (standingOf(now) === toldLast) return null;
  if (now.changed !== null) return changeInWords(now.changed);
  return `Held after all: ${now.title}, ${dateInWords(now.date)} ${now.time}`;
}

/** What several news of one class period come to: what they are called, and what they say. */
export const newsInWords = (
  news: string[],
  classTitle: string,
): { title: string; text: string } => ({
  title: news.length === 1 ? news[0]! : `${classTitle}: ${news.length} sessions have changed`,
  text: news.length === 1 ? `It is a session of ${classTitle}.` : `${news.join('. ')}.`,
});
