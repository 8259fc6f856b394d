import { z } from 'zod';
import { id, date, time, utcInstant, version, text, line } from './basics.js';
import { slotPattern } from './slotPattern.js';

// The school's calendar, its class periods, and what is planned on them.

const weekday = z.enum(['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']);
export const name80 = line(80).min(1, 'Give it a name.');
export const calendarSchema = z.object({
  zone: z.string(),
  terms: z
    .array(z.object({ name: name80, first: date, last: date }))
    .min(1, 'A school year has at least one term.')
    .max(12),
  closures: z
    .array(
      z.object({
        name: name80,
        first: date,
        last: date,
        kind: z.enum(['holiday', 'staff', 'exams']),
        cycle: z.literal('goes-on').optional(),
      }),
    )
    .max(200),
  bells: z
    .array(
      z.object({
        name: name80,
        periods: z
          .array(z.object({ label: line(20).min(1, 'Give it a label.'), start: time, end: time }))
          .max(30),
      }),
    )
    .max(30),
  bellOn: z.partialRecord(weekday, z.string()),
  bellFor: z.array(z.object({ date, bell: z.string() })).max(400),
  cycle: z
    .object({
      labels: z.array(line(20).min(1, 'Give it a label.')).max(20),
      counts: z.enum(['teaching-days', 'weeks']),
      from: date,
    })
    .optional(),
});
export const regionHolidays = z.object({
  regions: z.array(z.object({ code: z.string(), name: z.string() })),
  holidays: z.array(z.object({ name: z.string(), date })),
});
export const keptCalendar = z.object({
  calendar: calendarSchema,
  version,
  region: z.string().nullable(),
  mayEdit: z.boolean(),
});

export const day = z.object({
  teaching: z.boolean(),
  why: z.string().optional(),
  bell: z.string().optional(),
  cycleDay: z.string().optional(),
  term: z.string().optional(),
  week: z.int().optional(),
});
export const linkKind = z.enum(['lesson', 'one-to-one', 'help', 'event', 'project']);
export const link = z.object({
  id,
  code: z.string(),
  address: z.string(),
  label: z.string(),
  kind: linkKind,
  state: z.enum(['live', 'retired']),
});
export const pennantSchema = z.object({
  letters: z.string(),
  pattern: z.string(),
  hue: z.string(),
});

export const classItemSchema = z.object({
  id,
  title: z.string(),
  /** No class, but an occasion with an audience of its own; it has no period and no roll. */
  isOccasion: z.boolean(),
  period: z.string().nullable(),
  pennant: pennantSchema,
  link,
  /** `tutor`: host at one of its links only. */
  mine: z.enum(['host', 'co-teacher', 'presenter', 'tutor', 'none']),
  rollSize: z.int(),
  /** Since when it is over and kept with all it had (school time); null: it goes on. */
  /** Whom one teaches it for, while one covers. */
  coverFor: z.string().nullable(),
  putAwayAt: z.string().nullable(),
});

const planAt = z.union([
  z.strictObject({
    time,
    minutes: z
      .int('Give whole minutes.')
      .min(1, 'Give 1 to 1440 minutes.')
      .max(1440, 'Give 1 to 1440 minutes.'),
  }),
  z.strictObject({ period: text(40) }),
  z.strictObject({
    bell: z.object({ period: text(40), edge: z.enum(['start', 'end']), offset: z.int() }),
    minutes: z.int().min(1, 'Give 1 to 1440 minutes.').max(1440, 'Give 1 to 1440 minutes.'),
  }),
]);
export const standing = z.object({ date, time, minutes: z.int() });
const ends = {
  until: text(20).optional(),
  times: z.int('Give a whole number.').optional(),
  weeks: z.int('Give a whole number.').optional(),
};
const repeat = z.union([
  z.strictObject({
    every: z.enum(['day', 'school-day', 'week', 'month']),
    interval: z.int('Give a whole number.').optional(),
    on: z.array(weekday).optional(),
    monthDay: z.int('Give a day of the month.').optional(),
    nth: z
      .object({
        n: z.union([
          z.literal(1),
          z.literal(2),
          z.literal(3),
          z.literal(4),
          z.literal(5),
          z.literal(-1),
        ]),
        weekday,
      })
      .optional(),
    cycleDays: z.array(text(40)).optional(),
    ...ends,
  }),
  z.strictObject({ rrule: text(500) }),
]);
const planChange = z.union([
  z.strictObject({ key: date, kind: z.literal('cancel'), note: text(500).optional() }),
  z.strictObject({
    key: date,
    kind: z.literal('move'),
    date,
    time: time.optional(),
    minutes: z.int().optional(),
    note: text(500).optional(),
  }),
]);
/** A session's plan, once or repeating; in the school's zone where none is named. */
export const planSchema = z.object({
  first: date,
  at: planAt,
  zone: text(60).optional(),
  closures: z.enum(['skip', 'keep']).default('keep'),
  repeat: repeat.optional(),
  alsoOn: z.array(date).max(200, 'At most 200 extra dates.').optional(),
  except: z.array(date).max(200, 'At most 200 dates that are left out.').optional(),
  changes: z.array(planChange).max(1000).optional(),
});
export const scope = z.enum(['one', 'onwards', 'whole']);

/** People who are in a room without a host: since when (null: none has come), and when Glen closes it. */
export const aloneSchema = z.object({ since: utcInstant.nullable(), closesAt: utcInstant });

export const sessionSchema = z.object({
  id,
  seriesId: id,
  version,
  classId: id,
  linkId: id,
  title: z.string(),
  description: z.string(),
  plan: planSchema,
  key: date,
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  status: z.enum(['planned', 'moved', 'cancelled', 'skipped']),
  why: z.string().nullable(),
  /** Where it stood before it was moved. */
  was: standing.nullable(),
  /** Kept for its hosts alone: students see nothing of it, and its door stays shut. */
  draft: z.boolean(),
  undated: z.boolean(),
  opens: utcInstant,
  closes: utcInstant,
  door: z.enum(['shut', 'open', 'ended']),
  inside: z.int(),
  alone: aloneSchema.nullable(),
  came: z.int(),
  /** The link by which it is met, in words, where that is not the class period's own. */
  linkLabel: z.string().nullable(),
  address: z.string(),
  /** Class periods that meet in it together with its own; and where its own class period goes to another's door at that time, which. */
  with: z.array(z.string()),
  heldAt: z.string().nullable(),
});
export const sessionBody = z
  .object({
    title: line(200).min(1, 'Give it a title.'),
    description: text(4000),
    plan: planSchema,
    draft: z.boolean().default(false),
    /** A draft that has no date yet: its plan waits, and nothing stands on the books. */
    undated: z.boolean().default(false),
    /** Of a new one: the link by which it is met; the class period's own where left out. */
    linkId: id.optional(),
    /** Or a fresh link made for it alone, called by its title. */
    freshLink: z.boolean().optional(),
    /** Whom the fresh link is for, beside the hosts; the whole class period where left out. */
    freshFor: z.array(id).max(40, 'At most 40 people.').optional(),
    /** Of a new one: class periods that meet in it too; their own doors lead there then. */
    together: z.array(id).max(20).optional(),
    /** Of a new one: how its sessions are cut into slots. */
    slots: slotPattern.partial({ breakEvery: true, breakMinutes: true }).optional(),
  })
  .refine((body) => body.draft || !body.undated, {
    path: ['undated'],
    message: 'Only a draft can be without a date.',
  });
/** Series that a change touched, as they stand now: what takes it back names these. */
export const touched = z.array(z.object({ seriesId: id, version }));
export const editedSession = z.object({ session: sessionSchema, touched });
export const change = z.union([
  z.strictObject({ kind: z.literal('cancel'), note: text(500).optional() }),
  z.strictObject({ kind: z.literal('restore') }),
  /** As if it had never been: nobody is told. */
  z.strictObject({ kind: z.literal('remove') }),
  z.strictObject({
    kind: z.literal('move'),
    date,
    time: time.optional(),
    minutes: z
      .int()
      .min(1, 'Give 1 to 1440 minutes.')
      .max(1440, 'Give 1 to 1440 minutes.')
      .optional(),
  }),
  z.strictObject({
    kind: z.literal('set'),
    title: line(200).min(1, 'Give it a title.').optional(),
    description: text(4000).optional(),
  }),
]);
/** A date of a series on the term strip, told shortly: there are thousands. */
export const notch = z.object({
  id,
  seriesId: id,
  key: date,
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  status: z.enum(['planned', 'moved', 'cancelled', 'skipped']),
  was: standing.optional(),
  why: z.string().optional(),
  title: z.string().optional(),
  /** The class period at whose door it is held instead. */
  heldAt: z.string().optional(),
});
export const stripSeries = z.object({
  id,
  classId: id,
  linkId: id,
  version,
  title: z.string(),
  words: z.string(),
  draft: z.boolean(),
  repeats: z.boolean(),
  /** How its sessions are cut into slots, where they are. */
  slots: slotPattern.optional(),
});
export const booking = z.object({
  id: z.string(),
  seriesId: id,
  classId: id,
  title: z.string(),
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  holds: z.array(z.string()),
});

/** A calendar feed: since when there is an address for it, if there is one. The address itself is told once, as it is made. */
const feed = z.object({
  since: utcInstant.nullable(),
  address: z.string().nullable(),
  /** So long before a session calendars remind; null: they do not. */
  alarmMinutes: z.int().nullable(),
});
export const feedsAnswer = z.object({
  own: feed,
  /** `newsAddress`: of what is posted there, told once with the other. */
  classes: z.array(
    feed.extend({ classId: id, title: z.string(), newsAddress: z.string().nullable() }),
  ),
});
