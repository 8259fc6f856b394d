import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { reachOf } from './reach.js';
import { reachOfDay } from './reachOfDay.js';
import { studentSees } from './studentSees.js';

export const reachRoutes = (
  glen: Glen,
): Pick<Handlers, 'reach' | 'reachOfDay' | 'studentSees'> => ({
  reach: ({ params, query }) => reachOf(glen, params.linkId, query.at),
  reachOfDay: ({ who, query }) => reachOfDay(glen, who, query),
  studentSees: ({ params, query }) => studentSees(glen, params.classId, query),
});
