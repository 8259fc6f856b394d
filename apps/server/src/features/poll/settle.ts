import {
  dateInWords,
  meet,
  plusMinutes,
  settlePoll,
  wallClockAt,
  type SchoolCalendar,
} from '@glen/core';
import type { PollGuestRow } from '../../db/models/PollGuest.js';
import type { PollTimeRow } from '../../db/models/PollTime.js';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { inviteGuests } from '../audience/guestStore.js';
import { busyTimes } from '../free/busy.js';
import { writeToGuest } from '../guest/address.js';
import { addSession } from '../plan/addSession.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { tellOnce } from '../school/tell.js';
import { offeredAt } from './describe.js';
import { forgottenAt } from './keeping.js';
import { tellSettled } from './letters.js';
import { dropPoll, heldPoll, settleAs, type Poll } from './pollStore.js';

/** Whether whoever offers a time, and all of the school whom it is for, are free then still. */
async function freeAt(
  glen: Glen,
  { poll, times, personIds }: Poll,
  calendar: SchoolCalendar,
): Promise<(time: PollTimeRow) => boolean> {
  const dateOf = (time: PollTimeRow): string => wallClockAt(time.start_at, calendar.zone).date;
  const dates = { from: dateOf(times[0]!), to: dateOf(times.at(-1)!) };
  const who = [poll.made_by, ...personIds];
  const busy = [...(await busyTimes(glen, who, { calendar, dates, bells: false })).values()].flat();
  return ({ start_at: start }) => {
    const wanted = { start, end: plusMinutes(start, poll.minutes) };
    return !busy.some((span) => meet(wanted, span));
  };
}

const suitsAt = ({ choices }: Poll, guest: PollGuestRow, timeId: number): boolean =>
  choices.some((choice) => choice.guestId === guest.id && choice.timeId === timeId);

/** The session at the time it was settled for, on a fresh link for those whom it is for; guests come by an address of their own. */
async function book(glen: Glen, one: Poll, time: PollTimeRow): Promise<number> {
  const { poll, guests, personIds } = one;
  const { calendar } = await readSchool(glen.db);
  const at = offeredAt(time, poll.minutes, calendar.zone);
  const { session } = await addSession(glen, poll.class_id, poll.made_by, {
    title: poll.title,
    description: '',
    draft: false,
    undated: false,
    plan: { first: at.date, at: { time: at.time, minutes: poll.minutes }, closures: 'keep' },
    freshLink: true,
    freshFor: personIds,
  });
  const coming = guests.filter((guest) => suitsAt(one, guest, time.id));
  await inviteGuests(
    glen.db,
    session.linkId,
    { seriesId: session.seriesId, key: session.key },
    coming.map(({ email, name }) => ({ email, name, comes: 'inside' as const })),
  );
  const link = { linkId: session.linkId, by: poll.made_by };
  if (glen.mail) for (const { email } of coming) await writeToGuest(glen, { ...link, email });
  return session.seriesId;
}

/** Whether whoever offers the times hosts the class period still, and it is not put away: else nothing is scheduled there. */
async function mayBook(glen: Glen, { poll }: Poll): Promise<boolean> {
  const of = await classById(glen.db, poll.class_id, poll.made_by);
  return of !== undefined && hostsAs(of.as_what) && of.put_away_at === null;
}

/** How it was settled, for whoever offered it. */
function inWords(one: Poll, when: string | null, time: PollTimeRow | undefined): string {
  const answered = one.guests.filter((guest) => guest.answered_at !== null).length;
  if (!time) return `No time has come about: ${answered} of ${one.guests.length} have answered.`;
  const coming = one.guests.filter((guest) => suitsAt(one, guest, time.id)).length;
  return `Scheduled for ${when}: it suits ${coming} of ${one.guests.length}.`;
}

async function settle(glen: Glen, one: Poll): Promise<void> {
  const { poll, times, guests, choices } = one;
  const { calendar } = await readSchool(glen.db);
  const [isFree, isHosted] = await Promise.all([freeAt(glen, one, calendar), mayBook(glen, one)]);
  const timeId = settlePoll(
    times.map((time) => ({
      id: time.id,
      start: time.start_at,
      chosen: choices.filter((choice) => choice.timeId === time.id).length,
      isFree: isHosted && isFree(time),
    })),
    glen.clock.school(),
  );
  const time = times.find(({ id }) => id === timeId);
  const become = time
    ? { state: 'booked' as const, series_id: await book(glen, one, time), time_id: time.id }
    : { state: 'nobody' as const };
  await settleAs(glen.db, poll.id, become);
  Object.assign(poll, become);
  const { id, class_id: classId, title } = poll;
  const after = { title, state: poll.state };
  await glen.audit({ by: null, action: 'settle-times', subject: `class:${classId}`, after });
  const others = time ? guests.filter((guest) => !suitsAt(one, guest, time.id)) : guests;
  if (glen.mail) await tellSettled(glen, one, others);
  const at = time && offeredAt(time, poll.minutes, calendar.zone);
  const when = at ? `${dateInWords(at.date)}, ${at.time}` : null;
  await tellOnce(glen, poll.made_by, { title, text: inWords(one, when, time) });
  await glen.enqueue({ kind: 'poll', subject: String(id), dueSchool: forgottenAt(poll) });
}

/** Settles offered times once all have answered or they close; some days after that who was asked is forgotten. Repeating it does no harm. */
export async function lookAfterPoll(glen: Glen, id: number): Promise<void> {
  await glen.db.transaction(async () => {
    const one = await heldPoll(glen.db, id);
    if (!one) return;
    const now = glen.clock.school();
    const { poll, guests } = one;
    const isOpen = poll.state === 'open';
    const isDone = poll.closes_at <= now || guests.every((guest) => guest.answered_at !== null);
    if (isOpen && isDone) return settle(glen, one);
    const next = isOpen ? poll.closes_at : forgottenAt(poll);
    if (next <= now) return dropPoll(glen.db, id);
    return glen.enqueue({ kind: 'poll', subject: String(id), dueSchool: next, sooner: true });
  });
  glen.nudge();
}
