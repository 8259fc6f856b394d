import { z } from 'zod';
import { date, id, line, text, time, utcInstant, version } from './basics.js';

// What comes after what in one session.

const item = z.object({
  at: utcInstant,
  time,
  title: z.string(),
  /** Empty where nobody is named. */
  speaker: z.string(),
});

export const programmeAnswer = z.object({
  seriesId: id,
  key: date,
  title: z.string(),
  classId: id,
  linkId: id,
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  /** Null: nothing was said yet. */
  version: version.nullable(),
  /** A line each, as it is typed. */
  text: z.string(),
  /** What its door says to whoever comes. */
  word: z.string(),
  items: z.array(item),
});
export const programmeQuery = z.object({ key: date });
export const setProgrammeBody = z.object({
  key: date,
  version: version.nullable(),
  text: text(4000),
  word: line(300).default(''),
});
/** From which of it on, from 0, and by how many minutes. */
export const shiftProgrammeBody = z.object({
  key: date,
  version,
  from: z.int().min(0).max(100),
  by: z.int().min(-240).max(240),
});
export const doorProgrammeAnswer = z.object({
  start: utcInstant.nullable(),
  end: utcInstant.nullable(),
  word: z.string(),
  items: z.array(item),
});
