import { z } from 'zod';
import { done, id, idParam, text, utcInstant, version } from '../basics.js';
import {
  MOST_ON_ROLL,
  classCopy,
  classWords,
  newClass,
  passwordAddress,
  rollAddition,
  rollLine,
  staffBody,
} from '../classSchemas.js';
import type { EndpointName } from '../endpoints.js';
import { ofClass } from '../params.js';
import { classItemSchema } from '../planSchemas.js';
import type { Shapes } from './shapes.js';

const people = z.object({ personIds: z.array(id).min(1).max(MOST_ON_ROLL) });
/** How many people are on the roll now, and whom it was about. */
const rollChange = z.object({ rollSize: z.int(), personIds: z.array(id) });

/** Class periods made and filled. */
export const classes = {
  addClass: { body: newClass, answer: z.object({ class: classItemSchema }) },
  editClass: {
    params: ofClass,
    body: classWords,
    answer: z.object({ class: classItemSchema, version }),
  },
  copyClass: { params: ofClass, body: classCopy, answer: z.object({ class: classItemSchema }) },
  putAwayFacts: {
    params: ofClass,
    answer: z.object({
      /** Sessions still to come that would be taken off. */
      sessions: z.int(),
      /** Links whose doors would stop. */
      links: z.int(),
      /** Posts that stand or wait, and would be taken down. */
      posts: z.int(),
      /** Its door is open just now: it cannot be put away until the session has ended. */
      isRunning: z.boolean(),
    }),
  },
  putAwayClass: {
    params: ofClass,
    body: z.object({ version }),
    answer: z.object({ class: classItemSchema, version }),
  },
  bringBackClass: {
    params: ofClass,
    body: z.object({ version }),
    answer: z.object({ class: classItemSchema, version }),
  },
  setStaff: {
    params: ofClass,
    body: staffBody,
    /** One-time addresses for those who have no password yet. */
    answer: z.object({ addresses: z.array(passwordAddress) }),
  },
  knockUntilRoll: { params: ofClass, body: z.object({ on: z.boolean() }), answer: done },
  previewRoll: {
    params: ofClass,
    body: z.object({ text: text(400000) }),
    answer: z.object({ lines: z.array(rollLine) }),
  },
  addToRoll: {
    params: ofClass,
    body: rollAddition,
    /** `isClosed`: until now anyone with the link could knock; from now on the roll says who gets in. */
    answer: rollChange.extend({ isClosed: z.boolean() }),
  },
  rollTouched: {
    params: ofClass,
    query: z.object({ personId: idParam }),
    answer: z.object({
      groups: z.array(z.object({ id, name: z.string() })),
      /** Links that are for them by name. */
      links: z.array(z.object({ id, label: z.string() })),
    }),
  },
  rollLeft: {
    params: ofClass,
    answer: z.object({
      left: z.array(z.object({ id, name: z.string(), leftAt: utcInstant })),
    }),
  },
  bringBackToRoll: { params: ofClass, body: people, answer: rollChange },
  moveOnRoll: { params: ofClass, body: people.extend({ toClassId: id }), answer: rollChange },
  takeOffRoll: { params: ofClass, body: people, answer: rollChange },
  passwordAddresses: {
    params: ofClass,
    /** `forgotten`: for those too who have a password already. */
    body: people.extend({ forgotten: z.boolean().default(false) }),
    answer: z.object({ addresses: z.array(passwordAddress) }),
  },
} satisfies Partial<Record<EndpointName, Shapes>>;
