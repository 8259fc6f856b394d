import { z } from 'zod';
import { AFTER_LESSON_SEEN_BY } from '@glen/core';
import { date, id, line, text, time, utcInstant, version } from './basics.js';

// What is there after a lesson.

const seenBy = z.enum(AFTER_LESSON_SEEN_BY);
const kind = z.enum(['recording', 'note', 'address']);

/** What a host says of it. */
const said = {
  title: line(120).min(1, 'Say what it is, in a few words.'),
  words: text(2000),
  seenBy,
  /** The last day on which it is there. */
  until: date,
};
const address = z
  .url({ protocol: /^https$/, error: 'An address begins with https://.' })
  .max(1000, 'At most 1000 characters.');

export const afterLessonBody = z.discriminatedUnion('kind', [
  z.object({ on: date, kind: z.literal('note'), ...said }),
  z.object({ on: date, kind: z.literal('address'), ...said, address }),
]);

export const afterLessonEdit = z.object({
  id,
  version,
  ...said,
  /** Of what has one. */
  address: address.optional(),
});

export const afterLessonAnswer = z.object({
  /** Whether whoever asks may change it: its hosts may. */
  mayEdit: z.boolean(),
  things: z.array(
    z.object({
      id,
      kind,
      title: z.string(),
      words: z.string(),
      address: z.string().nullable(),
      /** Of a recording. */
      minutes: z.int().nullable(),
      seenBy,
      until: date,
      /** Null: it came about by itself. */
      by: z.string().nullable(),
      at: utcInstant,
      version,
    }),
  ),
});

/** What somebody finds at a door of lessons that are over, the latest first. */
export const doorAfterAnswer = z.object({
  things: z.array(
    z.object({
      id,
      kind,
      title: z.string(),
      words: z.string(),
      address: z.string().nullable(),
      minutes: z.int().nullable(),
      until: date,
      session: z.object({ title: z.string(), date, time }),
    }),
  ),
});
