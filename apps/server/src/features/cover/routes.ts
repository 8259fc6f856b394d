import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { allowHelp, endHelp, listHelping } from './helpers.js';
import { addCover, listCovers, stopCover, triedCover } from './covers.js';

export const coverRoutes = (glen: Glen) =>
  ({
    helping: ({ who }) => listHelping(glen, who),
    allowHelp: ({ body, who }) => allowHelp(glen, who, body),
    endHelp: ({ params, who }) => endHelp(glen, who, params.helpId),
    covers: ({ who }) => listCovers(glen, who),
    tryCover: ({ body, who }) => triedCover(glen, who, body),
    addCover: ({ body, who }) => addCover(glen, who, body),
    endCover: ({ params, who }) => stopCover(glen, who, params.coverId),
  }) satisfies Partial<Handlers>;
