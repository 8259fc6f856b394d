import { z } from 'zod';
import { OCCASION_COMES, PENNANT_HUES, PENNANT_PATTERNS } from '@glen/core';
import { id, text, version, line } from './basics.js';
import { pennantSchema, planSchema } from './planSchemas.js';

const name120 = line(120).min(1, 'Give a name.');
export const emailField = z
  .string()
  .trim()
  .toLowerCase()
  .max(254)
  .pipe(z.email('Give an address such as a.grue@school.example.'));

/** A class period to be made; only its title must be there. */
export const newClass = z.object({
  title: line(200).min(1, 'Say what it is called.'),
  /** An occasion is no class: colleagues, a talk, a family. It has no period and no roll. */
  kind: z.enum(['class', 'occasion']).default('class'),
  /** Who comes to an occasion. */
  comes: z.enum(OCCASION_COMES).default('named'),
  /** Where it stands in the timetable, as the school labels it. */
  period: line(40).nullable().default(null),
  /** Left out: one that looks like no other is proposed. */
  pennant: pennantSchema.optional(),
  /** The address of its room; blank: to come later. */
  room: text(2000).default(''),
  /** When it meets. */
  plan: planSchema.optional(),
  /** Anyone with the link may knock, until the roll is filled. */
  anyoneKnocks: z.boolean().default(false),
});

/** Another like one that there is: what it is called, and what it takes over. */
export const classCopy = z.object({
  title: line(200).min(1, 'Say what it is called.'),
  period: line(40).nullable(),
  takes: z.object({ roll: z.boolean(), teachers: z.boolean(), rules: z.boolean() }),
});

export const classWords = z.object({
  version,
  title: line(200).min(1, 'Say what it is called.'),
  period: line(40).nullable(),
  pennant: z.object({
    letters: line(4).min(1, 'Give it a letter or two.'),
    pattern: z.enum(PENNANT_PATTERNS),
    hue: z.enum(PENNANT_HUES),
  }),
});

const as = z.enum(['host', 'co-teacher', 'presenter']);
/** Who teaches a class period, all of them: somebody known, or somebody new by name and address. */
export const staffBody = z.object({
  version,
  staff: z
    .array(
      z.union([
        z.strictObject({ personId: id, as }),
        z.strictObject({ name: name120, email: emailField, as }),
      ]),
    )
    .max(40),
});

/** Somebody for the roll: known to the school by their id, or new to it. */
const forRoll = z.union([
  z.strictObject({ personId: id }),
  /** A blank address: without an account. */
  z.strictObject({ name: name120, email: z.union([z.literal(''), emailField]) }),
]);
export const MOST_ON_ROLL = 3000;
export const rollAddition = z.object({
  people: z
    .array(forRoll)
    .min(1, 'Name somebody.')
    .max(MOST_ON_ROLL, `At most ${MOST_ON_ROLL} at once; take a part of the list.`),
});

/** One line of a pasted list, and what it would do. */
export const rollLine = z.object({
  line: z.int(),
  name: z.string(),
  email: z.string(),
  /** `add`: somebody whom the school knows; `make`: new to it; `there`: on the roll already; `doubt`: to be asked about; `wrong`: cannot be read. */
  what: z.enum(['add', 'make', 'there', 'doubt', 'wrong']),
  why: z.string(),
  personId: id.nullable(),
});

export const passwordAddress = z.object({
  personId: id,
  name: z.string(),
  email: z.string(),
  address: z.string(),
});
