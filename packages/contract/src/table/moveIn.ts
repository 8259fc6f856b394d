import { z } from 'zod';
import { date, text, version } from '../basics.js';
import { movedIn, moveInDraft, moveInStage } from '../moveInSchemas.js';
import { meSchema } from '../peopleSchemas.js';
import type { EndpointName } from '../endpoints.js';
import { regionHolidays } from '../planSchemas.js';
import type { Shapes } from './shapes.js';

const byToken = z.object({ token: z.string().max(60) });

/** Moving in: a school made from nothing. */
export const moveIn = {
  moveIn: { params: byToken, answer: moveInStage },
  keepMoveIn: {
    params: byToken,
    body: z.object({ version, draft: moveInDraft }),
    answer: moveInStage,
  },
  moveInHolidays: {
    params: byToken,
    query: z.object({ region: text(20), first: date, last: date }),
    answer: regionHolidays,
  },
  finishMoveIn: { params: byToken, body: movedIn, answer: meSchema },
} satisfies Partial<Record<EndpointName, Shapes>>;
