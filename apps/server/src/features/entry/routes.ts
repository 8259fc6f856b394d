import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import {
  describeLinkRules,
  describeOwnRules,
  describeRules,
  describeSchoolRules,
} from './describe.js';
import { setClassRules, setLinkRules, setOwnRules, setSchoolRules } from './write.js';

export const entryRoutes = (glen: Glen) =>
  ({
    rules: ({ params, who }) => describeRules(glen, params.classId, who),
    setRules: ({ params, body, who }) => setClassRules(glen, params.classId, who, body),
    linkRules: ({ params, who }) => describeLinkRules(glen, params.linkId, who),
    setLinkRules: ({ params, body, who }) => setLinkRules(glen, params.linkId, who, body),
    ownRules: ({ who }) => describeOwnRules(glen, who),
    setOwnRules: ({ body, who }) => setOwnRules(glen, who, body),
    schoolRules: ({ who }) => describeSchoolRules(glen, who),
    setSchoolRules: ({ body, who }) => setSchoolRules(glen, who, body),
  }) satisfies Partial<Handlers>;
