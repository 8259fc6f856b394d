import { z } from 'zod';
import { date, id, idParam, line, time, utcInstant, version } from './basics.js';
import { pennantSchema } from './planSchemas.js';

// Who came.

const COUNTED = ['present', 'partly', 'absent', 'excused'] as const;

/** What is said against what was measured of somebody. */
const correction = z.object({
  status: z.enum(COUNTED),
  reason: z.string(),
  /** Who said so. */
  by: z.string().nullable(),
  at: utcInstant,
  version,
});

const registerRow = z.object({
  /** The same for the same person as long as the register is looked at. */
  key: z.string(),
  /** Null: a guest who is nobody of the school’s. */
  personId: id.nullable(),
  name: z.string(),
  /** As measured. */
  status: z.enum(['present', 'partly', 'absent', 'guest']),
  /** What counts. */
  stands: z.enum([...COUNTED, 'guest']),
  late: z.boolean(),
  leftEarly: z.boolean(),
  minutes: z.int(),
  spans: z.array(z.object({ from: utcInstant, to: utcInstant })),
  correction: correction.nullable(),
  /** Why they are known to be away. */
  excuse: z.string().nullable(),
  /** What word that came since it was settled says of them, where it says something else. */
  since: z.string().nullable(),
  /** The signs of being there that they gave. */
  checkedIn: z.array(
    z.object({
      at: utcInstant,
      answer: z.string(),
      /** Who else gave it from the same browser. */
      with: z.array(z.string()),
    }),
  ),
});

/** The register of one session. */
export const registerAnswer = z.object({
  seriesId: id,
  key: date,
  classId: id,
  title: z.string(),
  date,
  time,
  minutes: z.int(),
  start: utcInstant,
  end: utcInstant,
  isOver: z.boolean(),
  /** It was not to be held. */
  isOff: z.boolean(),
  /** False: nobody opened its door. */
  wasOpened: z.boolean(),
  /** False where only who came through the door is known. */
  seesRoom: z.boolean(),
  /** When it is kept no longer when people were in. */
  keptUntil: date,
  inWords: z.string(),
  /** Since when it is settled, and by whom: null for by itself. */
  settled: z.object({ at: utcInstant, by: z.string().nullable() }).nullable(),
  /** Whether whoever asks may change it: its hosts may. */
  mayEdit: z.boolean(),
  /** What was asked with check-ins. */
  questions: z.array(z.object({ at: utcInstant, question: z.string() })),
  rows: z.array(registerRow),
});

const NO_REASON = 'Say why, in a few words.';

/** Why something is so, for whoever reads it later. */
const reason = line(300).refine((said) => said.trim() !== '', NO_REASON);

/** What a host says of somebody; `version` of what they read it say before, null for nothing. */
export const correctionForm = z.object({ status: z.enum(COUNTED), reason });
export const correctBody = correctionForm.extend({
  on: date,
  personId: id,
  version: version.nullable(),
});
export const uncorrectBody = z.object({ on: date, personId: id, version });

/** Days on which somebody is known to be away. */
export const absenceForm = z
  .object({ from: date, until: date, reason })
  .refine(({ from, until }) => until >= from, {
    path: ['until'],
    message: 'They would be back before they are away.',
  });
export const absenceBody = absenceForm.safeExtend({ classId: id.nullable() });

export const absence = z.object({
  id,
  /** Null: from all their lessons. */
  classTitle: z.string().nullable(),
  from: date,
  until: date,
  reason: z.string(),
  by: z.string().nullable(),
  mayEnd: z.boolean(),
});

/** How many of a session’s register counted as what. */
const counts = z.object({
  present: z.int(),
  partly: z.int(),
  excused: z.int(),
  absent: z.int(),
  guests: z.int(),
  late: z.int(),
});

const weekSession = z.object({
  seriesId: id,
  key: date,
  title: z.string(),
  date,
  time,
  minutes: z.int(),
  state: z.enum(['to-come', 'running', 'held', 'not-opened']),
  isSettled: z.boolean(),
  /** Null where nobody could have come. */
  counts: counts.nullable(),
});

const mark = z.object({
  seriesId: id,
  key: date,
  stands: z.enum(COUNTED),
  late: z.boolean(),
});

/** Who came in a week. */
export const weekAnswer = z.object({
  /** Its Monday, and its Sunday. */
  week: date,
  until: date,
  /** The whole school’s, not one’s own alone. */
  ofSchool: z.boolean(),
  classes: z.array(
    z.object({
      id,
      title: z.string(),
      pennant: pennantSchema,
      hosts: z.array(z.string()),
      sessions: z.array(weekSession),
    }),
  ),
  /** After which class period to go on; null: these are all. */
  more: id.nullable(),
  /** Of one class period: how each stood. */
  people: z.array(z.object({ id, name: z.string(), marks: z.array(mark) })).nullable(),
});

export const weekQuery = z.object({ week: date.optional(), classId: idParam.optional() });

/** What a school does with its registers (core, RegisterWays). */
export const registerWaysForm = z.object({
  returnDay: z.int().min(1).max(7).nullable(),
  seenBy: z.enum(['nobody', 'own']),
  missedInRow: z
    .int('Give a number of lessons.')
    .min(0, 'None is the fewest; then nobody is told.')
    .max(20, 'Twenty at the most.'),
  keptDays: z
    .int('Give a number of days.')
    .min(7, 'A week at the least: registers settle, and are looked through.')
    .max(730, 'Two years at the most.'),
  keepsChat: z.boolean(),
});

export const registerWaysAnswer = registerWaysForm.extend({ version, mayEdit: z.boolean() });

const stoodCounts = counts.omit({ guests: true });
const termWeeks = z.array(stoodCounts.extend({ week: date }));

const term = z.object({ name: z.string(), from: date, until: date });

/** How somebody stood this term, week by week, and by class period. */
export const personTermAnswer = z.object({
  name: z.string(),
  term,
  weeks: termWeeks,
  classes: z.array(stoodCounts.extend({ id, title: z.string() })),
});

/** The same of oneself; null where the school does not show it. `keptDays`: how long it is kept when one was in. */
export const ownTermAnswer = z.object({
  shown: personTermAnswer.nullable(),
  keptDays: z.int(),
});

export const classTermAnswer = z.object({
  title: z.string(),
  term,
  people: z.array(z.object({ id, name: z.string(), weeks: termWeeks })),
});
