import { longerFromNow, type Role } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { accountByEmail } from '../accounts/store.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { addActingHost } from '../door/actingStore.js';
import { lockLink } from '../door/store.js';
import { arrive, everyoneOut, leave } from '../door/visitStore.js';
import { lengthenSession } from '../plan/lengthenSession.js';
import { staffOf } from '../school/store.js';
import { doorOfHost } from './describe.js';
import {
  addInvited,
  askAtSitting,
  dropActingHosts,
  endSitting,
  personById,
  setRole,
  visitorOfPerson,
} from './store.js';

/** A host at the desk of a link's door. */
export interface AtDesk {
  linkId: number;
  /** Who acts, by their person's id. */
  by: number;
  token: string | undefined;
}

type Running = NonNullable<DoorFacts['at']>['occurrence'] & { sitting_id: number };

/** A room that Glen can speak to; of a pasted one it knows the address alone. */
const hasOurRoom = (session: Running): session is Running & { room: string } =>
  session.room !== null && session.room_address_kept === null;

/** Does something to the session that runs behind a door, under the link's lock; everyone at desk and door hears of it. */
export async function withRunning<T>(
  glen: Glen,
  { linkId, token }: AtDesk,
  work: (running: Running, facts: DoorFacts) => Promise<T>,
): Promise<T> {
  const { link } = await doorOfHost(glen, linkId, token);
  const result = await glen.db.transaction(async () => {
    await lockLink(glen.db, link.code);
    const facts = (await readDoor(glen, link.code, { token }, { straight: true }))!;
    const session = facts.at?.occurrence;
    if (!session?.sitting_id || session.ended_at)
      throw new HttpProblem(409, 'Nothing is running behind this door. Open it first.');
    const done = await work({ ...session, sitting_id: session.sitting_id }, facts);
    await glen.announce(`class:${facts.row.class_id}`, { thing: 'desk', id: link.id });
    await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
    return done;
  });
  glen.nudge();
  return result;
}

/** Closes the room: everyone is out, the link is shut at once for all but hosts, and the room goes. */
export const closeRoom = (glen: Glen, desk: AtDesk): Promise<void> =>
  withRunning(glen, desk, async (session, { now }) => {
    const { sitting_id: sittingId } = session;
    await everyoneOut(glen.db, sittingId, now);
    await endSitting(glen.db, sittingId, now);
    if (hasOurRoom(session)) await glen.enqueue({ kind: 'end-room', subject: session.room });
    await dropActingHosts(glen.db, sittingId);
    await glen.audit({ by: desk.by, action: 'end-session', subject: `sitting:${sittingId}` });
  });

/** Lets nobody knock without an account for the rest of the session; who waits so is asked to sign in. */
export const askForAccount = (glen: Glen, desk: AtDesk): Promise<void> =>
  withRunning(glen, desk, async ({ sitting_id: sittingId }) => {
    await askAtSitting(glen.db, sittingId);
    await glen.audit({ by: desk.by, action: 'ask-for-account', subject: `sitting:${sittingId}` });
  });

/** Lets the running session last longer; its end moves on the books too. */
export const extendSession = (
  glen: Glen,
  desk: AtDesk,
  minutes: number,
): Promise<Answer<'extendSession'>> =>
  withRunning(glen, desk, async ({ occurrence_id: id, start, minutes: so }, { now }) => ({
    end: await lengthenSession(
      glen,
      id,
      longerFromNow({ start, minutes: so }, minutes, now),
      desk.by,
    ),
  }));

/** Whoever hosts can be made so by a handing-over: the class period's own staff. */
async function successorOf(glen: Glen, classId: number, personId: number, by: number) {
  const staff = await staffOf(glen.db, classId);
  const successor = staff.find((s) => s.id === personId && s.id !== by);
  if (successor) return successor;
  throw wrongField(
    'personId',
    'It can be handed over to a co-teacher or named presenter of this class period.',
  );
}

/** Inside already, the successor becomes host where they sit. */
async function giveRole(glen: Glen, session: Running, personId: number, role: Role): Promise<void> {
  const visitor = await visitorOfPerson(glen.db, session.sitting_id, personId);
  if (!visitor) return;
  await setRole(glen.db, visitor.id, role);
  if (!hasOurRoom(session) || !visitor.inside) return;
  const { room } = session;
  await glen.enqueue({
    kind: 'set-role',
    subject: `${room}:${visitor.id}`,
    payload: { room, visitor: visitor.id, role },
  });
}

/** Whoever hands over leaves the room. */
async function leaveRoom(glen: Glen, session: Running, personId: number): Promise<void> {
  const own = await visitorOfPerson(glen.db, session.sitting_id, personId);
  if (!own?.inside) return;
  // Of a room that Glen cannot look into nobody tells that they have left.
  if (!hasOurRoom(session)) {
    const seat = { visitor_id: own.id, sitting_id: session.sitting_id, role: 'host' };
    return leave(glen.db, seat, glen.clock.school());
  }
  const { room } = session;
  await glen.enqueue({
    kind: 'put-out',
    subject: `${room}:${own.id}`,
    payload: { room, visitor: own.id, why: 'left' },
  });
}

/**
 * Makes somebody of the class's staff acting host until this session's end, and, where asked, lets whoever
 * hands over leave the room.
 */
export const handOver = (
  glen: Glen,
  desk: AtDesk,
  { personId, leave: leaves }: Body<'handOver'>,
): Promise<void> =>
  withRunning(glen, desk, async (session, { row }) => {
    const { sitting_id: sittingId } = session;
    const successor = await successorOf(glen, row.class_id, personId, desk.by);
    if (successor.as === 'presenter')
      await addActingHost(glen.db, { sittingId, personId, by: desk.by });
    await giveRole(glen, session, personId, 'host');
    if (leaves) await leaveRoom(glen, session, desk.by);
    await glen.audit({
      by: desk.by,
      action: 'hand-over',
      subject: `sitting:${sittingId}`,
      after: { personId, leave: leaves },
    });
    await glen.announce(`class:${row.class_id}`, { thing: 'class', id: row.class_id });
  });

/** Somebody to bring in: known by their person, or an address that need not have an account yet. */
async function invitee(
  glen: Glen,
  body: Body<'bringIn'>,
): Promise<{ personId: number | null; email: string | null; name: string; ofSchool: boolean }> {
  const email = 'email' in body ? body.email.trim().toLowerCase() : null;
  const personId =
    'personId' in body
      ? body.personId
      : ((await accountByEmail(glen.db, email!))?.person_id ?? null);
  const person = personId === null ? undefined : await personById(glen.db, personId);
  if ('personId' in body && !person) throw wrongField('personId', 'There is no such person.');
  return {
    personId,
    email: person ? null : email,
    name: person?.name ?? email!,
    ofSchool: Boolean(person?.of_school),
  };
}

/** Brings a person to the running session by name, or by an address that need not have an account yet. They need not knock. */
export async function bringIn(
  glen: Glen,
  desk: AtDesk,
  body: Body<'bringIn'>,
): Promise<Answer<'bringIn'>> {
  const { personId, email, name, ofSchool } = await invitee(glen, body);
  await withRunning(glen, desk, async ({ occurrence_id: occurrenceId }) => {
    await addInvited(glen.db, { occurrenceId, personId, email, by: desk.by });
    await glen.audit({
      by: desk.by,
      action: 'bring-in',
      subject: `occurrence:${occurrenceId}`,
      after: { personId, email },
    });
  });
  return { name, ofSchool };
}

/** In a room that Glen cannot look into, a host says at the desk whether they are there: that is what the door goes by. */
export const setHostPresence = (glen: Glen, desk: AtDesk, inside: boolean): Promise<void> =>
  withRunning(glen, desk, async (session, { now }) => {
    if (session.room_address_kept === null)
      throw new HttpProblem(409, 'This room tells Glen itself who is in it.');
    const own = await visitorOfPerson(glen.db, session.sitting_id, desk.by);
    if (!own)
      throw new HttpProblem(409, 'Go in by the door once; from then on the desk knows you.');
    const seat = { visitor_id: own.id, sitting_id: session.sitting_id, role: 'host' };
    await (inside ? arrive : leave)(glen.db, seat, now);
  });
