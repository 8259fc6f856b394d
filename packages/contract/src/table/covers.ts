import { z } from 'zod';
import { date, id, idParam } from '../basics.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const person = z.object({ id, name: z.string() });
/** Who covers for whom, from a day to a day, both included. */
const coverBody = z.object({ absentId: id, coveringId: id, first: date, last: date });

const coversAnswer = z.object({
  /** Today by the school's wall clock. */
  today: date,
  covers: z.array(
    z.object({
      id,
      absent: person,
      covering: person,
      madeBy: person,
      first: date,
      last: date,
      isOn: z.boolean(),
      mayEnd: z.boolean(),
    }),
  ),
  /** Of whom whoever asks may say that they are away. */
  absent: z.array(person),
  staff: z.array(person),
});

const may = { schedules: z.boolean(), posts: z.boolean(), prepares: z.boolean() };
const helping = z.object({ id, teacher: person, helper: person, until: z.string(), ...may });
const helpingAnswer = z.object({
  forMe: z.array(helping),
  byMe: z.array(helping),
  staff: z.array(person),
});

/** Who covers for whom, and who acts on whose behalf. */
export const covers = {
  covers: { answer: coversAnswer },
  tryCover: {
    body: coverBody,
    answer: z.object({
      sessions: z.array(
        z.object({
          id,
          date,
          time: z.string(),
          title: z.string(),
          /** They host it anyway. */
          isTheirs: z.boolean(),
          /** What they have on the books meanwhile. */
          clashes: z.array(z.string()),
        }),
      ),
    }),
  },
  addCover: {
    body: coverBody.extend({ anyway: z.boolean().default(false) }),
    answer: coversAnswer,
  },
  helping: { answer: helpingAnswer },
  allowHelp: {
    body: z.object({ helperId: id, until: date.optional(), ...may }),
    answer: helpingAnswer,
  },
  endHelp: { params: z.object({ helpId: idParam }), answer: helpingAnswer },
  endCover: { params: z.object({ coverId: idParam }), answer: coversAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;
