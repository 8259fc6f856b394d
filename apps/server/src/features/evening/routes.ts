import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { programmeAtDoor } from './atDoor.js';
import { describeProgramme, setProgramme, shiftRest } from './programme.js';

export const eveningRoutes = (glen: Glen) =>
  ({
    programme: ({ params, query }) =>
      describeProgramme(glen, { seriesId: params.seriesId, key: query.key }),
    setProgramme: ({ params, body, who }) =>
      setProgramme(glen, params.seriesId, who.person!.id, body),
    shiftProgramme: ({ params, body, who }) =>
      shiftRest(glen, params.seriesId, who.person!.id, body),
    doorProgramme: ({ params, token, from }) => programmeAtDoor(glen, params.code, { token, from }),
  }) satisfies Partial<Handlers>;
