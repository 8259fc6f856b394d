import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { freeTimesFor } from './freeTimes.js';

export const freeRoutes = (glen: Glen) =>
  ({
    freeTimes: ({ who, body }) => freeTimesFor(glen, who.person!.id, body),
  }) satisfies Partial<Handlers>;
