import type { Answer, Body } from '@glen/contract';
import { toSql } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { accountByEmail } from '../accounts/store.js';
import { arrive, everyoneOut, leave } from '../door/events.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { lockLink } from '../door/store.js';
import { lengthenSession } from '../plan/edit.js';
import { staffOf } from '../school/store.js';
import { doorOfHost } from './describe.js';
import {
  addActingHost,
  addInvited,
  dropActingHosts,
  personById,
  setRole,
  visitorOfPerson,
} from './store.js';

type Running = NonNullable<DoorFacts['at']>['occurrence'] & { sitting_id: number };

/** A room that Glen can speak to; of a pasted one it knows the address alone. */
const hasOurRoom = (session: Running): session is Running & { room: string } =>
  session.room !== null && session.room_address_kept === null;

/** Does something to the session that runs behind a door, under the link's lock; everyone at desk and door hears of it. */
async function withRunning(
  glen: Glen,
  linkId: number,
  token: string | undefined,
  work: (running: Running, facts: DoorFacts) => Promise<void>,
): Promise<void> {
  const { link } = await doorOfHost(glen, linkId, token);
  await glen.db.transaction(async () => {
    await lockLink(glen.db, link.code);
    const facts = (await readDoor(glen, link.code, { token }, { straight: true }))!;
    const session = facts.at?.occurrence;
    if (!session?.sitting_id || session.ended_at)
      throw new HttpProblem(409, 'Nothing is running behind this door. Open it first.');
    await work({ ...session, sitting_id: session.sitting_id }, facts);
    await glen.announce(`class:${facts.row.class_id}`, { thing: 'desk', id: link.id });
    await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
  });
  glen.nudge();
}

/** Ends it for all: everyone is out, the link is shut at once for all but hosts, and the room goes. */
export const endSession = (
  glen: Glen,
  linkId: number,
  by: number,
  token: string | undefined,
): Promise<void> =>
  withRunning(glen, linkId, token, async (session, facts) => {
    await everyoneOut(glen, session.sitting_id, facts.now);
    await glen.db.change(
      'UPDATE sittings SET ended_at = :now, room = NULL, room_ready = 0, host_left_at = NULL WHERE id = :id',
      { id: session.sitting_id, now: toSql(facts.now) },
    );
    if (session.room !== null && session.room_address_kept === null)
      await glen.enqueue({ kind: 'end-room', subject: session.room });
    await dropActingHosts(glen.db, session.sitting_id);
    await glen.audit({ by, action: 'end-session', subject: `sitting:${session.sitting_id}` });
  });

/** Lets the running session last longer; its end moves on the books too. */
export async function extendSession(
  glen: Glen,
  linkId: number,
  by: number,
  token: string | undefined,
  minutes: number,
): Promise<Answer<'extendSession'>> {
  let end = '';
  await withRunning(glen, linkId, token, async (session, _facts) => {
    end = await lengthenSession(glen, session.occurrence_id, session.minutes + minutes, by);
  });
  return { end };
}

/**
 * Makes somebody of the class's staff acting host until this session's end, and, where asked, lets whoever
 * hands over leave the room. Inside already, the successor becomes host where they sit.
 */
export const handOver = (
  glen: Glen,
  linkId: number,
  by: number,
  token: string | undefined,
  { personId, leave }: Body<'handOver'>,
): Promise<void> =>
  withRunning(glen, linkId, token, async (session, facts) => {
    const successor = (await staffOf(glen.db, facts.row.class_id)).find(
      (s) => s.id === personId && s.id !== by,
    );
    if (!successor)
      throw wrongField(
        'personId',
        'It can be handed over to a co-teacher or named presenter of this class period.',
      );
    if (successor.as === 'presenter')
      await addActingHost(glen.db, session.sitting_id, personId, by);
    const visitor = await visitorOfPerson(glen.db, session.sitting_id, personId);
    if (visitor) {
      await setRole(glen.db, visitor.id, 'host');
      if (hasOurRoom(session) && visitor.inside)
        await glen.enqueue({
          kind: 'set-role',
          subject: `${session.room}:${visitor.id}`,
          payload: { room: session.room, visitor: visitor.id, role: 'host' },
        });
    }
    const own = leave ? await visitorOfPerson(glen.db, session.sitting_id, by) : undefined;
    if (own?.inside && hasOurRoom(session)) {
      await glen.enqueue({
        kind: 'put-out',
        subject: `${session.room}:${own.id}`,
        payload: { room: session.room, visitor: own.id, why: 'left' },
      });
    }
    await glen.audit({
      by,
      action: 'hand-over',
      subject: `sitting:${session.sitting_id}`,
      after: { personId, leave },
    });
    await glen.announce(`class:${facts.row.class_id}`, { thing: 'class', id: facts.row.class_id });
  });

/** Brings a person to the running session by name, or by an address that need not have an account yet. They need not knock. */
export async function bringIn(
  glen: Glen,
  linkId: number,
  by: number,
  token: string | undefined,
  body: Body<'bringIn'>,
): Promise<Answer<'bringIn'>> {
  let brought: Answer<'bringIn'> = { name: '', ofSchool: false };
  const email = 'email' in body ? body.email.trim().toLowerCase() : null;
  const personId =
    'personId' in body
      ? body.personId
      : ((await accountByEmail(glen.db, email!))?.person_id ?? null);
  const person = personId === null ? undefined : await personById(glen.db, personId);
  if ('personId' in body && !person) throw wrongField('personId', 'There is no such person.');
  await withRunning(glen, linkId, token, async (session, _facts) => {
    await addInvited(glen.db, {
      occurrenceId: session.occurrence_id,
      personId,
      email: person ? null : email,
      by,
    });
    await glen.audit({
      by,
      action: 'bring-in',
      subject: `occurrence:${session.occurrence_id}`,
      after: { personId, email: person ? null : email },
    });
    brought = { name: person?.name ?? email!, ofSchool: Boolean(person?.of_school) };
  });
  return brought;
}

/** In a room that Glen cannot look into, a host says at the desk whether they are there: that is what the door goes by. */
export const setHostPresence = (
  glen: Glen,
  linkId: number,
  by: number,
  token: string | undefined,
  inside: boolean,
): Promise<void> =>
  withRunning(glen, linkId, token, async (session, facts) => {
    if (session.room_address_kept === null)
      throw new HttpProblem(409, 'This room tells Glen itself who is in it.');
    const own = await visitorOfPerson(glen.db, session.sitting_id, by);
    if (!own)
      throw new HttpProblem(409, 'Go in by the door once; from then on the desk knows you.');
    const place = { visitor_id: own.id, sitting_id: session.sitting_id, role: 'host' };
    await (inside ? arrive : leave)(glen, place, facts.now);
  });
