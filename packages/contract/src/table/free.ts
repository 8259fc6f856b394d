import { z } from 'zod';
import type { EndpointName } from '../endpoints.js';
import {
  addPollBody,
  addedPoll,
  chooseBody,
  choosingAnswer,
  freeTimesAnswer,
  freeTimesBody,
  pollsAnswer,
  stopPollBody,
} from '../freeSchemas.js';
import { ofClass } from '../params.js';
import type { Shapes } from './shapes.js';

const byToken = z.object({ token: z.string().max(60) });

/** Times at which people are free, and offering some of them to choose from. */
export const free = {
  freeTimes: { body: freeTimesBody, answer: freeTimesAnswer },
  polls: { answer: pollsAnswer },
  addPoll: { params: ofClass, body: addPollBody, answer: addedPoll },
  stopPoll: { params: ofClass, body: stopPollBody, answer: pollsAnswer },
  choosing: { params: byToken, answer: choosingAnswer },
  choose: { params: byToken, body: chooseBody, answer: choosingAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;
