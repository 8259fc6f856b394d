import type { Action } from '@glen/core';
import type { Answer, DeskVisitor } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { peopleOfLink } from '../audience/store.js';
import { leave } from '../door/visitStore.js';
import {
  knownVisitor,
  setMayPresent,
  setTakenFor,
  setVisitorState,
  setWord,
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

async function moveVisitor(
  glen: Glen,
  id: number,
  by: number,
  { action, from, to, also }: Move,
): Promise<void> {
  await glen.db.transaction(async () => {
    const visitor = await knownVisitor(glen.db, id);
    if (!visitor) throw notFound('This visitor');
    const changed = await setVisitorState(glen.db, id, from, to);
    if (!changed) {
      // Two hosts pressing the same button is no error; pressing a button that no longer fits is.
      if (visitor.state === to) return;
      throw new HttpProblem(409, `${visitor.name} is no longer there.`, {
        current: { state: visitor.state },
      });
    }
    await glen.audit({ by, action, subject: `visitor:${id}`, before: visitor.state, after: to });
    await also?.(visitor);
    await announceVisitor(glen, visitor);
  });
  glen.nudge();
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
  moveVisitor(glen, id, by, {
    action: 'let-back',
    from: ['turned-away', 'put-out'],
    to: 'let-in',
  });

export const putOut = (glen: Glen, id: number, by: number): Promise<void> =>
  moveVisitor(glen, id, by, {
    action: 'put-out',
    from: ['let-in'],
    to: 'put-out',
    also: (visitor) => leaveRoom(glen, visitor),
  });

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
