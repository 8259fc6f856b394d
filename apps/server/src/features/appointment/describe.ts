import { classTitle, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { clockOf, holderOf, nowOf, type Now } from '../signUp/sessions.js';
import { addressOf } from './guests.js';
import { appointmentsOf, partsOf, type Part } from './parts.js';
import { allEvenings, classesTaught, peopleByAddress, type Evening } from './store.js';

type Described = Answer<'appointmentEvening'>;
type Own = Answer<'ownAppointments'>;

/** When an evening is, by the school's clock. */
function whenOf({ evening }: Evening, zone: string) {
  const { date, time } = wallClockAt(evening.start_at, zone);
  return { date, time, until: wallClockAt(evening.end_at, zone).time };
}

/** Whoever planned it, the head and the office change it. */
export const mayChange = ({ evening }: Evening, who: Who): boolean =>
  evening.made_by === who.person!.id || isOffice(who);

/** The parts of an evening that somebody may read: all of it who may change it, else their own. */
const readBy = (one: Evening, parts: Part[], who: Who): Part[] =>
  mayChange(one, who) ? parts : parts.filter(({ hostIds }) => hostIds.includes(who.person!.id));

const slotsIn = ({ cut }: Part): number => cut?.slots.length ?? 0;
const takenIn = ({ cut }: Part): number =>
  cut?.slots.filter((_, nth) => holderOf(cut, nth) !== undefined).length ?? 0;
const sumOf = (parts: Part[], count: (part: Part) => number): number =>
  parts.reduce((sum, part) => sum + count(part), 0);

/** As which class periods somebody can see guests: their own; with the office, those of everybody who teaches. */
export async function teachersFor(
  glen: Glen,
  who: Who,
): Promise<Answer<'appointments'>['teachers']> {
  const all = await classesTaught(glen.db, isOffice(who) ? null : who.person!.id);
  const teachers = new Map<number, Answer<'appointments'>['teachers'][number]>();
  for (const { person, classPeriod } of all) {
    const { id: personId, name } = person!;
    const known = teachers.get(personId) ?? { personId, name, classes: [] };
    known.classes.push({ id: classPeriod!.id, title: classTitle(classPeriod!) });
    teachers.set(personId, known);
  }
  return [...teachers.values()];
}

/** The evenings that somebody planned or takes part in, and whom they can plan one for. */
export async function describeAll(glen: Glen, who: Who): Promise<Answer<'appointments'>> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const evenings: Answer<'appointments'>['evenings'] = [];
  for (const one of await allEvenings(glen.db)) {
    const { id, title, state } = one.evening;
    const all = await partsOf(glen, one.seriesIds);
    const parts = readBy(one, all, who);
    if (parts.length === 0 && !mayChange(one, who)) continue;
    evenings.push({
      ...{ id, title, state, ...whenOf(one, zone) },
      hosts: all.length,
      guests: one.guests.length,
      slots: sumOf(parts, slotsIn),
      taken: sumOf(parts, takenIn),
    });
  }
  return { evenings, teachers: await teachersFor(glen, who) };
}

const hostOf = (
  part: Part,
  { zone, personId, day }: { zone: string; personId: number; day: string },
): Described['hosts'][number] => {
  const { seriesId, classId, linkId, name, off, cut } = part;
  return {
    ...{ seriesId, classId, linkId, name, off, classTitle: part.classTitle },
    isMine: part.hostIds.includes(personId),
    date: cut?.date.local_date ?? day,
    slots: (cut?.slots ?? []).map((slot, nth) => {
      const holder = holderOf(cut!, nth);
      const who = holder?.person!.name ?? null;
      return { nth, ...clockOf(slot, zone), who, about: holder?.about ?? '' };
    }),
  };
};

/** Who sees whom when. */
export async function describeEvening(glen: Glen, one: Evening, who: Who): Promise<Described> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const all = await partsOf(glen, one.seriesIds);
  const parts = readBy(one, all, who);
  const isTheirs = mayChange(one, who);
  if (parts.length === 0 && !isTheirs) throw notFound('This evening');
  const people = await peopleByAddress(
    glen.db,
    one.guests.map((guest) => guest.email),
  );
  const { id, version, title, state } = one.evening;
  const when = whenOf(one, zone);
  return {
    ...{ id, version, title, state, ...when },
    mayChange: isTheirs,
    mails: glen.mail !== null,
    hosts: parts.map((part) => hostOf(part, { zone, personId: who.person!.id, day: when.date })),
    guests: (isTheirs ? one.guests : []).map((guest) => ({
      ...{ id: guest.id, email: guest.email, name: guest.name },
      address: addressOf(glen, guest),
      appointments: appointmentsOf(all, people.get(guest.email)).map(({ part, slot, signUp }) => ({
        time: clockOf(slot, zone).time,
        host: part.name,
        about: signUp.about,
      })),
    })),
  };
}

function guestSlots(
  { cut }: Part,
  { personId, at }: { personId: number | undefined; at: Now },
): Own['hosts'][number]['slots'] {
  return (cut?.slots ?? []).map((slot, nth) => {
    const holder = holderOf(cut!, nth);
    const taken = holder?.person_id === personId ? 'mine' : 'taken';
    const free = slot.start <= at.now ? 'over' : 'free';
    return {
      ...{ nth, ...clockOf(slot, at.zone), start: slot.start, ends: slot.end },
      state: holder ? taken : free,
    };
  });
}

/** An evening as one of its guests sees it. */
export async function describeOwn(
  glen: Glen,
  one: Evening,
  guest: AppointmentGuestRow,
): Promise<Own> {
  const at = await nowOf(glen);
  const [{ name: school }, parts, people] = await Promise.all([
    readSchool(glen.db),
    partsOf(glen, one.seriesIds),
    peopleByAddress(glen.db, [guest.email]),
  ]);
  const personId = people.get(guest.email);
  const { title, state } = one.evening;
  const when = whenOf(one, at.zone);
  return {
    ...{ school, title, state, zone: at.zone, ...when },
    ...{ email: guest.email, name: guest.name, version: guest.version },
    mails: glen.mail !== null,
    hosts: parts.map((part) => ({
      ...{ seriesId: part.seriesId, name: part.name, classTitle: part.classTitle },
      ...{ pennant: part.pennant, off: part.off, date: part.cut?.date.local_date ?? when.date },
      slots: guestSlots(part, { personId, at }),
    })),
    mine: appointmentsOf(parts, personId).map(({ signUp, part, nth, slot }) => ({
      ...{ id: signUp.id, seriesId: part.seriesId, host: part.name, nth, about: signUp.about },
      ...{ date: part.cut!.date.local_date, ...clockOf(slot, at.zone) },
      ...{ start: slot.start, ends: slot.end },
      door: linkAddress(glen, part.code),
    })),
  };
}
