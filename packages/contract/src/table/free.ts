import type { EndpointName } from '../endpoints.js';
import { freeTimesAnswer, freeTimesBody } from '../freeSchemas.js';
import type { Shapes } from './shapes.js';

/** Times at which people are free. */
export const free = {
  freeTimes: { body: freeTimesBody, answer: freeTimesAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;
