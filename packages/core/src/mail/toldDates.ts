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

/** What a word is called, and what it says, have so many signs at the most. */
const LONGEST = { title: 200, text: 2000 } as const;
/** Of more news than these only how many there are is told: each can be looked up. */
const MOST_NEWS = 10;

const cut = (words: string, most: number): string =>
  words.length <= most ? words : `${words.slice(0, most - 1)}…`;

/** A word that fits where it is kept, however long the titles and reasons in it are. */
export const fittingWord = ({ title, text }: { title: string; text: string }) => ({
  title: cut(title, LONGEST.title),
  text: cut(text, LONGEST.text),
});

/** What several news of one class period come to: what they are called, and what they say. */
export function newsInWords(news: string[], classTitle: string): { title: string; text: string } {
  const [only = ''] = news;
  // Most sessions are called as their class period is.
  const isNamed = only.includes(classTitle);
  if (news.length === 1)
    return { title: only, text: isNamed ? '' : `It is a session of ${classTitle}.` };
  const more = news.length - MOST_NEWS;
  const told = more > 0 ? [...news.slice(0, MOST_NEWS), `And ${more} more`] : news;
  return {
    title: `${classTitle}: ${news.length} sessions have changed`,
    text: `${told.join('. ')}.`,
  };
}
