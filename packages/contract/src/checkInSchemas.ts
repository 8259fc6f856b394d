import { z } from 'zod';
import { id, line, utcInstant } from './basics.js';

// Signs of being there that are asked for in mid-lesson.

/** How long a check-in may be open. */
const MINUTES = { least: 1, most: 60 };

export const checkInBody = z.object({
  minutes: z.int().min(MINUTES.least, 'At least one minute.').max(MINUTES.most, 'At most an hour.'),
  /** Empty: nothing is asked. */
  question: line(200),
});

/** A check-in as its host sees it. */
export const deskCheckInAnswer = z.object({
  checkIn: z
    .object({
      id,
      code: z.string(),
      question: z.string(),
      closes: utcInstant,
      isOpen: z.boolean(),
      /** What is put into the chat. */
      message: z.string(),
      /** Where the code is typed. */
      typeAt: z.string(),
      given: z.array(
        z.object({
          visitorId: id,
          name: z.string(),
          at: utcInstant,
          answer: z.string(),
          /** Who else gave it from the same browser. */
          with: z.array(z.string()),
        }),
      ),
    })
    .nullable(),
  /** How many are in, hosts aside. */
  inside: z.int(),
});

/** A check-in as whoever is asked sees it. */
export const checkInAnswer = z.object({
  state: z.enum(['may', 'given', 'closed', 'not-let-in']),
  /** What they are called at the door; null, as is all that follows: they have not been let in. */
  as: z.string().nullable(),
  title: z.string().nullable(),
  question: z.string(),
  closes: utcInstant.nullable(),
});

export const answerBody = z.object({ answer: line(500) });
