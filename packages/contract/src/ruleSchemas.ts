import { z } from 'zod';
import { date, time, utcInstant, version, text } from './basics.js';
import { linkKind } from './planSchemas.js';

const choice = z.enum(['off', 'choice', 'on']);
/** Who gets in, how, and what they may do. */
export const rulesShape = {
  whoMayEnter: z.enum(['invited', 'roll', 'school', 'signed-in', 'anyone']),
  straightIn: z.enum(['hosts', 'presenters', 'roll', 'school', 'everyone']),
  withoutHost: z.boolean(),
  opensBefore: z.int().min(0, 'From 0 to 120 minutes.').max(120, 'From 0 to 120 minutes.'),
  closesAfter: z.int().min(0, 'From 0 to 120 minutes.').max(120, 'From 0 to 120 minutes.'),
  entryCode: text(40).nullable(),
  watching: z.boolean(),
  phone: z.enum(['none', 'lobby', 'straight-in']),
  capacity: z.int().min(1, 'At least one.').max(100000),
  presenters: z.enum(['hosts', 'named', 'staff', 'everyone']),
  arriveMuted: z.boolean(),
  mayUnmute: z.boolean(),
  camera: choice,
  hostCamera: choice,
  sharing: z.enum(['hosts', 'presenters', 'everyone']),
  chat: z.boolean(),
  chime: z.boolean(),
  recording: z.enum(['off', 'by-host', 'from-start']),
};
export const rulesSchema = z.object(rulesShape);
export const someRulesSchema = rulesSchema.partial();
/** A note of the margin. */
export const note = z.object({
  severity: z.enum(['wrong', 'careful', 'inform', 'well']),
  title: z.string(),
  text: z.string(),
  actions: z
    .array(
      z.object({
        name: z.string(),
        label: z.string(),
        subject: z.int().optional(),
        rules: someRulesSchema.optional(),
        key: z.string().optional(),
        keys: z.array(z.string()).optional(),
        to: z.object({ date, time, minutes: z.int() }).optional(),
      }),
    )
    .optional(),
});
export const ruleField = z.enum(Object.keys(rulesShape) as [keyof typeof rulesShape]);
/** Minutes without a host after which everybody is out. */
const hostsGone = z
  .int('Give whole minutes.')
  .min(1, 'From 1 to 120 minutes.')
  .max(120, 'From 1 to 120 minutes.');
/** What a layer is set to: null takes its word on hosts that are gone away again; left out, it stays. */
export const hostsGoneBody = hostsGone.nullable().optional();
const ruleLayer = z.object({
  scope: z.string(),
  rules: someRulesSchema,
  locked: z.array(ruleField).optional(),
  hostsGone: hostsGone.optional(),
});
export const rulesAnswer = z.object({
  version,
  mayEdit: z.boolean(),
  /** School, teacher, class period, link, series, session, as far as asked, in order: resolveRules makes the rest. The last is the one that is changed here. */
  layers: z.array(ruleLayer),
  /** What the outcome table asks about: the next door's times and the people's names. */
  next: z.object({ opens: utcInstant, closes: utcInstant }).nullable(),
  hosts: z.array(z.string()),
  presenters: z.array(z.string()),
  /** Of a link that others host alone: the class period's other teachers, who come as any colleague does. */
  leftOut: z.array(z.string()),
  /** Who opens, lets in and closes while no host is in, and when: `Idris Kellaway, on Thursdays`. */
  takesOver: z.array(z.string()),
  /** What reviewRules asks about beside the rules. */
  setting: z.object({
    kind: linkKind,
    guests: z.boolean(),
    namedCount: z.int(),
    roll: z.int(),
    holds: z.array(ruleField),
    placements: z.array(z.object({ hasCode: z.boolean(), readersBeyondAudience: z.boolean() })),
  }),
});
