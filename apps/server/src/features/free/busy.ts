import { addDays, taughtAt, type SchoolCalendar, type TimeWindow } from '@glen/core';
import { grouped } from '../../db/grouped.js';
import type { Glen } from '../../glen.js';
import type { LinkPersonRow } from '../../db/models/LinkPerson.js';
import { slotsOfDate, stands } from '../slot/reseat.js';
import { signUpsFrom } from '../slot/signUpStore.js';
import { waysOfSeries } from '../slot/waysStore.js';
import { dropInLinks, heldOn, meantAt, placesInTimetable } from './busyStore.js';

type Held = Awaited<ReturnType<typeof heldOn>>[number];

interface Dates {
  from: string;
  to: string;
}

/** What people are at, from which it is told when they are busy. */
interface Planned {
  held: Map<number, Held[]>;
  dropIn: Set<number>;
  inSlots: Set<number>;
}

const isMember = ({ as_what: as }: LinkPersonRow): boolean =>
  as === 'member' || as === 'joining-member';

const isAt = (meant: LinkPersonRow, date: Held): boolean =>
  (meant.series_id === 0 || meant.series_id === date.series_id) &&
  (meant.key_date === '' || meant.key_date === date.key_date);

/** The sessions that hold somebody at a link: those whom it is for are not held by drop-in hours, and by slots only while theirs is. */
const sessionsAt = (meant: LinkPersonRow, { held, dropIn, inSlots }: Planned): Held[] =>
  (held.get(meant.link_id) ?? []).filter((date) => {
    if (!isAt(meant, date)) return false;
    return !isMember(meant) || !(dropIn.has(meant.link_id) || inSlots.has(date.series_id));
  });

type Busy = Map<number, TimeWindow[]>;

function note(busy: Busy, personId: number, spans: TimeWindow[]): void {
  busy.set(personId, [...(busy.get(personId) ?? []), ...spans]);
}

async function noteSessions(glen: Glen, busy: Busy, dates: Dates): Promise<void> {
  const meant = await meantAt(glen.db, [...busy.keys()]);
  const linkIds = [...new Set(meant.map((row) => row.link_id))];
  const [all, dropIn] = await Promise.all([
    heldOn(glen.db, linkIds, dates),
    dropInLinks(glen.db, linkIds),
  ]);
  const ways = await waysOfSeries(glen.db, [...new Set(all.map((date) => date.series_id))]);
  const planned: Planned = {
    held: grouped(all, (date) => date.link_id),
    dropIn,
    inSlots: new Set(ways.keys()),
  };
  for (const row of meant) {
    const spans = sessionsAt(row, planned).map((date) => ({
      start: date.start_at,
      end: date.end_at,
    }));
    note(busy, row.person_id, spans);
  }
  const signUps = await signUpsFrom(glen.db, [...ways.keys()], dates.from);
  const dateOf = new Map(all.map((date) => [`${date.series_id} ${date.key_date}`, date]));
  for (const one of signUps.filter(stands)) {
    const date = dateOf.get(`${one.series_id} ${one.key_date}`);
    if (one.nth === null || !date || !busy.has(one.person_id)) continue;
    note(
      busy,
      one.person_id,
      slotsOfDate(date, ways.get(one.series_id)!).slice(one.nth, one.nth + 1),
    );
  }
}

/** When class periods are taught holds those who teach them and those on their rolls, whether or not a session is planned. */
async function noteBells(
  glen: Glen,
  busy: Busy,
  { calendar, dates }: { calendar: SchoolCalendar; dates: Dates },
): Promise<void> {
  const places = await placesInTimetable(glen.db, [...busy.keys()]);
  for (const [personId, own] of grouped(places, (place) => place.personId)) {
    const labels = own.map((place) => place.period);
    note(busy, personId, taughtAt(calendar, labels, dates));
  }
}

/** When some people are busy between two local dates, with a day on either side for what runs past midnight: instants, in no order, overlapping or not. */
export async function busyTimes(
  glen: Glen,
  personIds: number[],
  asked: { calendar: SchoolCalendar; dates: Dates; bells: boolean },
): Promise<Busy> {
  const { calendar, bells } = asked;
  const dates = { from: addDays(asked.dates.from, -1), to: addDays(asked.dates.to, 1) };
  const busy: Busy = new Map(personIds.map((id) => [id, []]));
  await noteSessions(glen, busy, dates);
  if (bells) await noteBells(glen, busy, { calendar, dates });
  return busy;
}
