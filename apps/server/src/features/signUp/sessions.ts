import {
  addDays,
  mayTakeSlot,
  mayWaitForSlot,
  noSlotInWords,
  wallClockAt,
  type TimeWindow,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import { readSchool } from '../school/store.js';
import { slotsOfDate, stands } from '../slot/reseat.js';
import { datesFrom, signUpsFrom } from '../slot/signUpStore.js';
import { waysOfSeries, type KeptWays } from '../slot/waysStore.js';

/** A session in slots that is not over, and who has signed up for it. */
export interface Cut {
  date: OccurrenceRow;
  ways: KeptWays;
  slots: TimeWindow[];
  signUps: SignUpRow[];
}

/** Now, as the school has it. */
export interface Now {
  now: string;
  today: string;
  zone: string;
}

export async function nowOf(glen: Glen): Promise<Now> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  return { now, today: wallClockAt(now, zone).date, zone };
}

/** A week before: a session that was moved is found by the day on which its pattern has it. */
const DAYS_BACK = 7;

/** The sessions of some series that are cut into slots and not over, in order. */
export async function cutSessions(glen: Glen, seriesIds: number[], at: Now): Promise<Cut[]> {
  const from = addDays(at.today, -DAYS_BACK);
  const [ways, dates, signUps] = await Promise.all([
    waysOfSeries(glen.db, seriesIds),
    datesFrom(glen.db, seriesIds, from),
    signUpsFrom(glen.db, seriesIds, from),
  ]);
  return dates.flatMap((date): Cut[] => {
    const own = ways.get(date.series_id);
    if (!own || date.end_at <= at.now) return [];
    const slots = slotsOfDate(date, own);
    if (slots.length === 0) return [];
    const here = signUps.filter(
      (one) => one.series_id === date.series_id && one.key_date === date.key_date,
    );
    return [{ date, ways: own, slots, signUps: here }];
  });
}

/** Who has a slot. */
export const holderOf = ({ signUps }: Cut, nth: number): SignUpRow | undefined =>
  signUps.find((one) => one.nth === nth);

/** Whoever had it did not come, so that it can be had until it ends. */
const isOfferedOn = ({ signUps }: Cut, nth: number): boolean =>
  signUps.some((one) => one.missed_nth === nth);

/** The days on which somebody has a slot of some sessions, without one that they would give. */
export const daysOf = (cut: Cut[], personId: number, without?: number): { date: string }[] =>
  cut.flatMap(({ date, signUps }) =>
    signUps
      .filter((one) => one.person_id === personId && one.nth !== null && one.id !== without)
      .map(() => ({ date: date.local_date })),
  );

/** Why a slot that is free cannot be had; null: it can. */
export function whyNot(cut: Cut, nth: number, at: Now, theirs: { date: string }[]): string | null {
  const slot = {
    ...cut.slots[nth]!,
    date: cut.date.local_date,
    isOfferedOn: isOfferedOn(cut, nth),
  };
  const why = mayTakeSlot(slot, { ...at, ways: cut.ways, theirs });
  return why && noSlotInWords(why, cut.ways);
}

/** Why nobody can wait for a slot of a session; null: they can. */
export function whyNotWait(cut: Cut, at: Now, theirs: { date: string }[]): string | null {
  const day = { date: cut.date.local_date, end: cut.date.end_at };
  const why = mayWaitForSlot(day, { ...at, ways: cut.ways, theirs });
  return why && noSlotInWords(why, cut.ways);
}

type Session = Answer<'signUps'>['sessions'][number];

/** When a slot is by the school's clock. */
export const clockOf = (slot: TimeWindow, zone: string) => {
  const { time } = wallClockAt(slot.start, zone);
  const { time: end } = wallClockAt(slot.end, zone);
  return { time, end };
};

const ownOf = (one: SignUpRow, personId: number): Session['mine'][number] => ({
  id: one.id,
  version: one.version,
  nth: one.nth ?? one.missed_nth,
  about: one.about,
  address: one.address ?? '',
  group: one.group?.name ?? null,
  missed: !stands(one),
  isOwn: one.person_id === personId,
});

function stateOf(
  cut: Cut,
  nth: number,
  { at, isMine }: { at: Now; isMine: (one: SignUpRow) => boolean },
): Session['slots'][number]['state'] {
  const holder = holderOf(cut, nth);
  if (holder && isMine(holder)) return 'mine';
  if (cut.slots[nth]!.end <= at.now) return 'over';
  return holder ? 'taken' : 'free';
}

/** A session as somebody sees it who may sign up; who has the others' slots is not told. */
export function shownTo(
  cut: Cut,
  {
    at,
    personId,
    isMine,
    theirs,
  }: { at: Now; personId: number; isMine: (one: SignUpRow) => boolean; theirs: { date: string }[] },
): Session {
  const { date } = cut;
  const slots = cut.slots.map((slot, nth) => {
    const state = stateOf(cut, nth, { at, isMine });
    const why = state === 'free' ? whyNot(cut, nth, at, theirs) : null;
    return { nth, ...clockOf(slot, at.zone), state, why };
  });
  const mine = cut.signUps.filter(isMine);
  const canHave = slots.some(({ state, why }) => state === 'free' && why === null);
  const waits = mine.some((one) => stands(one) && one.nth === null);
  return {
    seriesId: date.series_id,
    on: date.key_date,
    title: date.title,
    date: date.local_date,
    time: date.local_time,
    minutes: date.minutes,
    slots,
    waiting: cut.signUps.filter((one) => stands(one) && one.nth === null).length,
    mayWait: !canHave && !waits && whyNotWait(cut, at, theirs) === null,
    mine: mine.map((one) => ownOf(one, personId)),
  };
}
