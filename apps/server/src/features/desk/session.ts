import type { Answer, Body } from '@glen/contract';
import { toSql, type Tx } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { enqueue } from '../../jobs/outbox.js';
import { accountByEmail } from '../accounts/store.js';
import { audit } from '../audit/audit.js';
import { arrive, everyoneOut, leave } from '../door/events.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { lockLink } from '../door/store.js';
import { announce } from '../live/feed.js';
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
  work: (running: Running, facts: DoorFacts, tx: Tx) => Promise<void>,
): Promise<void> {
  const { link } = await doorOfHost(glen, linkId, token);
  await glen.db.transaction(async (tx) => {
    await lockLink(glen.db, link.code, tx);
    const facts = (await readDoor(glen, link.code, { token }, { tx, straight: true }))!;
    const session = facts.at?.occurrence;
    if (!session?.sitting_id || session.ended_at)
      throw new HttpProblem(409, 'Nothing is running behind this door. Open it first.');
    await work({ ...session, sitting_id: session.sitting_id }, facts, tx);
    await announce(
      glen.db,
      glen.clock,
      `class:${facts.row.class_id}`,
      { thing: 'desk', id: link.id },
      tx,
    );
    await announce(glen.db, glen.clock, `door:${link.id}`, { thing: 'door', id: link.id }, tx);
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
  withRunning(glen, linkId, token, async (session, facts, tx) => {
    await everyoneOut(glen, session.sitting_id, facts.now, tx);
    await glen.db.change(
      'UPDATE sittings SET ended_at = :now, room = NULL, room_ready = 0, host_left_at = NULL WHERE id = :id',
      { id: session.sitting_id, now: toSql(facts.now) },
      tx,
    );
    if (session.room !== null && session.room_address_kept === null)
      await enqueue(glen.db, glen.clock, { kind: 'end-room', subject: session.room }, tx);
    await dropActingHosts(glen.db, session.sitting_id, tx);
    await audit(
      glen.db,
      glen.clock,
      { by, action: 'end-session', subject: `sitting:${session.sitting_id}` },
      tx,
    );
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
  await withRunning(glen, linkId, token, async (session, _facts, tx) => {
    end = await lengthenSession(glen, session.occurrence_id, session.minutes + minutes, by, tx);
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
  withRunning(glen, linkId, token, async (session, facts, tx) => {
    const successor = (await staffOf(glen.db, facts.row.class_id)).find(
      (s) => s.id === personId && s.id !== by,
    );
    if (!successor)
      throw wrongField(
        'personId',
        'It can be handed over to a co-teacher or named presenter of this class period.',
      );
    if (successor.as === 'presenter')
      await addActingHost(glen.db, session.sitting_id, personId, by, tx);
    const visitor = await visitorOfPerson(glen.db, session.sitting_id, personId, tx);
    if (visitor) {
      await setRole(glen.db, visitor.id, 'host', tx);
      if (hasOurRoom(session) && visitor.inside)
        await enqueue(
          glen.db,
          glen.clock,
          {
            kind: 'set-role',
            subject: `${session.room}:${visitor.id}`,
            payload: { room: session.room, visitor: visitor.id, role: 'host' },
          },
          tx,
        );
    }
    const own = leave ? await visitorOfPerson(glen.db, session.sitting_id, by, tx) : undefined;
    if (own?.inside && hasOurRoom(session)) {
      await enqueue(
        glen.db,
        glen.clock,
        {
          kind: 'put-out',
          subject: `${session.room}:${own.id}`,
          payload: { room: session.room, visitor: own.id, why: 'left' },
        },
        tx,
      );
    }
    await audit(
      glen.db,
      glen.clock,
      {
        by,
        action: 'hand-over',
        subject: `sitting:${session.sitting_id}`,
        after: { personId, leave },
      },
      tx,
    );
    await announce(
      glen.db,
      glen.clock,
      `class:${facts.row.class_id}`,
      { thing: 'class', id: facts.row.class_id },
      tx,
    );
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
  await withRunning(glen, linkId, token, async (session, _facts, tx) => {
    await addInvited(
      glen.db,
      { occurrenceId: session.occurrence_id, personId, email: person ? null : email, by },
      tx,
    );
    await audit(
      glen.db,
      glen.clock,
      {
        by,
        action: 'bring-in',
        subject: `occurrence:${session.occurrence_id}`,
        after: { personId, email: person ? null : email },
      },
      tx,
    );
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
  withRunning(glen, linkId, token, async (session, facts, tx) => {
    if (session.room_address_kept === null)
      throw new HttpProblem(409, 'This room tells Glen itself who is in it.');
    const own = await visitorOfPerson(glen.db, session.sitting_id, by, tx);
    if (!own)
      throw new HttpProblem(409, 'Go in by the door once; from then on the desk knows you.');
    const place = { visitor_id: own.id, sitting_id: session.sitting_id, role: 'host' };
    await (inside ? arrive : leave)(glen, place, facts.now, tx);
  });
