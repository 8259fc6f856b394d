import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { enterDoor } from '../door/service.js';
import { describeDesk, doorOfHost } from './describe.js';
import { bringIn, endSession, extendSession, handOver, setHostPresence } from './session.js';
import { letAllIn, letBack, letIn, letPresent, putOut, turnAway } from './visitors.js';

type Names =
  | 'desk'
  | 'openDoor'
  | 'endSession'
  | 'extendSession'
  | 'handOver'
  | 'bringIn'
  | 'hostPresence'
  | 'letAllIn'
  | 'letIn'
  | 'turnAway'
  | 'putOut'
  | 'letPresent'
  | 'letBack';

export const deskRoutes = (glen: Glen): Pick<Handlers, Names> => {
  const ok = { ok: true as const };
  return {
    desk: ({ params, token }) => describeDesk(glen, params.linkId, token),
    openDoor: async ({ params, token, address, setSession }) => {
      const { link } = await doorOfHost(glen, params.linkId, token);
      const { go } = await enterDoor(
        glen,
        { typed: link.code, token, address, setSession },
        {},
        true,
      );
      if (go === null)
        throw new HttpProblem(409, 'This link has been stopped; its door no longer opens.');
      return { go };
    },
    endSession: async ({ params, who, token }) => {
      await endSession(glen, params.linkId, who.person!.id, token);
      return ok;
    },
    extendSession: ({ params, who, token, body }) =>
      extendSession(glen, params.linkId, who.person!.id, token, body.minutes),
    handOver: async ({ params, who, token, body }) => {
      await handOver(glen, params.linkId, who.person!.id, token, body);
      return ok;
    },
    bringIn: ({ params, who, token, body }) =>
      bringIn(glen, params.linkId, who.person!.id, token, body),
    hostPresence: async ({ params, who, token, body }) => {
      await setHostPresence(glen, params.linkId, who.person!.id, token, body.inside);
      return ok;
    },
    letAllIn: async ({ params, who, body }) => ({
      letIn: await letAllIn(glen, params.linkId, who.person!.id, body.only),
    }),
    letIn: async ({ params, who }) => {
      await letIn(glen, params.visitorId, who.person!.id);
      return ok;
    },
    turnAway: async ({ params, who, body }) => {
      await turnAway(glen, params.visitorId, who.person!.id, body.word ?? '');
      return ok;
    },
    putOut: async ({ params, who }) => {
      await putOut(glen, params.visitorId, who.person!.id);
      return ok;
    },
    letPresent: async ({ params, who, body }) => {
      await letPresent(glen, params.visitorId, who.person!.id, body.presents);
      return ok;
    },
    letBack: async ({ params, who }) => {
      await letBack(glen, params.visitorId, who.person!.id);
      return ok;
    },
  };
};
