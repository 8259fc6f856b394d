import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { enterDoor } from '../door/enter.js';
import { describeDesk, doorOfHost } from './describe.js';
import {
  bringIn,
  endSession,
  extendSession,
  handOver,
  setHostPresence,
  type AtDesk,
} from './session.js';
import { letAllIn, letBack, letIn, letPresent, putOut, turnAway } from './visitors.js';

type FromDesk = Pick<Call<'desk'>, 'params' | 'who' | 'token'>;

const deskOf = ({ params, who, token }: FromDesk): AtDesk => ({
  linkId: params.linkId,
  by: who.person!.id,
  token,
});

const done = async (work: Promise<unknown>): Promise<{ ok: true }> => {
  await work;
  return { ok: true };
};

/** Opens a link's door for its host, before its time too, and gives the way in. */
async function openDoor(glen: Glen, call: Call<'openDoor'>): Promise<{ go: string }> {
  const { params, token, address, setSession } = call;
  const { link } = await doorOfHost(glen, params.linkId, token);
  const asking = { typed: link.code, token, address, setSession, byHand: true };
  const { go } = await enterDoor(glen, asking, {});
  if (go === null)
    throw new HttpProblem(409, 'This link has been stopped; its door no longer opens.');
  return { go };
}

export const deskRoutes = (glen: Glen) =>
  ({
    desk: ({ params, token }) => describeDesk(glen, params.linkId, token),
    openDoor: (call) => openDoor(glen, call),
    endSession: (call) => done(endSession(glen, deskOf(call))),
    extendSession: (call) => extendSession(glen, deskOf(call), call.body.minutes),
    handOver: (call) => done(handOver(glen, deskOf(call), call.body)),
    bringIn: (call) => bringIn(glen, deskOf(call), call.body),
    hostPresence: (call) => done(setHostPresence(glen, deskOf(call), call.body.inside)),
    letAllIn: ({ params, who, body }) => letAllIn(glen, params.linkId, who.person!.id, body.only),
    letIn: ({ params, who }) => done(letIn(glen, params.visitorId, who.person!.id)),
    turnAway: ({ params, who, body }) =>
      done(turnAway(glen, params.visitorId, who.person!.id, body.word ?? '')),
    putOut: ({ params, who }) => done(putOut(glen, params.visitorId, who.person!.id)),
    letPresent: ({ params, who, body }) =>
      done(letPresent(glen, params.visitorId, who.person!.id, body.presents)),
    letBack: ({ params, who }) => done(letBack(glen, params.visitorId, who.person!.id)),
  }) satisfies Partial<Handlers>;
