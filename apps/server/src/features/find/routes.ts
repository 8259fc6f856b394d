import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { find } from './find.js';

export const findRoutes = (glen: Glen): Pick<Handlers, 'find'> => ({
  find: ({ query, who }) => find(glen, who.person!.id, query.q.trim()),
});
