import type { RichText, Span } from '../post/richText.js';
import { addDays, dateInWords } from '../time/dates.js';

/** Who sees what is there after a lesson: its hosts alone, whoever came to it, or all whom its link is for. */
export const AFTER_LESSON_SEEN_BY = ['hosts', 'came', 'everyone'] as const;
export type AfterLessonSeenBy = (typeof AFTER_LESSON_SEEN_BY)[number];

/** For how many days something is there after a lesson, where nobody says otherwise. */
const USUAL_DAYS = 28;

/** Until which day, that one too, something is there that comes about on a day of the school. */
export const usualUntil = (day: string): string => addDays(day, USUAL_DAYS);

/** Whether somebody sees something that is there after a lesson, on a day of the school. */
export function seesAfterLesson(
  thing: { seenBy: AfterLessonSeenBy; until: string },
  reader: {
    today: string;
    isHost: boolean;
    /** The lesson's link is for them. */
    isTheirs: boolean;
    /** They were let in at the lesson itself. */
    came: boolean;
  },
): boolean {
  if (thing.until < reader.today) return false;
  if (reader.isHost) return true;
  if (!reader.isTheirs || thing.seenBy === 'hosts') return false;
  return thing.seenBy === 'everyone' || reader.came;
}

/** Something that is there after a lesson, as a list of such things names it. `date`: the lesson's, wall clock. */
interface ListedAfterLesson {
  id: number;
  title: string;
  /** How long a recording is. */
  minutes: number | null;
  date: string;
}

/** So many stand in a list; the door has them all. */
const MOST_LISTED = 20;

/** Where at its door something is found that is there after a lesson: `address` is the door's own. */
const placeAtDoor = (address: string, id: number): string => `${address}#after-${id}`;

/** The latest of what is there after lessons, as a list under a post, each leading to where it is at the door; nothing for none. */
export function afterLessonList(things: ListedAfterLesson[], address: string): RichText {
  if (things.length === 0) return [];
  const latest = [...things].sort((a, b) => b.date.localeCompare(a.date) || a.id - b.id);
  const itemOf = ({ id, title, minutes, date }: ListedAfterLesson): Span[] => [
    { text: `${dateInWords(date)}: ` },
    { text: title, href: placeAtDoor(address, id) },
    ...(minutes === null ? [] : [{ text: ` (${minutes} min)` }]),
  ];
  const items = latest.slice(0, MOST_LISTED).map(itemOf);
  const more = latest.length > MOST_LISTED ? [[{ text: 'Older ones are at the door.' }]] : [];
  return [
    { kind: 'paragraph', spans: [{ text: 'After the lessons', bold: true }] },
    { kind: 'list', ordered: false, items: [...items, ...more] },
  ];
}

const RECORDED = {
  'from-start': 'This session is recorded from its start.',
  'by-host': 'The host may record this session, and says so.',
  off: null,
} as const;

/** What whoever comes is told where the chat is kept. */
export const CHAT_KEPT =
  'What is written in the chat is kept after the session, for its hosts, who may give it to others.';

/** What whoever comes is told of being recorded, before they go in. Null: nothing is recorded. */
export const recordedInWords = (recording: keyof typeof RECORDED): string | null =>
  RECORDED[recording];
