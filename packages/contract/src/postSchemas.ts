import { z } from 'zod';
import { richOf, richToPlain } from '@glen/core';
import { id, date, time, utcInstant, version, line } from './basics.js';
import { pennantSchema } from './planSchemas.js';

// Posts: what is written once, the places it is for, and what stands there.

const MOST_CHARACTERS = 20000;
const span = z.object({
  text: z.string(),
  bold: z.boolean().optional(),
  italic: z.boolean().optional(),
  href: z.string().max(2000, 'An address of at most 2000 characters.').optional(),
});
const block = z.union([
  z.object({ kind: z.literal('paragraph'), spans: z.array(span) }),
  z.object({ kind: z.literal('list'), ordered: z.boolean(), items: z.array(z.array(span)) }),
]);
/** Plain text, or paragraphs and lists of spans. */
const words = z
  .union([z.string(), z.array(block).max(2000, 'At most 2000 paragraphs.')])
  .refine(
    (w) => richToPlain(richOf(w)).length <= MOST_CHARACTERS,
    `At most ${MOST_CHARACTERS} characters.`,
  );

const about = z.union([z.enum(['link', 'sessions']), z.object({ on: date })]);
const timing = z.union([
  z.enum(['now', 'draft']),
  z.object({ at: z.object({ date, time }) }),
  z.object({
    before: z
      .int('Give whole minutes.')
      .min(0, 'Not after the start.')
      .max(1440, 'At most a day before.'),
  }),
  z.object({ morning: time }),
]);
const readers = z.union([z.enum(['class', 'audience']), z.object({ groupId: id })]);
const section = z.union([
  z.object({ key: z.string().max(80) }),
  z.object({ title: line(200).min(1, 'Give the section a heading.') }),
]);

/** One place of a post. `section`, `position`, `inText`, `newTab`, `withAfterLessons`: of a course page; `title` of an item, a calendar entry or a letter, `name` of a place that is filled by hand, `withCalendar` of a letter. */
const placeShape = {
  readers: readers.default('class'),
  words: words.nullable().default(null),
  /** Blank: the same as everywhere. */
  linkWords: line(200).default(''),
  title: line(200).default(''),
  section: section.nullable().default(null),
  position: z.int().min(0).max(999).default(0),
  inText: z.boolean().default(false),
  newTab: z.boolean().default(true),
  name: line(120).default(''),
  withCalendar: z.boolean().default(false),
  withAfterLessons: z.boolean().default(false),
};
const placeBody = z.object({
  /** Of a place that the post has already. */
  id: id.optional(),
  classId: id,
  /** The link that class period goes by where left out. */
  linkId: id.optional(),
  kind: z.enum(['stream', 'item', 'calendar', 'by-hand', 'mail']),
  ...placeShape,
});

export const postBody = z.object({
  words,
  linkWords: line(200),
  about: about.default('link'),
  timing: timing.default('now'),
  afterwards: z.enum(['stay', 'down', 'strike']).default('stay'),
  pinned: z.boolean().default(false),
  /** The class period's stream where left out. */
  places: z
    .array(placeBody)
    .min(1, 'Choose at least one place.')
    .max(60, 'At most 60 places.')
    .optional(),
});

/** What stands at a place, or will: `todo` … `takedown` are a person's to do, by hand. */
export const deliveryState = z.enum([
  'draft',
  'queued',
  'out',
  'struck',
  'failed',
  'gone',
  'missing',
  'todo',
  'done',
  'takedown',
]);
/** What has become of the letters of one delivery. `glen`: read in Glen alone, as they wish, or as nothing reaches them. */
const letters = z.object({
  sent: z.int(),
  waiting: z.int(),
  glen: z.int(),
  refused: z.array(z.object({ name: z.string(), why: z.string() })),
});
const delivery = z.object({
  key: z.string(),
  placeId: id,
  placementId: id.nullable(),
  session: z
    .object({
      id,
      title: z.string(),
      date,
      time,
      status: z.enum(['planned', 'moved', 'cancelled', 'skipped']),
    })
    .nullable(),
  state: deliveryState,
  due: z.object({ date, time }).nullable(),
  overdue: z.boolean(),
  /** The words or the wish have changed and the place does not know yet. */
  pending: z.boolean(),
  tries: z.int(),
  error: z.string().nullable(),
  outSince: utcInstant.nullable(),
  letters: letters.nullable(),
});
const place = z.object({
  id,
  classId: id,
  classTitle: z.string(),
  pennant: pennantSchema,
  linkId: id,
  linkLabel: z.string(),
  code: z.string(),
  kind: placeBody.shape.kind,
  readers,
  words: words.nullable(),
  linkWords: z.string(),
  title: z.string(),
  section: section.nullable(),
  position: z.int(),
  inText: z.boolean(),
  newTab: z.boolean(),
  name: z.string(),
  withCalendar: z.boolean(),
  withAfterLessons: z.boolean(),
  /** In words: "Stream of Coastal Navigation, period 3". */
  where: z.string(),
  readerCount: z.int(),
  address: z.string().nullable(),
  /** Whoever made the post no longer hosts this class period: nothing new goes there. */
  lost: z.boolean(),
});
export const postSchema = z.object({
  id,
  classId: id,
  version,
  words,
  linkWords: z.string(),
  /** The same as students read them at its first place, with what the fields stand for there. */
  reads: z.object({ words: z.string(), linkWords: z.string() }),
  about,
  timing,
  afterwards: z.enum(['stay', 'down', 'strike']),
  pinned: z.boolean(),
  by: z.string(),
  /** Whether whoever asks hosts every class period it goes to. */
  mayEdit: z.boolean(),
  /** In all: the one that most needs thought. */
  state: z.enum(['draft', 'queued', 'out', 'failed', 'todo', 'over', 'withdrawn']),
  due: z.object({ date, time }).nullable(),
  pending: z.boolean(),
  tries: z.int(),
  error: z.string().nullable(),
  outSince: utcInstant.nullable(),
  places: z.array(place),
  deliveries: z.array(delivery),
});

export const handForms = z.object({ html: z.string(), text: z.string(), markdown: z.string() });
export const pageSection = z.object({
  key: z.string(),
  title: z.string(),
  items: z.array(z.object({ key: z.string(), title: z.string() })),
  ours: z.boolean(),
});
/** A heading of Glen’s own on a course page, as it was written and as it reads, with what is under it in order. */
export const headingsAnswer = z.object({
  headings: z.array(
    z.object({
      written: z.string(),
      title: z.string(),
      items: z.array(z.object({ placeId: id, postId: id, title: z.string() })),
    }),
  ),
});
export const itemsOrder = z.object({
  order: z.array(id).min(1, 'Name the places.').max(60, 'At most 60 places.'),
});
export const placementAction = z.object({
  do: z.enum(['retry', 'done', 'not-done', 'put-back', 'take-down']),
});
/** What a post would do, place by place; `index`: which of the places sent. */
export const postPreview = z.object({
  problems: z.array(z.object({ path: z.string(), message: z.string() })),
  /** Whether a door that it leads to asks for a code, and whether its words give one. */
  asksCode: z.boolean(),
  givesCode: z.boolean(),
  /** How many people read it at all the places that Glen fills, each counted once. */
  readers: z.int(),
  places: z.array(
    z.object({
      index: z.int(),
      classId: id,
      where: z.string(),
      linkLabel: z.string(),
      /** Of the link's rules. */
      whoMayEnter: z.string(),
      readerCount: z.int(),
      dates: z.int(),
      session: z.object({ title: z.string(), date, time }).nullable(),
      due: z.object({ date, time }).nullable(),
      heading: z.string().nullable(),
      title: z.string().nullable(),
      /** Its title is a letter’s subject, and leads nowhere. */
      isLetter: z.boolean(),
      address: z.string(),
      html: z.string(),
      text: z.string(),
      markdown: z.string(),
      /** Fields of it that have nothing to say there, as `{period}`. */
      empty: z.array(z.string()),
    }),
  ),
});

export const onePost = z.object({ post: postSchema });
