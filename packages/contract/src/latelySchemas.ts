import { z } from 'zod';
import { id, line, utcInstant } from './basics.js';
import { WAYS_BACK } from './waysBack.js';

// One's own last changes, and what takes each of them back.

/** One call that takes a change back, as it will be sent. */
const wayBack = z.strictObject({
  endpoint: z.enum(WAYS_BACK),
  params: z.record(z.string(), z.union([z.string().max(80), z.int()])).optional(),
  query: z.record(z.string(), z.union([z.string().max(80), z.int()])).optional(),
  body: z.record(z.string(), z.unknown()).optional(),
});
export type WayBack = z.infer<typeof wayBack>;

export const latelyBody = z.strictObject({
  /** What was done, in words. */
  what: line(300).min(1, 'Say what was done.'),
  calls: z
    .array(wayBack)
    .min(1)
    .max(40)
    .refine((calls) => JSON.stringify(calls).length <= 60_000, 'That is more than is kept.'),
});

export const latelyAnswer = z.object({
  changes: z.array(
    z.object({
      id,
      at: utcInstant,
      what: z.string(),
      calls: z.array(wayBack),
      takenBack: z.boolean(),
    }),
  ),
});
