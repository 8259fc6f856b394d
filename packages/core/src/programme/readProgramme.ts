import { addMinutes, minuteOfDay } from '../time/dates.js';
import { readTypedTime } from '../time/typed.js';
import type { ProgrammeItem } from './programme.js';

export interface ReadProgramme {
  /** In order of time. */
  items: ProgrammeItem[];
  /** Lines that could not be read, from 1, and why. */
  unread: { line: number; text: string; why: string }[];
}

/** `18:30 Welcome`, `6.45 pm – Chartwork (Tomas Verhage)`: a time, then what it is, and in brackets who speaks. */
const LINE = /^(\d{1,2}(?:[.:h]?\d{2})?h?(?:\s?[ap]m)?)\s*[-–—:,.]?\s+(.+?)(?:\s*\(([^()]+)\))?$/i;
const LONGEST_TITLE = 120;
const MINUTES_OF_DAY = 1440;

const NO_TIME = 'It begins with no time, such as 18:30.';

/** Minutes from the session's start to a time of its day; past midnight where the session runs past it. */
function minutesAfter(time: string, start: string): number {
  const after = minuteOfDay(time, 'time') - minuteOfDay(start, 'start');
  return after < 0 ? after + MINUTES_OF_DAY : after;
}

/** One line, or why it cannot be read. */
function readLine(
  text: string,
  { time: start, minutes }: { time: string; minutes: number },
): ProgrammeItem | string {
  const [, typed, title, speaker = ''] = LINE.exec(text) ?? [];
  const time = typed === undefined ? undefined : timeIn(typed, start);
  if (time === undefined || title === undefined) return NO_TIME;
  const after = minutesAfter(time, start);
  if (after >= minutes) return `At ${time} the session does not run.`;
  if (title.length > LONGEST_TITLE) return `At most ${LONGEST_TITLE} characters for what it is.`;
  return { after, title, speaker: speaker.trim().slice(0, LONGEST_TITLE) };
}

/** A typed time; `6:45` of an evening session is in the evening. */
function timeIn(typed: string, start: string): string | undefined {
  const read = readTypedTime(typed);
  if (read === undefined || /[ap]m|^0|^1[3-9]|^2/i.test(typed.trim())) return read;
  const later = addMinutes(read, MINUTES_OF_DAY / 2);
  const near = (time: string): number => minutesAfter(time, start);
  return near(later) < near(read) ? later : read;
}

/**
 * A programme as it is typed, a line each, for a session that begins at a wall-clock time and lasts so many minutes. Empty
 * lines say nothing; two at one time are one too many.
 */
export function readProgramme(
  text: string,
  session: { time: string; minutes: number },
): ReadProgramme {
  const items: ProgrammeItem[] = [];
  const unread: ReadProgramme['unread'] = [];
  text.split(/\r?\n/).forEach((typed, i) => {
    const line = typed.trim();
    if (line === '') return;
    const read = readLine(line, session);
    const why =
      typeof read === 'string'
        ? read
        : items.some(({ after }) => after === read.after) &&
          'Something begins at that time already.';
    if (why) unread.push({ line: i + 1, text: line, why });
    else items.push(read as ProgrammeItem);
  });
  return { items: items.sort((a, b) => a.after - b.after), unread };
}

/** Where what it is begins like a half of the day (`Am Hafen`), a dash keeps it from the time. */
const dashBefore = (title: string): string => (/^[ap]m\b/i.test(title) ? '– ' : '');

/** The same the other way round: lines to type on. */
export const programmeInText = (items: ProgrammeItem[], start: string): string =>
  items
    .map(({ after, title, speaker }) => {
      const said = speaker === '' ? title : `${title} (${speaker})`;
      return `${addMinutes(start, after)} ${dashBefore(title)}${said}`;
    })
    .join('\n');
