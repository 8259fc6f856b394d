import { z } from 'zod';
import { date, done, id, text, time, utcInstant, version } from '../basics.js';
import { decision, deskVisitorSchema, doorAnswer, ownDoorSchema } from '../doorSchemas.js';
import { byCode, ofLink, ofVisitor } from '../params.js';
import { aloneSchema, day, link, pennantSchema } from '../planSchemas.js';
import { rulesSchema, rulesShape } from '../ruleSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

/** The door, the desk behind it, and one’s own day. */
export const door = {
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
  hostPresence: { params: ofLink, body: z.object({ inside: z.boolean() }), answer: done },
  invitation: {
    params: ofLink,
    answer: z.object({
      title: z.string(),
      host: z.string(),
      address: z.string(),
      classId: id,
      /** How many are on the roll; null: the link is for a part of the class period. */
      rollSize: z.int().nullable(),
      phoneNumber: z.string().nullable(),
      phonePin: z.string().nullable(),
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
          seriesId: id,
          key: date,
        })
        .nullable(),
      door: z.enum(['shut', 'open', 'ended']),
      hostInside: z.boolean(),
      alone: aloneSchema.nullable(),
      onTheSpot: z.boolean(),
      /** Let in, and not in the room yet: on their way, or held up by their devices. */
      coming: z.array(deskVisitorSchema),
      waiting: z.array(deskVisitorSchema),
      inside: z.array(deskVisitorSchema),
      away: z.array(deskVisitorSchema),
      /** `away`: why they are known to be. */
      missing: z.array(
        z.object({
          id,
          name: z.string(),
          /** Why they are known to be away. */
          away: z.string().nullable(),
          /** Until when they were in. */
          goneAt: utcInstant.nullable(),
        }),
      ),
      /** Whether many knock who have no account, and whether whoever comes is asked for one. */
      strangers: z.object({ areMany: z.boolean(), areAsked: z.boolean() }),
      /** Those of the roll who are here; `as`: by which name, where a host had to say who it is. */
      here: z.array(
        z.object({
          id,
          name: z.string(),
          as: z.string().nullable(),
          /** By so many minutes they came late. */
          lateBy: z.int().nullable(),
          /** They were away in between. */
          isBack: z.boolean(),
        }),
      ),
      rollSize: z.int(),
      /** Guests who are expected by what they said, and how many have come; null where nobody is. */
      guests: z
        .object({
          expected: z.int(),
          came: z.int(),
          missing: z.array(
            z.object({ name: z.string(), speaks: z.boolean(), hasSaidYes: z.boolean() }),
          ),
        })
        .nullable(),
      /** The line of slots where the session is cut into them. */
      slots: z
        .object({
          seriesId: id,
          leaves: z.enum(['asked', 'by-itself']),
          slots: z.array(
            z.object({
              nth: z.int(),
              start: utcInstant,
              end: utcInstant,
              time,
              ends: time,
              state: z.enum(['over', 'now', 'ahead']),
              personId: id.nullable(),
              name: z.string().nullable(),
              about: z.string(),
              address: z.string(),
              /** Who did not come to it. */
              missed: z.array(z.string()),
            }),
          ),
          waiting: z.array(z.string()),
        })
        .nullable(),
      /** How many wait for a seat, the room being full; how many it holds. */
      inLine: z.int(),
      capacity: z.int(),
      rules: z.object({
        whoMayEnter: rulesShape.whoMayEnter,
        straightIn: rulesShape.straightIn,
        presenters: rulesShape.presenters,
        sharing: rulesShape.sharing,
      }),
      /** A host lets everybody share, for this session. */
      allShare: z.boolean(),
      /** Comings and goings are announced in the room. */
      chimes: z.boolean(),
      /** A room that Glen cannot look into: who has left is not known there, and a host says at the desk whether they are in. */
      pastedRoom: z.boolean(),
      /** Of such a room: how much nobody has looked at yet, and who has host's powers in it. */
      unseen: z.int(),
      powers: z.string(),
      /** Whoever opens has to give the room's address first. */
      noRoom: z.boolean(),
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
  sayWho: { params: ofVisitor, body: z.object({ personId: id.nullable() }), answer: done },
  openDoor: {
    params: ofLink,
    /** `room`: the address to put behind the link first, where none is there yet. `anyway`: also over another session’s time. */
    body: z.object({ room: text(2000).optional(), anyway: z.boolean().optional() }),
    answer: z.object({ go: z.string() }),
  },
  closeRoom: { params: ofLink, answer: done },
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
  muteVisitor: { params: ofVisitor, answer: done },
  letShare: { params: ofVisitor, body: z.object({ shares: z.boolean() }), answer: done },
  muteAll: { params: ofLink, answer: done },
  setChime: { params: ofLink, body: z.object({ chime: z.boolean() }), answer: done },
  letAllShare: { params: ofLink, body: z.object({ share: z.boolean() }), answer: done },
  letBack: { params: ofVisitor, answer: done },
  door: {
    params: byCode,
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
      phone: z.string().nullable(),
      differs: z.string().nullable(),
      slots: z.string().nullable(),
    }),
  },
  enterDoor: {
    params: byCode,
    body: z.object({
      name: text(80).optional(),
      entryCode: text(60).optional(),
      watchOnly: z.boolean().optional(),
      /** Where the room is full, wait for a seat; asked again and again while one does. */
      wait: z.boolean().optional(),
    }),
    answer: z.object({ decision, go: z.string().nullable() }),
  },
  askForAccount: { params: ofLink, answer: done },
  takeTicket: {
    body: z.object({
      room: z.string().max(80),
      visitor: z.string().regex(/^\d{1,10}$/),
      ticket: z.string().max(80),
    }),
    answer: z.object({ isGood: z.boolean() }),
  },
  phoneCall: {
    body: z.object({
      /** The call's own number at the video service. */
      call: z.string().min(1).max(80),
      pin: z.string().max(40),
      /** The caller's number; null where it is withheld. */
      from: z.string().max(40).nullable(),
      /** They have hung up. */
      isOver: z.boolean().optional(),
    }),
    answer: z.object({
      say: z.string(),
      goes: z.enum(['in', 'waits', 'again', 'over']),
      go: z.string().nullable(),
    }),
  },
  videoEvent: {
    body: z.object({
      id: z.string().min(1).max(80),
      room: z.string().max(80),
      type: z.enum(['arrived', 'left', 'ended', 'recorded', 'chat']),
      /** Of what was recorded, and of a chat that is kept: what the service calls it. */
      recording: z
        .string()
        .regex(/^[\w-]{1,80}$/)
        .optional(),
      /** How long it is, of what was recorded. */
      minutes: z.int().positive().max(6000).optional(),
      visitor: z.string().max(40).optional(),
      at: utcInstant,
      /** Counts what the service tells, so that of two words of one second the later is known. */
      nth: z.int().nonnegative().optional(),
    }),
    answer: done,
  },
} satisfies Partial<Record<EndpointName, Shapes>>;
