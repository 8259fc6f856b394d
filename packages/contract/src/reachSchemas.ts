import { z } from 'zod';
import { id, date, time, utcInstant } from './basics.js';
import { pennantSchema } from './planSchemas.js';
import { note } from './ruleSchemas.js';

// Who sees which link, and what one student sees.

/** A moment of school time; now where left out. `begins`: when the link's next session begins. */
export const atQuery = z.object({
  at: z
    .union([
      z.literal('begins'),
      z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'Give a date and a time.'),
    ])
    .optional(),
});

const moment = z.object({ date, time });
export const reachAnswer = z.object({
  link: z.object({
    id,
    classId: id,
    classTitle: z.string(),
    label: z.string(),
    purpose: z.string(),
    main: z.boolean(),
  }),
  at: moment,
  next: z.object({ title: z.string(), date, time }).nullable(),
  /** The course site could not be asked, so what it last confirmed is shown. */
  trouble: z.string().nullable(),
  places: z.array(
    z.object({
      id: z.string(),
      where: z.string(),
      title: z.string(),
      state: z.enum(['right', 'old', 'other']),
      stopped: z.boolean(),
      ours: z.boolean(),
      byHand: z.boolean(),
      proven: z.boolean(),
      placementId: id.nullable(),
      postId: id.nullable(),
      readerCount: z.int(),
      address: z.string().nullable(),
    }),
  ),
  /** Entries that somebody made in the calendar beside Glen’s own for the same lesson. */
  twice: z.array(z.object({ where: z.string(), title: z.string(), date, time })),
  people: z.array(
    z.object({
      id,
      name: z.string(),
      verdict: z.enum(['clear', 'none', 'stale', 'several', 'unproven', 'leak', 'not-for-them']),
      places: z.array(z.string()),
    }),
  ),
});

/** The day asked about; today where left out. */
export const dayQuery = z.object({ date: date.optional() });
const people = z.int();
export const reachOfDayAnswer = z.object({
  date,
  /** What the day's lessons would be spoiled by first; links without a session on it last. */
  links: z.array(
    z.object({
      linkId: id,
      classId: id,
      name: z.string(),
      pennant: pennantSchema,
      session: z.object({ title: z.string(), date, time, over: z.boolean() }).nullable(),
      at: moment,
      trouble: z.string().nullable(),
      counts: z.object({
        leak: people,
        stale: people,
        none: people,
        several: people,
        unproven: people,
        clear: people,
      }),
      notes: z.array(note),
    }),
  ),
});

const shown = { html: z.string(), struck: z.boolean() };
export const studentSeesAnswer = z.object({
  person: z.object({ id, name: z.string() }),
  at: moment,
  trouble: z.string().nullable(),
  /** The course site as people read it, if there is one. */
  siteAddress: z.string().nullable(),
  /** The doors of that day, in every class period that is theirs. */
  doors: z.array(
    z.object({
      id,
      time,
      title: z.string(),
      opens: time,
      status: z.enum(['planned', 'moved', 'cancelled', 'skipped']),
    }),
  ),
  posts: z.array(z.object({ ...shown, pinned: z.boolean() })),
  sections: z.array(
    z.object({
      title: z.string(),
      items: z.array(z.object({ ...shown, title: z.string(), address: z.string().nullable() })),
    }),
  ),
  events: z.array(
    z.object({
      ...shown,
      title: z.string(),
      address: z.string().nullable(),
      start: utcInstant,
      date,
      time,
      end: utcInstant,
    }),
  ),
});
