import type { Action } from '@glen/core';
import type { Answer, DeskVisitor } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { peopleOfLink } from '../audience/store.js';
import { keysOf } from '../door/keptOut.js';
import { keepOut, letBackIn } from '../door/keptOutStore.js';
import { lockLinkById } from '../door/store.js';
import { leave } from '../door/visitStore.js';
import { mustNotCall } from './insideRoom.js';
import {
  dropActingHost,
  hostsOfLink,
  knownVisitor,
  linkOfVisitor,
  setMayPresent,
  setTakenFor,
  setVisitorState,
  setWord,
  visitorsKnownBy,
  waitingAt,
  type Known,
} from './store.js';

/** The visitor and the desk hear of it; nobody else at the door does. */
async function announceVisitor(glen: Glen, visitor: Known): Promise<void> {
  await glen.announce(`class:${visitor.class_id}`, { thing: 'desk', id: visitor.link_id });
  if (visitor.session_id !== null)
    await glen.announce(`browser:${visitor.session_id}`, { thing: 'door', id: visitor.link_id });
}

interface Move {
  action: Action;
  from: DeskVisitor['state'][];
  to: DeskVisitor['state'];
  /** What else comes with it. */
  also?: (visitor: Known) => Promise<unknown>;
}

/** Throws where a visitor hosts here by themselves and whoever acts does so for this session alone. */
async function refuseAgainstHosts(glen: Glen, visitor: Known, by: number): Promise<void> {
  const hosts = await hostsOfLink(glen.db, visitor.link_id);
  if (visitor.person_id === null || !hosts.has(visitor.person_id) || hosts.has(by)) return;
  throw new HttpProblem(
    403,
    `This door is ${visitor.name}’s own; you act as its host for a while.`,
  );
}

/** Moves one visitor; whether anything changed. */
async function moveOne(
  glen: Glen,
  visitor: Known,
  by: number,
  { action, from, to, also }: Move,
): Promise<boolean> {
  if (!(await setVisitorState(glen.db, visitor.id, from, to))) return false;
  const subject = `visitor:${visitor.id}`;
  await glen.audit({ by, action, subject, before: visitor.state, after: to });
  await also?.(visitor);
  await announceVisitor(glen, visitor);
  return true;
}

async function moveVisitor(glen: Glen, id: number, by: number, move: Move): Promise<void> {
  await glen.db.transaction(async () => {
    // As whoever enters does: first the link, then those at its door.
    const linkId = await linkOfVisitor(glen.db, id);
    if (linkId !== undefined) await lockLinkById(glen.db, linkId);
    const visitor = await knownVisitor(glen.db, id);
    if (!visitor) throw notFound('This visitor');
    if (KEEPS_OUT.has(move.to)) await refuseAgainstHosts(glen, visitor, by);
    const hasMoved = await moveOne(glen, visitor, by, move);
    // Two hosts pressing the same button is no error; pressing a button that no longer fits is.
    if (!hasMoved && visitor.state !== move.to)
      throw new HttpProblem(409, `${visitor.name} is no longer there.`, {
        current: { state: visitor.state },
      });
    if (hasMoved) await settlePerson(glen, visitor, by, move);
  });
  glen.nudge();
}

const OUT = ['turned-away', 'put-out'] as const;
const KEEPS_OUT: ReadonlySet<DeskVisitor['state']> = new Set(OUT);

const knownAs = ({ person_id, browser, network, name }: Known) => ({
  personId: person_id,
  browser,
  network,
  name,
});

/**
 * Being turned away or put out, and let back, is about the person: with whatever other account, or, where they have none,
 * with the same browser or the same name from the same network.
 */
async function settlePerson(glen: Glen, visitor: Known, by: number, move: Move): Promise<void> {
  const keys = keysOf(knownAs(visitor));
  const same = await visitorsKnownBy(glen.db, visitor);
  if (KEEPS_OUT.has(move.to)) {
    await keepOut(glen.db, visitor.sitting_id, keys);
    if (visitor.person_id !== null)
      await dropActingHost(glen.db, visitor.sitting_id, visitor.person_id);
    for (const other of same.filter((one) => one.state === 'let-in'))
      await moveOne(glen, other, by, puttingOut(glen));
    for (const other of same.filter((one) => one.state === 'waiting'))
      await moveOne(glen, other, by, { action: 'turn-away', from: ['waiting'], to: 'turned-away' });
    return;
  }
  if (move.action !== 'let-back') return;
  const all = [visitor, ...same].flatMap((one) => keysOf(knownAs(one)));
  await letBackIn(glen.db, visitor.sitting_id, [...keys, ...all]);
  for (const other of same.filter((one) => KEEPS_OUT.has(one.state)))
    await moveOne(glen, other, by, move);
}

export const letIn = (glen: Glen, id: number, by: number): Promise<void> =>
  moveVisitor(glen, id, by, { action: 'let-in', from: ['waiting'], to: 'let-in' });

/** `word` is what the visitor reads at the door. */
export const turnAway = (glen: Glen, id: number, by: number, word: string): Promise<void> =>
  moveVisitor(glen, id, by, {
    action: 'turn-away',
    from: ['waiting'],
    to: 'turned-away',
    also: () => setWord(glen.db, id, word.trim() || null),
  });

export const letBack = (glen: Glen, id: number, by: number): Promise<void> =>
  moveVisitor(glen, id, by, { action: 'let-back', from: [...OUT], to: 'let-in' });

/** Out of the room: a way in that was not used, and what they were let do for a while, end with it. */
const puttingOut = (glen: Glen): Move => ({
  action: 'put-out',
  from: ['let-in'],
  to: 'put-out',
  also: (visitor) => leaveRoom(glen, visitor),
});

export const putOut = (glen: Glen, id: number, by: number): Promise<void> =>
  moveVisitor(glen, id, by, puttingOut(glen));

async function leaveRoom(glen: Glen, visitor: Known): Promise<void> {
  const { id, room, sitting_id, role } = visitor;
  // Out of a room that Glen cannot look into they are only as far as the door goes; the desk says so.
  if (visitor.room_address !== null)
    await leave(glen.db, { visitor_id: id, sitting_id, role }, glen.clock.school());
  else if (room !== null)
    await glen.enqueue({
      kind: 'put-out',
      subject: `${room}:${id}`,
      payload: { room, visitor: id, why: 'put-out' },
    });
}

/** Lets in everyone who waits, or those of the roll alone. */
export async function letAllIn(
  glen: Glen,
  linkId: number,
  by: number,
  only: 'roll' | undefined,
): Promise<Answer<'letAllIn'>> {
  return glen.db.transaction(async () => {
    // As whoever enters does: first the link, then those at its door.
    await lockLinkById(glen.db, linkId);
    const waiting = (await waitingAt(glen.db, linkId)).filter(
      (v) => only === undefined || v.on_roll,
    );
    for (const visitor of waiting) {
      await setVisitorState(glen.db, visitor.id, ['waiting'], 'let-in');
      await announceVisitor(glen, visitor);
    }
    if (waiting.length > 0)
      await glen.audit({
        by,
        action: 'let-all-in',
        subject: `link:${linkId}`,
        after: waiting.map((v) => v.id),
      });
    return { letIn: waiting.length };
  });
}

/** Lets somebody inside present for a while, or no longer; it ends with the session. */
export async function letPresent(
  glen: Glen,
  id: number,
  by: number,
  presents: boolean,
): Promise<void> {
  await glen.db.transaction(async () => {
    const visitor = await knownVisitor(glen.db, id);
    if (!visitor) throw notFound('This visitor');
    if (presents) mustNotCall(visitor, 'present');
    const fits = presents ? visitor.role === 'participant' : Boolean(visitor.may_present);
    if (!fits)
      throw new HttpProblem(
        409,
        presents
          ? `${visitor.name} may present already.`
          : `${visitor.name} presents by the entry rules.`,
      );
    const role = presents ? 'presenter' : 'participant';
    await setMayPresent(glen.db, id, presents, role);
    if (visitor.room !== null && visitor.room_address === null)
      await glen.enqueue({
        kind: 'set-role',
        subject: `${visitor.room}:${id}`,
        payload: { room: visitor.room, visitor: id, role },
      });
    await glen.audit({
      by,
      action: presents ? 'let-present' : 'let-present-no-longer',
      subject: `visitor:${id}`,
    });
    await announceVisitor(glen, visitor);
  });
  glen.nudge();
}

/**
 * Says who of the roll somebody is who came without an account; `null`: nobody. For the register alone: it lets nobody
 * in, and what they may do stays as it is.
 */
export async function sayWho(
  glen: Glen,
  id: number,
  by: number,
  personId: number | null,
): Promise<void> {
  await glen.db.transaction(async () => {
    const visitor = await knownVisitor(glen.db, id);
    if (!visitor) throw notFound('This visitor');
    if (visitor.on_roll)
      throw new HttpProblem(409, `Who ${visitor.name} is, their account says already.`);
    const roll = await peopleOfLink(glen.db, visitor.link_id, visitor.occurrence_id);
    const person = roll.find((p) => p.id === personId);
    if (personId !== null && !person) throw wrongField('personId', 'They are not on this roll.');
    await setTakenFor(glen.db, id, personId);
    const after = person?.name ?? 'nobody of the roll';
    await glen.audit({ by, action: 'say-who', subject: `visitor:${id}`, after });
    await glen.announce(`class:${visitor.class_id}`, { thing: 'desk', id: visitor.link_id });
  });
}
