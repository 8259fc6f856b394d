import { z } from 'zod';
import { date, done, id, idParam, text, time, version } from '../basics.js';
import { ofClass, ofSeries } from '../params.js';
import { accountSchema } from '../peopleSchemas.js';
import {
  booking,
  calendarSchema,
  change,
  classItemSchema,
  day,
  editedSession,
  feedsAnswer,
  keptCalendar,
  notch,
  regionHolidays,
  scope,
  sessionBody,
  sessionSchema,
  stripSeries,
  touched,
} from '../planSchemas.js';
import { aboutSchool } from '../peopleSchemas.js';
import { note } from '../ruleSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const keptAboutSchool = aboutSchool.extend({ version, mayEdit: z.boolean() });

/** The school, its class periods, and what is on their books. */
export const plan = {
  school: { answer: calendarSchema },
  schoolCalendar: { answer: keptCalendar },
  previewCalendar: {
    body: z.object({ calendar: calendarSchema }),
    answer: z.object({
      notes: z.array(note),
      changed: z.int(),
      teachers: z.array(z.object({ name: z.string(), sessions: z.int() })),
    }),
  },
  setCalendar: {
    body: z.object({ version, calendar: calendarSchema, region: text(20).nullable() }),
    answer: keptCalendar,
  },
  aboutSchool: { answer: keptAboutSchool },
  previewZone: {
    body: z.object({ zone: text(60) }),
    answer: z.object({ notes: z.array(note) }),
  },
  setAboutSchool: { body: aboutSchool.extend({ version }), answer: keptAboutSchool },
  holidays: {
    query: z.object({ region: text(20).optional() }),
    answer: regionHolidays,
  },
  seenNotice: { params: z.object({ noticeId: idParam }), answer: done },
  feeds: { answer: feedsAnswer },
  replaceFeed: { body: z.object({ classId: id.optional() }), answer: feedsAnswer },
  switchOffFeed: { body: z.object({ classId: id.optional() }), answer: feedsAnswer },
  setFeedAlarm: {
    body: z.object({
      classId: id.optional(),
      minutes: z.int().min(0).max(10080, 'At most a week before.').nullable(),
    }),
    answer: feedsAnswer,
  },
  calendarFeed: { params: z.object({ token: z.string().max(60) }), answer: z.null() },
  newsFeed: { params: z.object({ token: z.string().max(60) }), answer: z.null() },
  seriesFile: { params: z.object({ seriesId: idParam }), answer: z.null() },
  today: {
    answer: z.object({
      date,
      day,
      bells: z.array(z.object({ label: z.string(), start: time, end: time })),
      classes: z.array(classItemSchema),
      sessions: z.array(sessionSchema),
      notes: z.array(note),
      /** Where the links of the day's class periods stand, or are about to. */
      /** Sessions, by id, of which one is host though not of their class period: by a handing-over, at that link alone, or with a class period of one's own. */
      acting: z.array(id),
      /** Where the day's sessions are entered by who does not host them: the codes of their links. */
      doors: z.array(z.object({ linkId: id, code: z.string() })),
      /** What is left to do at one's class periods, in a school that has moved in. */
      left: z.array(
        z.object({
          classId: id,
          linkId: id,
          title: z.string(),
          roll: z.boolean(),
          room: z.boolean(),
          posted: z.boolean(),
          tried: z.boolean(),
        }),
      ),
      placements: z.array(
        z.object({
          classId: id,
          postId: id,
          kind: z.enum(['stream', 'item', 'calendar', 'by-hand', 'mail']),
          state: z.enum(['draft', 'queued', 'out', 'failed', 'todo', 'over']),
          due: z.object({ date, time }).nullable(),
        }),
      ),
      /** What is to be done by hand today, and when. */
      hand: z.array(z.object({ postId: id, where: z.string(), time, waits: z.boolean() })),
    }),
  },
  /** Those that go on, and those that have been put away. */
  classes: {
    answer: z.object({ classes: z.array(classItemSchema), putAway: z.array(classItemSchema) }),
  },
  classPeriod: {
    params: ofClass,
    answer: z.object({
      class: classItemSchema,
      version,
      staff: z.array(
        z.object({
          id,
          name: z.string(),
          as: z.enum(['host', 'co-teacher', 'presenter']),
          /** Whom they cover, until which date, and what they are there by themselves. */
          covers: z
            .object({ name: z.string(), until: date, own: z.literal('presenter').nullable() })
            .nullable(),
          accounts: z.array(accountSchema),
        }),
      ),
      roll: z.array(z.object({ id, name: z.string(), accounts: z.array(accountSchema) })),
      sessions: z.array(sessionSchema),
    }),
  },
  strip: {
    query: z.object({
      from: date,
      to: date,
      of: z.enum(['mine', 'all']).default('mine'),
      /** Of all class periods those after this one, in their order. */
      after: idParam.optional(),
    }),
    answer: z.object({
      classes: z.array(classItemSchema),
      /** Whether there are more after the last. */
      hasMore: z.boolean(),
      series: z.array(stripSeries),
      notches: z.array(notch),
      undated: z.array(z.object({ seriesId: id, classId: id, title: z.string() })),
    }),
  },
  bookings: {
    params: ofClass,
    query: z.object({ from: date, to: date, except: idParam.optional(), link: idParam.optional() }),
    answer: z.object({
      holds: z.array(z.string()),
      names: z.record(z.string(), z.string()),
      bookings: z.array(booking),
      /** How many the link's door lets in. */
      capacity: z.int(),
    }),
  },
  addSession: { params: ofClass, body: sessionBody, answer: editedSession },
  session: {
    params: ofSeries,
    query: z.object({ on: date.optional() }),
    answer: z.object({ session: sessionSchema }),
  },
  editSession: {
    params: ofSeries,
    body: sessionBody.safeExtend({ version, scope: scope.default('whole'), key: date.optional() }),
    answer: editedSession,
  },
  changeSessions: {
    body: z.object({
      changes: z
        .array(z.object({ seriesId: id, version, key: date, scope, change }))
        .min(1, 'Choose at least one session.')
        .max(400, 'At most 400 sessions at once.'),
    }),
    answer: z.object({ touched }),
  },
  takeBackChange: { body: z.object({ touched: touched.min(1) }), answer: z.object({ touched }) },
  copySeries: {
    params: ofSeries,
    body: z.union([
      z.strictObject({
        classIds: z.array(id).min(1, 'Choose a class period.').max(40),
        /** From this day on; from today where it is left out, and never from before. */
        from: date.optional(),
        /** Dates of the series that the copies leave out. */
        except: z.array(date).max(400).optional(),
      }),
      z.strictObject({ nextTerm: z.literal(true) }),
    ]),
    answer: z.object({ touched }),
  },
} satisfies Partial<Record<EndpointName, Shapes>>;
