import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { reachOf } from './reach.js';
import { studentSees } from './studentSees.js';

export const reachRoutes = (glen: Glen): Pick<Handlers, 'reach' | 'studentSees'> => ({
  reach: ({ params, query }) => reachOf(glen, params.linkId, query.at),
  studentSees: ({ params, query }) => studentSees(glen, params.classId, query),
});
