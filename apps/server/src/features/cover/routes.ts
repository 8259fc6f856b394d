import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { addCover, listCovers, stopCover, triedCover } from './covers.js';

export const coverRoutes = (glen: Glen) =>
  ({
    covers: ({ who }) => listCovers(glen, who),
    tryCover: ({ body, who }) => triedCover(glen, who, body),
    addCover: ({ body, who }) => addCover(glen, who, body),
    endCover: ({ params, who }) => stopCover(glen, who, params.coverId),
  }) satisfies Partial<Handlers>;
