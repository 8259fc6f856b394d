import { z } from 'zod';
import { date, id, time, utcInstant } from './basics.js';
import { rulesShape } from './ruleSchemas.js';
import { pennantSchema, standing } from './planSchemas.js';

export const visitorState = z.enum(['waiting', 'let-in', 'turned-away', 'put-out']);
export const deskVisitorSchema = z.object({
  id,
  name: z.string(),
  /** They have no account, and use the name of a host or of somebody on the roll. */
  notProven: z.boolean(),
  account: z.enum(['school', 'personal', 'none', 'phone']),
  email: z.string().nullable(),
  onRoll: z.boolean(),
  /** Who of the roll a host says it is; for the register alone. */
  takenFor: z.object({ id, name: z.string() }).nullable(),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']),
  /** Let present for a while, though the rules would not. */
  mayPresent: z.boolean(),
  /** Let share for a while, though the rules would not. */
  mayShare: z.boolean(),
  state: visitorState,
  inside: z.boolean(),
  knockedAt: utcInstant.nullable(),
  leftAt: utcInstant.nullable(),
});
export const decision = z.object({
  outcome: z.enum(['enter', 'lobby', 'not-yet', 'refused']),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']).optional(),
  reason: z.string(),
  until: utcInstant.optional(),
});
export const doorAnswer = z.object({
  linkId: id,
  title: z.string(),
  classTitle: z.string(),
  label: z.string(),
  host: z.string(),
  pennant: pennantSchema,
  session: z
    .object({ title: z.string(), date, time, minutes: z.int(), start: utcInstant, end: utcInstant })
    .nullable(),
  /** What is told of a session that is cancelled or moved, to those alone whom the link is for. */
  change: z.string().nullable(),
  decision,
  /** Waiting in the lobby already, by this browser's own knock. */
  knocked: z.boolean(),
  /** They may go in to see and hear, and nothing else. */
  mayWatch: z.boolean(),
  /** They wait for a seat in a full room. */
  inLine: z.boolean(),
  /** How many knocked before; before a full room, how many who wait go first. */
  ahead: z.int(),
  turnedAway: z.boolean(),
  /** What the host said when turning away. */
  word: z.string().nullable(),
  /** A host who is in the room, where whoever asks waits or could knock. */
  hostIn: z.string().nullable(),
  /** A host has yet to give the address of the room behind this door. */
  noRoom: z.boolean(),
  /** Behind it is a room that Glen cannot look into. */
  pastedRoom: z.boolean(),
  /** Its class period has been put away. */
  isOver: z.boolean(),
  /** Whoever asks is host here. */
  hosts: z.boolean(),
  /** The code that this door goes by now: another than was asked for where that has been replaced, or where the lesson meets at another class period's door. */
  code: z.string(),
  /** Here they may see and hear, and nothing else, whatever they choose. */
  watchesOnly: z.boolean(),
  /** They are a guest here at another session than this one. */
  invitedThen: z.boolean(),
  /** Why the door has another code than the one asked for; until when the old one leads here. */
  /** Of a session that is cut into slots: how it stands with one's own (core, SlotTurn); null of any other. */
  turn: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.enum(['none', 'waits', 'over']) }),
      z.object({ kind: z.literal('ahead'), start: utcInstant, before: z.int() }),
      z.object({ kind: z.literal('now'), end: utcInstant }),
    ])
    .nullable(),
  came: z.object({ by: z.enum(['replaced', 'together']), until: utcInstant.nullable() }).nullable(),
  /** Where to go instead, told to those it is for alone. */
  elsewhere: z
    .object({ why: z.enum(['stopped', 'together']), code: z.string(), title: z.string() })
    .nullable(),
  rules: z.object({
    whoMayEnter: z.string(),
    asksCode: z.boolean(),
    watching: z.boolean(),
    recording: rulesShape.recording,
    chat: z.boolean(),
  }),
});

/** One's own day: a door with what has become of its session. */
export const ownDoorSchema = z.object({
  id,
  code: z.string(),
  /** The code leads to a way in to watch, and to nothing else. */
  watches: z.boolean(),
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
  /** People come to it by slots that they sign up for. */
  inSlots: z.boolean(),
  /** When one’s own begins; null: one has none. */
  slot: utcInstant.nullable(),
});
