import { z } from 'zod';
import { TOLD_KINDS } from '@glen/core';
import { id, utcInstant } from '../basics.js';
import { ofClass } from '../params.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const byToken = z.object({ token: z.string().max(80) });
/** Letters of which kind, and whether they are sent to whom the address was sent. */
const letterStop = z.object({
  kind: z.enum(TOLD_KINDS),
  mails: z.boolean(),
});

/** What people have been told, and the letters they get. */
export const words = {
  words: {
    answer: z.object({
      words: z.array(
        z.object({ id, title: z.string(), text: z.string(), at: utcInstant, isSeen: z.boolean() }),
      ),
    }),
  },
  unreached: {
    params: ofClass,
    answer: z.object({ people: z.array(z.object({ id, name: z.string(), why: z.string() })) }),
  },
  letterStop: { params: byToken, answer: letterStop },
  setLetterStop: { params: byToken, body: z.object({ mails: z.boolean() }), answer: letterStop },
} satisfies Partial<Record<EndpointName, Shapes>>;
