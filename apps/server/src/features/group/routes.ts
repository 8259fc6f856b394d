import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeGroups, setGroups } from './service.js';

export const groupRoutes = (glen: Glen): Pick<Handlers, 'groups' | 'setGroups'> => ({
  groups: ({ params, who }) => describeGroups(glen, params.classId, who),
  setGroups: ({ params, body, who }) => setGroups(glen, params.classId, who, body),
});
