import {
  classTitle,
  cutSession,
  dateInWords,
  nextSlotMoment,
  plusMinutes,
  seatSignUps,
  wallClockAt,
  type SlotWays,
  type TimeWindow,
} from '@glen/core';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import { peopleOfLink } from '../audience/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { tellOnce } from '../school/tell.js';
import {
  changeSignUp,
  classOfSeries,
  datesFrom,
  dropSignUps,
  noteKnown,
  signUpsFrom,
} from './signUpStore.js';
import { cameSoFar, membersOf } from './missedStore.js';
import { invitedTo } from './invitedStore.js';
import { heldWays } from './waysStore.js';

/** The slots of a session, in order; none of one that is not held. */
export const slotsOfDate = (
  { start_at: start, end_at: end, status }: Pick<OccurrenceRow, 'start_at' | 'end_at' | 'status'>,
  ways: SlotWays,
): TimeWindow[] =>
  status === 'planned' || status === 'moved' ? cutSession({ start, end }, ways) : [];

/** Who has a slot or waits for one; whoever did not come to theirs does neither. */
export const stands = ({ missed_nth: missed }: Pick<SignUpRow, 'missed_nth'>): boolean =>
  missed === null;

/** Slots from this one on can still be had: those that have not begun, and the one that is offered on. */
function firstToHave(slots: TimeWindow[], signUps: SignUpRow[], now: string): number {
  const missed = new Set(signUps.flatMap((one) => one.missed_nth ?? []));
  const first = slots.findIndex(
    ({ start, end }, nth) => start > now || (missed.has(nth) && end > now),
  );
  return first === -1 ? slots.length : first;
}

/** Writes down who has which slot now; those who lose theirs first, so that none is had twice. */
async function writeSeats(
  glen: Glen,
  signUps: SignUpRow[],
  seats: Map<number, number | null>,
): Promise<void> {
  const changed = signUps.filter((one) => stands(one) && seats.get(one.id) !== one.nth);
  const freedFirst = [...changed].sort((a, b) => Number(b.nth !== null) - Number(a.nth !== null));
  for (const one of freedFirst) {
    const change = { nth: seats.get(one.id)!, since: glen.clock.school() };
    await changeSignUp(glen.db, one.id, change);
    Object.assign(one, change);
  }
}

/** What the sessions are called, and the zone of their times. */
interface Called {
  title: string;
  zone: string;
}

async function calledOf(glen: Glen, classId: number): Promise<Called> {
  const { zone } = (await readSchool(glen.db)).calendar;
  return { title: classTitle((await classById(glen.db, classId, 0))!), zone };
}

/** What somebody reads whose slot is another than they knew, or none any more. */
function newsOf(start: string | null, knew: string | null, isHeld: boolean, zone: string): string {
  const when = (instant: string): string => {
    const { date, time } = wallClockAt(instant, zone);
    return `${dateInWords(date)}, ${time}`;
  };
  if (start !== null)
    return knew === null
      ? `A slot is yours: ${when(start)}.`
      : `Your slot has moved: ${when(start)}, not ${when(knew)}.`;
  return isHeld
    ? `Your slot on ${when(knew!)} is there no more. You go before all who wait for another.`
    : `Your slot on ${when(knew!)} is off: the session is not held.`;
}

/** Tells those whose slot is another than they know. */
async function tellChanges(
  glen: Glen,
  { slots, signUps, called }: { slots: TimeWindow[]; signUps: SignUpRow[]; called: Called },
): Promise<void> {
  for (const one of signUps.filter(stands)) {
    const start = one.nth === null ? null : (slots[one.nth]?.start ?? null);
    const knew = one.known_begin;
    if (start === knew) continue;
    await noteKnown(glen.db, one.id, start);
    const text = newsOf(start, knew, slots.length > 0, called.zone);
    await tellOnce(glen, one.person_id, { title: called.title, text });
  }
}

/** A session that is cut, and who has signed up for it. */
interface OfDate {
  ways: SlotWays;
  slots: TimeWindow[];
  signUps: SignUpRow[];
}

/** Whether a slot is to be offered on at an instant unless somebody has come: some minutes after it began, the door opened, and they got it. */
function isOfferedOn(
  { start, end }: TimeWindow,
  { opened, since, now }: { opened: string; since: string; now: string },
  { missedAfter }: SlotWays,
): boolean {
  const begun = [start, opened, since].reduce((a, b) => (a > b ? a : b));
  return missedAfter > 0 && plusMinutes(begun, missedAfter) <= now && now < end;
}

/** Whoever has not come to their slot in time has it no longer. */
async function freeMissed(
  glen: Glen,
  date: OccurrenceRow,
  { ways, slots, signUps }: OfDate,
): Promise<void> {
  const came = await cameSoFar(glen.db, date.id);
  if (!came) return;
  const now = glen.clock.school();
  const late = signUps.filter(({ nth, since }) => {
    const slot = nth === null ? undefined : slots[nth];
    return slot !== undefined && isOfferedOn(slot, { opened: came.opened, since, now }, ways);
  });
  const groups = await membersOf(
    glen.db,
    late.flatMap((one) => one.group_id ?? []),
  );
  for (const one of late) {
    const people = [one.person_id, ...(groups.get(one.group_id ?? 0) ?? [])];
    if (people.some((id) => came.people.has(id))) continue;
    const change = { nth: null, missed_nth: one.nth, known_begin: null };
    await changeSignUp(glen.db, one.id, change);
    Object.assign(one, change);
  }
}

/** Those of some sign-ups whose people the session is for still; whoever has left its roll has no slot any more. */
async function ofThoseMeant(
  glen: Glen,
  date: OccurrenceRow,
  signUps: SignUpRow[],
): Promise<SignUpRow[]> {
  const meant = await peopleOfLink(glen.db, date.link_id, date.id);
  const ids = new Set(meant.map(({ id }) => id));
  const others = signUps.map((one) => one.person_id).filter((id) => !ids.has(id));
  for (const id of await invitedTo(glen.db, date, others)) ids.add(id);
  const gone = signUps.filter((one) => !ids.has(one.person_id));
  await dropSignUps(
    glen.db,
    gone.map(({ id }) => id),
  );
  return signUps.filter((one) => ids.has(one.person_id));
}

/** One session: who has which of its slots, told to those for whom that is new. */
async function reseatDate(
  glen: Glen,
  date: OccurrenceRow,
  { ways, signUps, called }: Omit<OfDate, 'slots'> & { called: Called },
): Promise<void> {
  const slots = slotsOfDate(date, ways);
  await freeMissed(glen, date, { ways, slots, signUps });
  const isHeld = slots.length > 0 || date.status === 'planned' || date.status === 'moved';
  if (isHeld) {
    const first = firstToHave(slots, signUps, glen.clock.school());
    const standing = signUps.filter(stands).map(({ id, nth }) => ({ id, nth }));
    const seated = seatSignUps({ signUps: standing, count: slots.length, first });
    await writeSeats(glen, signUps, new Map(seated.map(({ id, nth }) => [id, nth])));
  }
  await tellChanges(glen, { slots, signUps, called });
}

const dayBefore = (instant: string): string =>
  new Date(Date.parse(instant) - 36 * 3600 * 1000).toISOString().slice(0, 10);

/** What came of looking at a series. */
interface Reseated {
  /** When to look again. */
  next: string | null;
  classId: number | null;
  /** Somebody has another slot than before, or none. */
  hasChanged: boolean;
}

/** Who stands where, to tell whether anything has changed. */
const standingsOf = (signUps: SignUpRow[]): string =>
  JSON.stringify(signUps.map(({ id, nth, missed_nth: missed }) => [id, nth, missed]));

/**
 * Looks at all sessions to come of a series: who has which slot, what is new to whom, and when to look again. Repeating it does
 * no harm; whatever changes the series, or who has signed up, wakes it.
 */
export async function reseatSeries(glen: Glen, seriesId: number): Promise<Reseated> {
  const ways = await heldWays(glen.db, seriesId);
  const now = glen.clock.school();
  const from = dayBefore(now);
  const signUps = await signUpsFrom(glen.db, [seriesId], from);
  const all = await datesFrom(glen.db, [seriesId], from);
  const dates = all.filter((date) => date.end_at > now);
  const classId = await classOfSeries(glen.db, seriesId);
  if (classId === null) return { next: null, classId, hasChanged: false };
  if (!ways) {
    await dropSignUps(
      glen.db,
      signUps.map(({ id }) => id),
    );
    return { next: null, classId, hasChanged: signUps.length > 0 };
  }
  const called = await calledOf(glen, classId);
  const before = standingsOf(signUps);
  let hasLeft = false;
  const isThere = new Set(all.map((date) => date.key_date));
  // Kept, so that they have it again should their date come back.
  const lost = signUps.filter((one) => !isThere.has(one.key_date));
  await tellChanges(glen, { slots: [], signUps: lost, called });
  for (const date of dates) {
    const own = signUps.filter((one) => one.key_date === date.key_date);
    if (own.length === 0) continue;
    const meant = await ofThoseMeant(glen, date, own);
    hasLeft ||= meant.length < own.length;
    await reseatDate(glen, date, { ways, signUps: meant, called });
  }
  const moments = [
    ...dates.flatMap((date) => nextSlotMoment(slotsOfDate(date, ways), ways, now) ?? []),
    // Whoever got their slot late is waited for as long.
    ...signUps.map((one) => plusMinutes(one.since, ways.missedAfter)).filter((at) => at > now),
  ];
  const next = moments.length === 0 ? null : moments.reduce((a, b) => (a < b ? a : b));
  return { next, classId, hasChanged: hasLeft || standingsOf(signUps) !== before };
}

/** Tells all who have a slot ahead in a series that it goes, before it is gone. */
export async function tellSlotsOff(glen: Glen, seriesId: number): Promise<void> {
  const classId = await classOfSeries(glen.db, seriesId);
  const signUps = await signUpsFrom(glen.db, [seriesId], dayBefore(glen.clock.school()));
  if (classId === null || signUps.length === 0) return;
  await tellChanges(glen, { slots: [], signUps, called: await calledOf(glen, classId) });
}
