import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { setSeriesRules, seriesLayers } from '../plan/seriesRules.js';
import {
  describeLinkRules,
  describeOwnRules,
  describeRules,
  describeSchoolRules,
  describeSeriesRules,
  setClassRules,
  setLinkRules,
  setOwnRules,
  setSchoolRules,
} from './service.js';

type Names =
  | 'rules'
  | 'setRules'
  | 'linkRules'
  | 'setLinkRules'
  | 'seriesRules'
  | 'setSeriesRules'
  | 'ownRules'
  | 'setOwnRules'
  | 'schoolRules'
  | 'setSchoolRules';

export const entryRoutes = (glen: Glen): Pick<Handlers, Names> => ({
  rules: ({ params, who }) => describeRules(glen, params.classId, who),
  setRules: ({ params, body, who }) =>
    setClassRules(glen, params.classId, who, body.version, body.rules),
  linkRules: ({ params, who }) => describeLinkRules(glen, params.linkId, who),
  setLinkRules: ({ params, body, who }) =>
    setLinkRules(glen, params.linkId, who, body.version, body.rules),
  seriesRules: async ({ params, query, who }) =>
    describeSeriesRules(glen, await seriesLayers(glen, params.seriesId), query.on, who),
  setSeriesRules: async ({ params, body, who }) => {
    const written = await setSeriesRules(glen, params.seriesId, who.person!.id, body);
    return written(
      await describeSeriesRules(glen, await seriesLayers(glen, params.seriesId), body.key, who),
    );
  },
  ownRules: ({ who }) => describeOwnRules(glen, who),
  setOwnRules: ({ body, who }) => setOwnRules(glen, who, body.version, body.rules),
  schoolRules: ({ who }) => describeSchoolRules(glen, who),
  setSchoolRules: ({ body, who }) => setSchoolRules(glen, who, body),
});
