import { z } from 'zod';
import { id } from '../basics.js';
import { answerBody, checkInAnswer, checkInBody, deskCheckInAnswer } from '../checkInSchemas.js';
import { ofLink } from '../params.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const byToken = z.object({ token: z.string().max(60) });

/** Checking in. */
export const checkIn = {
  deskCheckIn: { params: ofLink, answer: deskCheckInAnswer },
  openCheckIn: { params: ofLink, body: checkInBody, answer: deskCheckInAnswer },
  endCheckIn: { params: ofLink, body: z.object({ checkInId: id }), answer: deskCheckInAnswer },
  checkIn: { params: byToken, answer: checkInAnswer },
  findCheckIn: {
    body: z.object({ code: z.string().max(40) }),
    answer: z.object({ token: z.string() }),
  },
  giveCheckIn: { params: byToken, body: answerBody, answer: checkInAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;
