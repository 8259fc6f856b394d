import { addDays } from '../time/dates.js';

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

const RECORDED = {
  'from-start': 'This session is recorded from its start.',
  'by-host': 'The host may record this session, and says so.',
  off: null,
} as const;

/** What whoever comes is told of being recorded, before they go in. Null: nothing is recorded. */
export const recordedInWords = (recording: keyof typeof RECORDED): string | null =>
  RECORDED[recording];
