import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { reachOf } from './reach.js';
import { seeAs } from './seeAs.js';

export const reachRoutes = (glen: Glen): Pick<Handlers, 'reach' | 'seeAs'> => ({
  reach: ({ params, query }) => reachOf(glen, params.linkId, query.at),
  seeAs: ({ params, query }) => seeAs(glen, params.classId, query),
});
