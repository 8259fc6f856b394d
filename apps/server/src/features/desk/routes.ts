import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { enterDoor } from '../door/enter.js';
import { noRoom } from '../door/wayIn.js';
import { setRoom } from '../link/replace.js';
import { mustBeFree } from './overAnother.js';
import { describeDesk, doorOfHost, isActing, putOutOfIt } from './describe.js';
import {
  askForAccount,
  bringIn,
  closeRoom,
  extendSession,
  handOver,
  setHostPresence,
  type AtDesk,
} from './session.js';
import { chimeIn, letAllShare, letShare, muteAll, muteOne } from './insideRoom.js';
import { letAllIn, letBack, letIn, letPresent, putOut, sayWho, turnAway } from './visitors.js';

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

/** Puts the address that a host gives behind the link, for good. */
async function giveRoom(
  glen: Glen,
  { link, facts }: Awaited<ReturnType<typeof doorOfHost>>,
  who: Who,
  address: string | undefined,
): Promise<void> {
  if (isActing(facts))
    throw new HttpProblem(409, 'No room is behind this door yet; its own host gives one.');
  if (!address) throw noRoom();
  try {
    await setRoom(glen, link.id, who, { version: link.version, address });
  } catch (error) {
    // What is wrong with the address is told beside the field of this form.
    if (error instanceof HttpProblem && error.more.errors)
      throw wrongField('room', error.more.errors[0]!.message);
    throw error;
  }
}

/** Opens a link's door for its host, before its time too, and gives the way in. */
async function openDoor(glen: Glen, call: Call<'openDoor'>): Promise<{ go: string }> {
  const { params, token, from, setSession, body, who } = call;
  const { link, facts } = await doorOfHost(glen, params.linkId, token);
  if (!body.anyway) await mustBeFree(glen, facts, who.person!.id);
  if (!facts.hasRoom) await giveRoom(glen, { link, facts }, who, body.room);
  const asking = { typed: link.code, token, from, setSession, byHand: true };
  const { go, decision } = await enterDoor(glen, asking, {});
  if (go !== null) return { go };
  if (decision.reason === 'removed') throw putOutOfIt();
  throw new HttpProblem(409, 'This link has been stopped; its door no longer opens.');
}

export const deskRoutes = (glen: Glen) =>
  ({
    desk: ({ params, token }) => describeDesk(glen, params.linkId, token),
    openDoor: (call) => openDoor(glen, call),
    closeRoom: (call) => done(closeRoom(glen, deskOf(call))),
    extendSession: (call) => extendSession(glen, deskOf(call), call.body.minutes),
    handOver: (call) => done(handOver(glen, deskOf(call), call.body)),
    bringIn: (call) => bringIn(glen, deskOf(call), call.body),
    hostPresence: (call) => done(setHostPresence(glen, deskOf(call), call.body.inside)),
    askForAccount: (call) => done(askForAccount(glen, deskOf(call))),
    letAllIn: ({ params, who, body }) => letAllIn(glen, params.linkId, who.person!.id, body.only),
    letIn: ({ params, who }) => done(letIn(glen, params.visitorId, who.person!.id)),
    turnAway: ({ params, who, body }) =>
      done(turnAway(glen, params.visitorId, who.person!.id, body.word ?? '')),
    putOut: ({ params, who }) => done(putOut(glen, params.visitorId, who.person!.id)),
    letPresent: ({ params, who, body }) =>
      done(letPresent(glen, params.visitorId, who.person!.id, body.presents)),
    muteVisitor: ({ params, who }) => done(muteOne(glen, params.visitorId, who.person!.id)),
    muteAll: (call) => done(muteAll(glen, deskOf(call))),
    letShare: ({ params, who, body }) =>
      done(letShare(glen, params.visitorId, who.person!.id, body.shares)),
    setChime: (call) => done(chimeIn(glen, deskOf(call), call.body.chime)),
    letAllShare: (call) => done(letAllShare(glen, deskOf(call), call.body.share)),
    sayWho: ({ params, who, body }) =>
      done(sayWho(glen, params.visitorId, who.person!.id, body.personId)),
    letBack: ({ params, who }) => done(letBack(glen, params.visitorId, who.person!.id)),
  }) satisfies Partial<Handlers>;
