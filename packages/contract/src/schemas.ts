import { z } from 'zod';
import { LINK_WORDS } from '@glen/core';
import { id, idParam, date, time, utcInstant, version, text, done } from './basics.js';
import {
  calendarSchema,
  keptCalendar,
  day,
  link,
  pennantSchema,
  classItemSchema,
  standing,
  scope,
  sessionSchema,
  sessionBody,
  touched,
  editedSession,
  change,
  notch,
  stripSeries,
  booking,
} from './planSchemas.js';
import {
  audienceBody,
  foundLink,
  groupsAnswer,
  linkBody,
  linkDetail,
  linkPlacesAnswer,
  linkRow,
  replaceBody,
  setGroupsBody,
  shareBody,
} from './linkSchemas.js';
import {
  handForms,
  pageSection,
  placementAction,
  postBody,
  postPreview,
  postSchema,
} from './postSchemas.js';
import { atQuery, reachAnswer, seeAsAnswer } from './reachSchemas.js';
import {
  note,
  ruleField,
  rulesAnswer,
  rulesSchema,
  rulesShape,
  someRulesSchema,
} from './ruleSchemas.js';
import type { EndpointName } from './endpoints.js';

export const accountSchema = z.object({
  id,
  kind: z.enum(['school', 'personal']),
  email: z.string(),
});
export const personSchema = z.object({
  id,
  name: z.string(),
  role: z.enum(['student', 'teacher', 'head', 'office', 'guest']),
});

// ---- people and the clock

const clock = z.object({ now: utcInstant, offsetSeconds: z.int(), zone: z.string() });
export const meSchema = z.object({
  school: z.object({ name: z.string(), zone: z.string() }),
  clock,
  demo: z.boolean(),
  person: personSchema.nullable(),
  account: accountSchema.nullable(),
  accounts: z.array(accountSchema.extend({ name: z.string() })),
});
const signInBody = z.object({
  email: z.string().min(1, 'Give your address.').max(254),
  password: z.string().min(1, 'Give your password.').max(200),
});
const demoPerson = personSchema.extend({
  accounts: z.array(accountSchema),
  teaches: z.array(z.string()),
  learns: z.array(z.string()),
});
const moveClock = z.union([
  z.object({ to: z.literal('next-bell') }),
  z.object({ minutes: z.int().min(-10080).max(10080) }),
  z.object({ date, time }),
]);

// ---- posts

const onePost = z.object({ post: postSchema });

// ---- the door and the desk

const visitorState = z.enum(['waiting', 'let-in', 'turned-away', 'put-out']);
export const deskVisitorSchema = z.object({
  id,
  name: z.string(),
  account: z.enum(['school', 'personal', 'none', 'phone']),
  email: z.string().nullable(),
  onRoll: z.boolean(),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']),
  /** Let present for a while, though the rules would not. */
  mayPresent: z.boolean(),
  state: visitorState,
  inside: z.boolean(),
  knockedAt: utcInstant.nullable(),
  leftAt: utcInstant.nullable(),
});
const decision = z.object({
  outcome: z.enum(['enter', 'lobby', 'not-yet', 'refused']),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']).optional(),
  reason: z.string(),
  until: utcInstant.optional(),
});
const doorAnswer = z.object({
  linkId: id,
  title: z.string(),
  classTitle: z.string(),
  label: z.string(),
  host: z.string(),
  pennant: pennantSchema,
  session: z
    .object({ title: z.string(), date, time, minutes: z.int(), start: utcInstant, end: utcInstant })
    .nullable(),
  decision,
  /** Waiting in the lobby already, by this browser's own knock. */
  knocked: z.boolean(),
  /** How many knocked before. */
  ahead: z.int(),
  turnedAway: z.boolean(),
  /** What the host said when turning away. */
  word: z.string().nullable(),
  hostSees: z.boolean(),
  /** The code that this door goes by now: another than was asked for where that has been replaced, or where the lesson meets at another class period's door. */
  code: z.string(),
  /** Why the door has another code than the one asked for; until when the old one leads here. */
  came: z.object({ by: z.enum(['replaced', 'together']), until: utcInstant.nullable() }).nullable(),
  /** Where to go instead, told to those it is for alone. */
  elsewhere: z
    .object({ why: z.enum(['stopped', 'together']), code: z.string(), title: z.string() })
    .nullable(),
  rules: z.object({ whoMayEnter: z.string(), asksCode: z.boolean(), watching: z.boolean() }),
});

/** One's own day: a door with what has become of its session. */
export const ownDoorSchema = z.object({
  id,
  code: z.string(),
  title: z.string(),
  classTitle: z.string(),
  pennant: pennantSchema,
  host: z.string(),
  description: z.string(),
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  opens: utcInstant,
  closes: utcInstant,
  status: z.enum(['planned', 'moved', 'cancelled', 'skipped']),
  why: z.string().nullable(),
  was: standing.nullable(),
  door: z.enum(['shut', 'open', 'ended']),
});
const foundPerson = personSchema.extend({
  email: z.string().nullable(),
  classes: z.array(z.object({ id, title: z.string() })),
});

/** Addresses of feeds; null where none has been made. */
const feedsAnswer = z.object({
  own: z.string().nullable(),
  classes: z.array(z.object({ classId: id, title: z.string(), address: z.string().nullable() })),
});

// ---- the table

interface Shapes {
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  answer: z.ZodType;
}
const ofClass = z.object({ classId: idParam });
const ofSeries = z.object({ seriesId: idParam });
const ofPost = z.object({ postId: idParam });
const ofPlacement = z.object({ placementId: idParam });
const ofLink = z.object({ linkId: idParam });
const ofVisitor = z.object({ visitorId: idParam });
const byCode = z.object({ code: z.string().max(80) });
const readVersion = z.object({ version });

export const schemas = {
  me: { answer: meSchema },
  signIn: { body: signInBody, answer: meSchema },
  signOut: { answer: done },
  switchAccount: { body: z.object({ accountId: id }), answer: meSchema },
  live: { query: z.object({ doors: z.string().max(2000).optional() }), answer: z.null() },
  openapi: { answer: z.record(z.string(), z.unknown()) },
  demoPeople: { answer: z.object({ people: z.array(demoPerson) }) },
  demoSignIn: { body: z.object({ accountId: id }), answer: meSchema },
  demoClock: { body: moveClock, answer: clock },
  myDay: {
    answer: z.object({
      date,
      day,
      doors: z.array(ownDoorSchema),
      next: ownDoorSchema.nullable(),
      classes: z.array(
        z.object({
          id,
          title: z.string(),
          pennant: pennantSchema,
          host: z.string(),
          code: z.string(),
        }),
      ),
    }),
  },
  find: {
    query: z.object({ q: z.string().max(80) }),
    answer: z.object({
      people: z.array(foundPerson),
      sessions: z.array(
        z.object({
          id,
          seriesId: id,
          key: date,
          classId: id,
          linkId: id,
          title: z.string(),
          date,
          time,
          mine: z.boolean(),
        }),
      ),
      links: z.array(foundLink),
    }),
  },
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
  holidays: {
    query: z.object({ region: text(20).optional() }),
    answer: z.object({
      regions: z.array(z.object({ code: z.string(), name: z.string() })),
      holidays: z.array(z.object({ name: z.string(), date })),
    }),
  },
  seenNotice: { params: z.object({ noticeId: idParam }), answer: done },
  feeds: { answer: feedsAnswer },
  replaceFeed: { body: z.object({ classId: id.optional() }), answer: feedsAnswer },
  calendarFeed: { params: z.object({ token: z.string().max(60) }), answer: z.null() },
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
      placements: z.array(
        z.object({
          classId: id,
          postId: id,
          kind: z.enum(['stream', 'item', 'calendar', 'by-hand']),
          state: z.enum(['draft', 'queued', 'out', 'failed', 'todo', 'over']),
          due: z.object({ date, time }).nullable(),
        }),
      ),
      /** What is to be done by hand today, and when. */
      hand: z.array(z.object({ postId: id, where: z.string(), time, waits: z.boolean() })),
    }),
  },
  classes: { answer: z.object({ classes: z.array(classItemSchema) }) },
  classPeriod: {
    params: ofClass,
    answer: z.object({
      class: classItemSchema,
      staff: z.array(
        z.object({
          id,
          name: z.string(),
          as: z.enum(['host', 'co-teacher', 'presenter']),
          accounts: z.array(accountSchema),
        }),
      ),
      roll: z.array(z.object({ id, name: z.string(), accounts: z.array(accountSchema) })),
      sessions: z.array(sessionSchema),
    }),
  },
  strip: {
    query: z.object({ from: date, to: date, of: z.enum(['mine', 'all']).default('mine') }),
    answer: z.object({
      classes: z.array(classItemSchema),
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
      z.strictObject({ classIds: z.array(id).min(1, 'Choose a class period.').max(40) }),
      z.strictObject({ nextTerm: z.literal(true) }),
    ]),
    answer: z.object({ touched }),
  },
  links: { answer: z.object({ links: z.array(linkRow) }) },
  classLinks: {
    params: ofClass,
    answer: z.object({ links: z.array(linkRow), mayEdit: z.boolean() }),
  },
  link: { params: ofLink, answer: linkDetail },
  linkPlaces: { params: ofLink, answer: linkPlacesAnswer },
  addLink: { params: ofClass, body: linkBody, answer: linkDetail },
  editLink: {
    params: ofLink,
    body: linkBody.omit({ preset: true, audience: true }).extend({ version }),
    answer: linkDetail,
  },
  setAudience: { params: ofLink, body: audienceBody.extend({ version }), answer: linkDetail },
  orderLinks: {
    params: ofClass,
    body: z.object({ order: z.array(id).min(1).max(200) }),
    answer: done,
  },
  replaceLink: { params: ofLink, body: replaceBody, answer: linkDetail },
  takeBackReplacing: { params: ofLink, body: readVersion, answer: linkDetail },
  stopLink: { params: ofLink, body: readVersion, answer: linkDetail },
  reopenLink: { params: ofLink, body: readVersion, answer: linkDetail },
  setRoom: {
    params: ofLink,
    body: z.object({ version, address: text(2000).nullable() }),
    answer: linkDetail,
  },
  shareLink: { params: ofLink, body: shareBody, answer: linkDetail },
  unshareLink: { params: ofLink, body: z.object({ shareId: id }), answer: linkDetail },
  groups: { params: ofClass, answer: groupsAnswer },
  setGroups: { params: ofClass, body: setGroupsBody, answer: groupsAnswer },
  schoolRules: { answer: rulesAnswer },
  setSchoolRules: {
    body: z.object({ version, rules: rulesSchema, locked: z.array(ruleField) }),
    answer: rulesAnswer,
  },
  ownRules: { answer: rulesAnswer },
  setOwnRules: { body: z.object({ version, rules: someRulesSchema }), answer: rulesAnswer },
  linkRules: { params: ofLink, answer: rulesAnswer },
  setLinkRules: {
    params: ofLink,
    body: z.object({ version, rules: someRulesSchema }),
    answer: rulesAnswer,
  },
  seriesRules: { params: ofSeries, query: z.object({ on: date.optional() }), answer: rulesAnswer },
  setSeriesRules: {
    params: ofSeries,
    body: z.object({ version, key: date.optional(), rules: someRulesSchema }),
    answer: rulesAnswer,
  },
  hostPresence: { params: ofLink, body: z.object({ inside: z.boolean() }), answer: done },
  rules: { params: ofClass, answer: rulesAnswer },
  setRules: {
    params: ofClass,
    body: z.object({ version, rules: someRulesSchema }),
    answer: rulesAnswer,
  },
  posts: {
    params: ofClass,
    answer: z.object({ posts: z.array(postSchema), siteAddress: z.string() }),
  },
  allPosts: { answer: z.object({ posts: z.array(postSchema) }) },
  postHistory: {
    params: ofPost,
    answer: z.object({
      entries: z.array(z.object({ at: utcInstant, by: z.string().nullable(), did: z.string() })),
    }),
  },
  coursePage: {
    params: ofClass,
    answer: z.object({ sections: z.array(pageSection), trouble: z.string().nullable() }),
  },
  placementForms: { params: ofPlacement, answer: handForms },
  placementAction: { params: ofPlacement, body: placementAction, answer: onePost },
  reach: { params: ofLink, query: atQuery, answer: reachAnswer },
  seeAs: { params: ofClass, query: atQuery.extend({ personId: idParam }), answer: seeAsAnswer },
  lookAtSite: { params: ofClass, answer: z.object({ missing: z.int() }) },
  addPost: { params: ofClass, body: postBody, answer: onePost },
  previewPost: { params: ofClass, body: postBody, answer: postPreview },
  postNow: { params: ofPost, body: z.object({ occurrenceId: id }), answer: onePost },
  editPost: { params: ofPost, body: postBody.extend({ version }), answer: onePost },
  withdrawPost: { params: ofPost, body: readVersion, answer: onePost },
  restorePost: { params: ofPost, body: readVersion, answer: onePost },
  retryPost: { params: ofPost, answer: onePost },
  invitation: {
    params: ofLink,
    answer: z.object({
      title: z.string(),
      host: z.string(),
      address: z.string(),
      phoneNumber: z.string().nullable(),
      rules: rulesSchema,
      next: z
        .object({
          uid: z.string(),
          version,
          title: z.string(),
          description: z.string(),
          date,
          time,
          minutes: z.int(),
          zone: z.string(),
          start: utcInstant,
          end: utcInstant,
        })
        .nullable(),
    }),
  },
  tryDoor: {
    params: ofLink,
    body: z.object({
      /** Nobody signed in where left out. */
      accountId: id.optional(),
      at: z.object({ date, time }).optional(),
      /** Whether a host is in at that time; as it is now where left out. */
      hostIn: z.boolean().optional(),
      entryCode: text(60).optional(),
      watchOnly: z.boolean().optional(),
    }),
    answer: doorAnswer,
  },
  desk: {
    params: ofLink,
    answer: z.object({
      link,
      classId: id,
      classTitle: z.string(),
      pennant: pennantSchema,
      title: z.string(),
      session: z
        .object({
          title: z.string(),
          date,
          time,
          minutes: z.int(),
          start: utcInstant,
          end: utcInstant,
          opens: utcInstant,
          closes: utcInstant,
        })
        .nullable(),
      door: z.enum(['shut', 'open', 'ended']),
      hostInside: z.boolean(),
      onTheSpot: z.boolean(),
      /** Let in, and not in the room yet: on their way, or held up by their devices. */
      coming: z.array(deskVisitorSchema),
      waiting: z.array(deskVisitorSchema),
      inside: z.array(deskVisitorSchema),
      away: z.array(deskVisitorSchema),
      missing: z.array(z.object({ id, name: z.string() })),
      rollSize: z.int(),
      rules: z.object({
        whoMayEnter: rulesShape.whoMayEnter,
        straightIn: rulesShape.straightIn,
        presenters: rulesShape.presenters,
      }),
      /** A room that Glen cannot look into: who has left is not known there, and a host says at the desk whether they are in. */
      pastedRoom: z.boolean(),
      replacedAt: utcInstant.nullable(),
      /** Class periods that meet here too. */
      together: z.array(z.object({ id, title: z.string(), pennant: pennantSchema })),
      /** Whoever looks: acting host by a handing-over, and their own place at this door. */
      acting: z.boolean(),
      own: id.nullable(),
      /** To whom it can be handed over. */
      successors: z.array(
        z.object({
          id,
          name: z.string(),
          as: z.enum(['host', 'co-teacher', 'presenter']),
          acting: z.boolean(),
        }),
      ),
      invited: z.array(
        z.object({ id, name: z.string(), email: z.string().nullable(), ofSchool: z.boolean() }),
      ),
    }),
  },
  openDoor: { params: ofLink, answer: z.object({ go: z.string() }) },
  endSession: { params: ofLink, answer: done },
  extendSession: {
    params: ofLink,
    body: z.object({
      minutes: z.int().min(1, 'At least a minute.').max(240, 'Four hours at the most.'),
    }),
    answer: z.object({ end: utcInstant }),
  },
  handOver: { params: ofLink, body: z.object({ personId: id, leave: z.boolean() }), answer: done },
  bringIn: {
    params: ofLink,
    body: z.union([
      z.strictObject({ personId: id }),
      z.strictObject({ email: z.email('Give an address such as name@home.example.').max(254) }),
    ]),
    answer: z.object({ name: z.string(), ofSchool: z.boolean() }),
  },
  letAllIn: {
    params: ofLink,
    body: z.object({ only: z.enum(['roll']).optional() }),
    answer: z.object({ letIn: z.int() }),
  },
  letIn: { params: ofVisitor, answer: done },
  turnAway: { params: ofVisitor, body: z.object({ word: text(200).optional() }), answer: done },
  letPresent: { params: ofVisitor, body: z.object({ presents: z.boolean() }), answer: done },
  putOut: { params: ofVisitor, answer: done },
  letBack: { params: ofVisitor, answer: done },
  door: {
    params: byCode,
    query: z.object({ watch: z.enum(['1']).optional() }),
    answer: doorAnswer,
  },
  howTo: {
    params: byCode,
    answer: z.object({
      title: z.string(),
      classTitle: z.string(),
      host: z.string(),
      pennant: pennantSchema,
      code: z.string(),
      address: z.string(),
      stopped: z.boolean(),
      steps: z.array(z.string()),
      lobby: z.string(),
      trouble: z.array(z.object({ when: z.string(), then: z.string() })),
      differs: z.string().nullable(),
    }),
  },
  enterDoor: {
    params: byCode,
    body: z.object({
      name: text(80).optional(),
      entryCode: text(60).optional(),
      watchOnly: z.boolean().optional(),
    }),
    answer: z.object({ decision, go: z.string().nullable() }),
  },
  videoEvent: {
    body: z.object({
      id: z.string().min(1).max(80),
      room: z.string().max(80),
      type: z.enum(['arrived', 'left', 'ended']),
      visitor: z.string().max(40).optional(),
      at: utcInstant,
    }),
    answer: done,
  },
} satisfies Record<EndpointName, Shapes>;

/** RFC 9457 problem details, with the fields at fault. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** For a stale edit (409): how the thing stands now. */
  current: z.unknown().optional(),
});

/** A code that could be typed; for the sign of it in documents. */
export const EXAMPLE_CODE = `${LINK_WORDS[0]}-7k3m9qvd2xt`;
