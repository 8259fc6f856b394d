import { placeWallTime } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { writeHosts } from '../audience/store.js';
import { addressToPassOn } from '../guest/address.js';
import { addSession } from '../plan/addSession.js';
import { readSchool } from '../school/store.js';
import { changeWays } from '../slot/waysStore.js';
import { describeEvening, mayChange, teachersFor } from './describe.js';
import { readNewGuests } from './guests.js';
import { inviteToChoose } from './letters.js';
import { giveUp, holdSeries, whatTheyHave } from './giveUp.js';
import { partsOf } from './parts.js';
import { scheduleAppointments } from './schedule.js';
import {
  changeEvening,
  dropGuest,
  eveningById,
  insertEvening,
  insertGuests,
  type Evening,
} from './store.js';

/** What guests of an evening may: two slots at one teacher, for two children; until theirs begins; never offered on, as all are short. */
const WAYS = {
  most: 2,
  opensDays: 365,
  closesMinutes: 0,
  missedAfter: 0,
  leaves: 'by-itself' as const,
};

type Planned = Body<'addAppointments'>;

/** Whoever plans it takes part as a class period that they teach; the head and the office plan it for all. Each takes part once. */
async function mustMayPlan(glen: Glen, who: Who, { hosts }: Planned): Promise<void> {
  const teachers = await teachersFor(glen, who);
  for (const { personId, classId } of hosts) {
    const known = teachers.find((one) => one.personId === personId);
    if (!known?.classes.some(({ id }) => id === classId))
      throw new HttpProblem(403, 'You can plan for yourself, as a class period that you teach.');
  }
  if (new Set(hosts.map(({ personId }) => personId)).size < hosts.length)
    throw wrongField('hosts', 'Each teacher takes part once.');
}

/** One teacher's session, in slots, on a fresh link that nobody else hosts. */
async function addPart(
  glen: Glen,
  { personId, classId, by }: Planned['hosts'][number] & { by: number },
  { title, date, time, minutes, slots }: Planned,
): Promise<number> {
  const { session } = await addSession(glen, classId, by, {
    ...{ title, description: '', draft: false, undated: false },
    plan: { first: date, at: { time, minutes }, closures: 'keep' },
    ...{ freshLink: true, freshFor: [], freshAs: 'parents' },
    slots,
  });
  await writeHosts(glen.db, session.linkId, { hostedBy: 'named', hostIds: [personId] });
  await changeWays(glen.db, session.seriesId, { ...slots, ...WAYS });
  return session.seriesId;
}

/** Plans an evening: a session of each teacher, all of them or none, and an address for each guest. */
export async function planAppointments(
  glen: Glen,
  who: Who,
  body: Planned,
): Promise<Answer<'addAppointments'>> {
  await mustMayPlan(glen, who, body);
  const guests = readNewGuests(glen, { text: body.guests, field: 'guests' }, []);
  const { zone } = (await readSchool(glen.db)).calendar;
  const { start, end } = placeWallTime(body.date, body.time, body.minutes, zone);
  if (start <= glen.clock.school()) throw wrongField('date', 'That is past.');
  const by = who.person!.id;
  const id = await glen.db.transaction(async () => {
    const seriesIds: number[] = [];
    for (const host of body.hosts) seriesIds.push(await addPart(glen, { ...host, by }, body));
    const at = { start_at: start, end_at: end, made_by: by, made_at: glen.clock.school() };
    const eveningId = await insertEvening(glen.db, { title: body.title, ...at }, seriesIds);
    await insertGuests(glen.db, eveningId, guests);
    const after = { title: body.title, date: body.date, hosts: body.hosts, guests: guests.length };
    const subject = `appointments:${eveningId}`;
    await glen.audit({ by, action: 'plan-appointments', subject, after });
    await invite(glen, eveningId, guests);
    await scheduleAppointments(glen, eveningId);
    return eveningId;
  });
  glen.nudge();
  return { id };
}

async function invite(glen: Glen, eveningId: number, added: { email: string }[]): Promise<void> {
  if (!glen.mail) return;
  const one = (await eveningById(glen.db, eveningId))!;
  const parts = await partsOf(glen, one.seriesIds);
  const emails = new Set(added.map(({ email }) => email));
  const guests = one.guests.filter(({ email }) => emails.has(email));
  await inviteToChoose(glen, one, { parts, guests });
}

type Described = Answer<'appointmentEvening'>;

/** Does something to an evening, held against others, for whoever may change it; gives how it stands then. */
async function changing(
  glen: Glen,
  { eveningId, who }: { eveningId: number; who: Who },
  work: (one: Evening) => Promise<void>,
): Promise<Described> {
  await glen.db.transaction(async () => {
    const one = await eveningById(glen.db, eveningId, { isHeld: true });
    if (!one) throw notFound('This evening');
    if (!mayChange(one, who))
      throw new HttpProblem(403, 'Whoever planned this evening changes it, and the office.');
    await work(one);
  });
  glen.nudge();
  return describeEvening(glen, (await eveningById(glen.db, eveningId))!, who);
}

interface At {
  eveningId: number;
  who: Who;
}

const subjectOf = ({ eveningId }: At): string => `appointments:${eveningId}`;

export async function readEvening(glen: Glen, { eveningId, who }: At): Promise<Described> {
  const one = await eveningById(glen.db, eveningId);
  if (!one) throw notFound('This evening');
  return describeEvening(glen, one, who);
}

/** Has guests choose no longer, or again. */
export const setAppointments = (
  glen: Glen,
  at: At,
  { version, state }: Body<'setAppointments'>,
): Promise<Described> =>
  changing(glen, at, async (one) => {
    const { evening } = one;
    if (evening.version !== version) throw stale(await describeEvening(glen, one, at.who));
    await changeEvening(glen.db, evening.id, { state });
    const noted = { before: evening.state, after: state };
    const by = at.who.person!.id;
    await glen.audit({ by, action: 'set-appointments', subject: subjectOf(at), ...noted });
  });

export const addGuests = (
  glen: Glen,
  at: At,
  { text }: Body<'addAppointmentGuests'>,
): Promise<Described> =>
  changing(glen, at, async ({ guests }) => {
    const added = readNewGuests(glen, { text, field: 'text' }, guests);
    if (added.length === 0) throw wrongField('text', 'All of these are invited already.');
    await insertGuests(glen.db, at.eveningId, added);
    const after = { guests: added.length };
    const by = at.who.person!.id;
    await glen.audit({ by, action: 'invite-to-appointments', subject: subjectOf(at), after });
    await invite(glen, at.eveningId, added);
  });

const guestIn = ({ guests }: Evening, guestId: number) => {
  const guest = guests.find(({ id }) => id === guestId);
  if (!guest) throw notFound('This guest');
  return guest;
};

export const removeGuest = (
  glen: Glen,
  at: At,
  { guestId }: Body<'dropAppointmentGuest'>,
): Promise<Described> =>
  changing(glen, at, async (one) => {
    const { id, email } = guestIn(one, guestId);
    await holdSeries(glen, one.seriesIds);
    const by = at.who.person!.id;
    const has = await whatTheyHave(glen, one, email);
    await giveUp(glen, { email, by, giveUp: has, has });
    await dropGuest(glen.db, id);
    const before = { email, appointments: has.length };
    await glen.audit({ by, action: 'drop-from-appointments', subject: subjectOf(at), before });
  });

/** A one-time address of a guest who has an appointment, for whoever passes it on where no letters go out. */
export async function passOnWayIn(
  glen: Glen,
  at: At,
  { guestId }: Body<'appointmentWayIn'>,
): Promise<Answer<'appointmentWayIn'>> {
  let address = '';
  await changing(glen, at, async (one) => {
    const { email } = guestIn(one, guestId);
    const [first] = await whatTheyHave(glen, one, email);
    if (!first) throw wrongField('guestId', 'They have no appointment yet.');
    const by = at.who.person!.id;
    address = await addressToPassOn(glen, { linkId: first.part.linkId, by, email });
  });
  return { address };
}
