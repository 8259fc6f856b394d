import { classTitle, plusMinutes, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { PollTimeRow } from '../../db/models/PollTime.js';
import type { Glen } from '../../glen.js';
import { personById } from '../accounts/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { KEPT_DAYS } from './keeping.js';
import { pollsFor, type Poll } from './pollStore.js';

type Item = Answer<'polls'>['polls'][number];

/** A time by the school's clock. */
export function offeredAt(time: PollTimeRow, minutes: number, zone: string) {
  const { date, time: begins } = wallClockAt(time.start_at, zone);
  const { time: until } = wallClockAt(plusMinutes(time.start_at, minutes), zone);
  return { id: time.id, start: time.start_at, date, time: begins, until };
}

export function closesAt({ poll }: Poll, zone: string): Item['closes'] {
  const { date, time } = wallClockAt(poll.closes_at, zone);
  return { date, time };
}

async function itemOf(glen: Glen, one: Poll, zone: string): Promise<Item> {
  const { poll, times, guests, choices } = one;
  const { id, version, title, minutes, state, class_id: classId } = poll;
  const of = (await classById(glen.db, classId, poll.made_by))!;
  return {
    ...{ id, version, classId, title, minutes, state },
    classTitle: classTitle(of),
    closes: closesAt(one, zone),
    seriesId: poll.series_id,
    times: times.map((time) => ({
      ...offeredAt(time, minutes, zone),
      chosen: choices.filter((choice) => choice.timeId === time.id).length,
      isSettled: poll.time_id === time.id,
    })),
    guests: guests.map((guest) => ({
      id: guest.id,
      email: guest.email,
      name: guest.name,
      answered: guest.answered_at !== null,
    })),
  };
}

/** What somebody has offered lately, and what was said. */
export async function describePolls(glen: Glen, personId: number): Promise<Answer<'polls'>> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const since = glen.clock.school(-KEPT_DAYS * 86400);
  const polls = await pollsFor(glen.db, { personId, since });
  return { polls: await Promise.all(polls.map((one) => itemOf(glen, one, zone))) };
}

/** The name of whoever offers the times. */
export const hostOf = async (glen: Glen, { poll }: Poll): Promise<string> =>
  (await personById(glen.db, poll.made_by))?.name ?? '';
