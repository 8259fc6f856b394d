import { z } from 'zod';
import { date, id, line, time, utcInstant, version } from './basics.js';
import { pennantSchema } from './planSchemas.js';
import { slotPattern, whole } from './slotPattern.js';

// Sessions that are cut into slots, and who signs up for them.

/** How sessions are cut into slots (core, SlotWays). */
export const slotWaysForm = slotPattern.extend({
  most: whole(0, 20, 'slots'),
  opensDays: whole(0, 365, 'days'),
  closesMinutes: whole(0, 10080, 'minutes'),
  leaves: z.enum(['asked', 'by-itself']),
  missedAfter: whole(0, 60, 'minutes'),
});

/** `version` null: it is not cut yet. `ways` null: it is to be cut no more. */
export const slotWaysBody = z.object({
  version: version.nullable(),
  ways: slotWaysForm.nullable(),
});

const address = z
  .union([
    z.literal(''),
    z
      .url({ protocol: /^https$/, error: 'An address begins with https://.' })
      .max(1000, 'At most 1000 characters.'),
  ])
  .default('');

const said = { about: line(300).default(''), address };

/** A slot of a session, by its number from 0; null: to wait for one. */
const nth = z.int().min(0).max(1000).nullable();

const where = { seriesId: id, on: date, nth };

export const signUpBody = z.object({ ...where, ...said, groupId: id.nullable().default(null) });
export const signUpForBody = signUpBody.omit({ groupId: true }).extend({ personId: id });
export const changeSignUpBody = z.object({ id, version, ...where, ...said });
export const dropSignUpBody = z.object({ id, version });

/** Somebody's own sign-up. */
const ownSignUp = z.object({
  id,
  version,
  nth,
  about: z.string(),
  address: z.string(),
  group: z.string().nullable(),
  /** They did not come to it. */
  missed: z.boolean(),
  /** They took it themselves; else somebody did for a group that they are in. */
  isOwn: z.boolean(),
});

const slot = z.object({
  nth: z.int(),
  time,
  end: time,
  state: z.enum(['free', 'taken', 'mine', 'over']),
  /** Why it cannot be had though it is free. */
  why: z.string().nullable(),
});

const sessionInSlots = z.object({
  seriesId: id,
  on: date,
  title: z.string(),
  date,
  time,
  minutes: z.int(),
  slots: z.array(slot),
  /** How many wait. */
  waiting: z.int(),
  /** All are taken, and one may wait. */
  mayWait: z.boolean(),
  mine: z.array(ownSignUp),
});

/** What there is to sign up for at a door. */
export const signUpAnswer = z.object({
  /** Not signed in; signed in as somebody for whom it is not; a host, who finds it elsewhere. */
  state: z.enum(['may', 'sign-in', 'not-yours', 'host']),
  classTitle: z.string(),
  host: z.string(),
  pennant: pennantSchema,
  code: z.string(),
  sessions: z.array(sessionInSlots),
  /** The groups for which one may sign up, too. */
  groups: z.array(z.object({ id, name: z.string() })),
});

/** Who has which slot of a session, for its hosts. */
const heldSlot = z.object({
  nth: z.int(),
  time,
  end: time,
  start: utcInstant,
  ends: utcInstant,
  /** Null: nobody. */
  signUp: z
    .object({
      id,
      version,
      personId: id,
      name: z.string(),
      group: z.string().nullable(),
      about: z.string(),
      address: z.string(),
    })
    .nullable(),
  /** Who did not come to it. */
  missed: z.array(z.string()),
});

const heldSession = z.object({
  on: date,
  title: z.string(),
  date,
  time,
  slots: z.array(heldSlot),
  waiting: z.array(z.object({ id, version, personId: id, name: z.string(), about: z.string() })),
});

/** How a series is cut into slots, and who has signed up, for its hosts. */
export const seriesSlotsAnswer = z.object({
  classId: id,
  classTitle: z.string(),
  pennant: pennantSchema,
  title: z.string(),
  linkId: id,
  /** Where to sign up. */
  address: z.string(),
  version: version.nullable(),
  ways: slotWaysForm.nullable(),
  sessions: z.array(heldSession),
  /** Whom it is for, to sign up for them. */
  people: z.array(z.object({ id, name: z.string() })),
});
