import { meet } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { makePerson } from '../accounts/makePerson.js';
import { inviteGuests } from '../audience/guestStore.js';
import { sendToGuest } from '../guest/address.js';
import { mustBeFree, orHowItStands, tellSlots } from '../signUp/own.js';
import { daysOf, nowOf, type Now } from '../signUp/sessions.js';
import { addSignUp } from '../slot/signUpStore.js';
import { describeOwn } from './describe.js';
import { giveUp, holdSeries, whatTheyHave } from './giveUp.js';
import { tellWhatTheyHave } from './letters.js';
import { appointmentsOf, partsOf } from './parts.js';

import {
  eveningById,
  guestByToken,
  oneMoreOfGuest,
  peopleByAddress,
  type Evening,
} from './store.js';

type Own = Answer<'ownAppointments'>;
type Taken = Body<'changeAppointments'>['take'][number];

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address leads nowhere any more.', {
    detail: 'What it was for is over. Whoever sent it to you can say more.',
  });

interface Comes {
  guest: AppointmentGuestRow;
  one: Evening;
}

/** Whom an address is for, and the evening. */
async function comesBy(glen: Glen, token: string, isHeld = false): Promise<Comes> {
  const guest = await guestByToken(glen.db, glen.tokens.hash('appointments', token), { isHeld });
  const one = guest && (await eveningById(glen.db, guest.evening_id));
  if (!one) throw gone();
  return { guest, one };
}

export async function readOwn(glen: Glen, token: string): Promise<Own> {
  const { guest, one } = await comesBy(glen, token);
  return describeOwn(glen, one, guest);
}

/** A guest as a person of the school: by their account, or one that is made with what they are called. */
async function personOf(glen: Glen, { email, name }: AppointmentGuestRow): Promise<number> {
  const known = (await peopleByAddress(glen.db, [email])).get(email);
  if (known !== undefined) return known;
  const accounts = [{ kind: 'personal' as const, email }];
  return makePerson(glen, { name: name || email, roles: ['guest'], accounts });
}

interface Taking extends Comes {
  personId: number;
  at: Now;
}

/** Takes one appointment, beside all that they have. */
async function take(
  glen: Glen,
  { guest, one, personId, at }: Taking,
  { seriesId, nth, about }: Taken,
): Promise<void> {
  const parts = await partsOf(glen, one.seriesIds);
  const part = parts.find((other) => other.seriesId === seriesId);
  const slot = part?.cut?.slots[nth];
  if (!part?.cut || !slot) throw notFound('This slot');
  const other = appointmentsOf(parts, personId).find((has) => meet(has.slot, slot));
  if (other && other.part !== part)
    throw wrongField('take', `You are with ${other.part.name} at that time.`);
  mustBeFree(part.cut, nth, { at, theirs: daysOf([part.cut], personId) });
  const on = part.cut.date.key_date;
  await addSignUp(
    glen.db,
    { seriesId, key: on },
    {
      ...{ nth, person_id: personId, group_id: null, about, address: null },
      ...{ known_begin: slot.start, since: at.now, made_by: personId, made_at: at.now },
    },
  );
  const { email, name } = guest;
  const invited = { email, name, comes: 'inside' as const };
  await inviteGuests(glen.db, part.linkId, { seriesId, key: '' }, [invited]);
  const subject = `slots:${seriesId}`;
  await glen.audit({ by: personId, action: 'sign-up', subject, after: { on, nth } });
  await tellSlots(glen, part.classId, seriesId);
}

/** Gives up what is theirs of these sign-ups. */
async function drop(glen: Glen, { guest, one, personId }: Taking, ids: number[]): Promise<void> {
  if (ids.length === 0) return;
  const has = appointmentsOf(await partsOf(glen, one.seriesIds), personId);
  const given = has.filter(({ signUp }) => ids.includes(signUp.id));
  if (given.length < new Set(ids).size) throw notFound('This appointment');
  await giveUp(glen, { email: guest.email, by: personId, giveUp: given, has });
  for (const { part, nth, signUp } of given) {
    const before = { on: signUp.key_date, nth };
    const subject = `slots:${part.seriesId}`;
    await glen.audit({ by: personId, action: 'drop-sign-up', subject, before });
  }
}

function mustBeOpen({ evening }: Evening, now: string): void {
  if (evening.state === 'closed')
    throw new HttpProblem(403, 'Times are not chosen here any more. Ask whoever invited you.');
  if (evening.end_at <= now) throw new HttpProblem(403, 'This evening is over.');
}

/** Holds the slots that are taken or given up against others until the transaction ends. */
async function holdWhatChanges(
  glen: Glen,
  { guest, one }: Comes,
  { take: wanted, drop: ids }: Body<'changeAppointments'>,
): Promise<void> {
  const has = await whatTheyHave(glen, one, guest.email);
  const given = has.filter(({ signUp }) => ids.includes(signUp.id));
  const known = new Set(one.seriesIds);
  await holdSeries(glen, [
    ...wanted.map(({ seriesId }) => seriesId).filter((id) => known.has(id)),
    ...given.map(({ part }) => part.seriesId),
  ]);
}

/**
 * Takes appointments and gives others up, all at once or nothing. No two of a guest's are at one time; whoever was a moment
 * too late is told how all stands. What they have now is written to the mailbox that they were invited by, as an address can
 * be passed on.
 */
export async function changeAppointments(
  glen: Glen,
  token: string,
  body: Body<'changeAppointments'>,
): Promise<Own> {
  const work = glen.db.transaction(async () => {
    const { guest, one } = await comesBy(glen, token, true);
    const at = await nowOf(glen);
    if (guest.version !== body.version) throw stale(await describeOwn(glen, one, guest));
    mustBeOpen(one, at.now);
    await holdWhatChanges(glen, { guest, one }, body);
    const taking = { guest, one, at, personId: await personOf(glen, guest) };
    await drop(glen, taking, body.drop);
    for (const wanted of body.take) await take(glen, taking, wanted);
    await oneMoreOfGuest(glen.db, guest.id);
    await tellWhatTheyHave(glen, one, {
      parts: await partsOf(glen, one.seriesIds),
      guests: [guest],
      onceOf: ({ id, version }) => `chose:${id}:${version}`,
      why: 'chosen',
    });
  });
  await orHowItStands(work, () => readOwn(glen, token));
  glen.nudge();
  return readOwn(glen, token);
}

/** Sends a guest their way in to an appointment that they have, to the mailbox that they were invited by. */
export async function sendWayIn(
  glen: Glen,
  token: string,
  { seriesId }: Body<'wayToAppointment'>,
): Promise<{ ok: true }> {
  const { guest, one } = await comesBy(glen, token);
  if (!glen.mail)
    throw wrongField(
      'seriesId',
      'No letters go out here. Ask whoever invited you for your way in.',
    );
  const has = await whatTheyHave(glen, one, guest.email);
  const mine = has.find(({ part }) => part.seriesId === seriesId);
  if (!mine) throw wrongField('seriesId', 'You have no appointment there.');
  const way = { linkId: mine.part.linkId, by: one.evening.made_by, email: guest.email };
  await sendToGuest(glen, way);
  return { ok: true };
}
