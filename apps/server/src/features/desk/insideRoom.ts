import type { Action } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { knownVisitor, setAllShare, setChime, setMayShare, type Known } from './store.js';
import { doorOfHost } from './describe.js';
import type { AtDesk } from './session.js';

// What a host does to those inside, in the room itself, for one session.

const cannotReach = (): HttpProblem =>
  new HttpProblem(409, 'Glen cannot reach into this room; do it in the room itself.');

/** Somebody in a room that the video service made. */
async function inOurRoom(glen: Glen, id: number): Promise<Known & { room: string }> {
  const visitor = await knownVisitor(glen.db, id);
  if (!visitor) throw notFound('This visitor');
  const { room, room_address: address } = visitor;
  if (room === null || address !== null) throw cannotReach();
  return { ...visitor, room };
}

/** Throws where somebody is on the telephone, and so can show nothing. */
export function mustNotCall(
  { account_kind: account, name }: Pick<Known, 'account_kind' | 'name'>,
  what: 'present' | 'share',
): void {
  if (account !== 'phone') return;
  throw new HttpProblem(
    409,
    `${name[0]!.toUpperCase()}${name.slice(1)} is on the telephone, and cannot ${what}.`,
  );
}

/** Switches one person's microphone off. They may switch it on again where the rules let them. */
export async function muteOne(glen: Glen, id: number, by: number): Promise<void> {
  await glen.db.transaction(async () => {
    const { room, role, name } = await inOurRoom(glen, id);
    if (role === 'host') throw new HttpProblem(409, `${name} hosts here, and is not muted.`);
    const payload = { room, visitor: id };
    await glen.enqueue({ kind: 'mute', subject: `${room}:${id}`, payload });
    await glen.audit({ by, action: 'mute', subject: `visitor:${id}` });
  });
  glen.nudge();
}

/** Lets one person share in the room, or no longer, whatever the rules say of it. */
export async function letShare(glen: Glen, id: number, by: number, shares: boolean): Promise<void> {
  await glen.db.transaction(async () => {
    const visitor = await inOurRoom(glen, id);
    const { room } = visitor;
    if (shares) mustNotCall(visitor, 'share');
    await setMayShare(glen.db, id, shares);
    const payload = { room, visitor: id, may: shares ? 1 : 0 };
    await glen.enqueue({ kind: 'let-share', subject: `${room}:${id}`, payload });
    const action = shares ? 'let-share' : 'let-share-no-longer';
    await glen.audit({ by, action, subject: `visitor:${id}` });
    await glen.announce(`class:${visitor.class_id}`, { thing: 'desk', id: visitor.link_id });
  });
  glen.nudge();
}

/** The room behind a door that a host stands at, of the video service's making. */
async function ourRoomAt(
  glen: Glen,
  { linkId, token }: AtDesk,
): Promise<{ linkId: number; classId: number; sittingId: number; room: string }> {
  const { link, facts } = await doorOfHost(glen, linkId, token);
  const session = facts.at?.occurrence;
  if (!session?.sitting_id || session.room === null) throw cannotReach();
  if (session.room_address_kept !== null) throw cannotReach();
  const { sitting_id: sittingId, room } = session;
  return { linkId: link.id, classId: facts.row.class_id, sittingId, room };
}

/** Switches off the microphones of everybody who is not host. */
export async function muteAll(glen: Glen, desk: AtDesk): Promise<void> {
  const { room, linkId } = await ourRoomAt(glen, desk);
  await glen.db.transaction(async () => {
    await glen.enqueue({ kind: 'mute', subject: `${room}:all`, payload: { room } });
    await glen.audit({ by: desk.by, action: 'mute-all', subject: `link:${linkId}` });
  });
  glen.nudge();
}

/** Has a room be otherwise than the rules say, for this session. */
async function otherwise(
  glen: Glen,
  desk: AtDesk,
  { action, write }: { action: Action; write: (sittingId: number) => Promise<void> },
): Promise<void> {
  const { sittingId, classId, linkId } = await ourRoomAt(glen, desk);
  await glen.db.transaction(async () => {
    await write(sittingId);
    await glen.enqueue({ kind: 'room-rules', subject: String(sittingId) });
    await glen.audit({ by: desk.by, action, subject: `link:${linkId}` });
    await glen.announce(`class:${classId}`, { thing: 'desk', id: linkId });
  });
  glen.nudge();
}

/** Lets everybody share in the room for this session, or again those alone whom the rules let. */
export const letAllShare = (glen: Glen, desk: AtDesk, shares: boolean): Promise<void> =>
  otherwise(glen, desk, {
    action: shares ? 'let-all-share' : 'let-all-share-no-longer',
    write: (sittingId) => setAllShare(glen.db, sittingId, shares),
  });

/** Has comings and goings be announced in the room for this session, or not. */
export const chimeIn = (glen: Glen, desk: AtDesk, chime: boolean): Promise<void> =>
  otherwise(glen, desk, {
    action: chime ? 'announce-comings' : 'announce-comings-no-longer',
    write: (sittingId) => setChime(glen.db, sittingId, chime),
  });
