import { z } from 'zod';
import { text, version, line } from './basics.js';
import { emailField } from './classSchemas.js';
import { calendarSchema } from './planSchemas.js';
import { newPassword, schoolWords } from './peopleSchemas.js';

const typed = (most: number) => text(most).default('');

/** What has been typed on the first pages, right or wrong: all of it is kept as it is. */
export const moveInDraft = z.object({
  school: z
    .object({
      name: typed(200),
      zone: typed(60),
      region: typed(20),
      dateOrder: z.enum(['dmy', 'mdy', 'ymd']).default('dmy'),
      hours: z.enum(['24', '12']).default('24'),
      help: typed(300),
      alone: z.boolean().default(false),
    })
    .optional(),
  year: z
    .object({
      terms: z.array(z.object({ name: typed(80), first: typed(10), last: typed(10) })).max(12),
      /** The region whose holidays these are: with another region all of its are taken first. */
      holidaysOf: typed(20),
      holidays: z.array(z.object({ name: typed(200), date: typed(10) })).max(60),
      /** The bells as a pattern in words and numbers, as typed; nothing where the school has none. */
      bells: z
        .object({
          count: typed(3),
          minutes: typed(3),
          first: typed(5),
          between: typed(3),
          breaks: z.array(z.object({ after: typed(3), minutes: typed(3) })).max(10),
        })
        .nullable(),
      /** Labels with commas. */
      cycle: typed(200),
    })
    .optional(),
  you: z.object({ name: typed(120), email: typed(254) }).optional(),
});

export const moveInStage = z.object({
  version,
  draft: moveInDraft,
  /** Today by the machine's clock, in UTC: the year to propose. */
  today: z.string(),
});

/** All that moving in comes to: the school, its year, and the first account. */
export const movedIn = z.object({
  school: schoolWords,
  calendar: calendarSchema,
  you: z.object({
    name: line(120).min(1, 'Say what you are called.'),
    email: emailField,
    password: newPassword,
  }),
});
