import {
  addDays,
  dayWindows,
  findFreeTimes,
  joinedBusy,
  minuteOfDay,
  spreadTimes,
  wallClockAt,
  type FreeTime,
  type SchoolCalendar,
  type TimeWindow,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { readSchool } from '../school/store.js';
import { busyTimes } from './busy.js';
import { namesOf } from './busyStore.js';
import { mayAskAbout } from './mayAskAbout.js';

type Asked = Body<'freeTimes'>;
type Answered = Answer<'freeTimes'>;

const LONGEST_DAYS = 130;
/** So many are found before those that overlap are left out. */
const MOST_FOUND = 5000;
const MOST_SHOWN = 20;
const PER_DAY = 3;
const MISSES_SHOWN = 5;

function checkAsked({ must, may, from, to, hours }: Asked): void {
  if (must.length + may.length === 0) throw wrongField('must', 'Say who is to come.');
  if (from > to) throw wrongField('to', 'It ends before it begins.');
  if (addDays(from, LONGEST_DAYS) < to)
    throw wrongField('to', `Look through ${LONGEST_DAYS} days at most.`);
  if (minuteOfDay(hours.to, 'to') <= minuteOfDay(hours.from, 'from'))
    throw wrongField('hours.to', 'It ends before it begins.');
}

/** Everybody who is asked about, each once; whoever must come comes first. */
const everybody = ({ must, may }: Asked): number[] => [...new Set([...must, ...may])];

function shownAt(time: FreeTime, calendar: SchoolCalendar): Answered['times'][number] {
  const at = wallClockAt(time.start, calendar.zone);
  return {
    ...time,
    date: at.date,
    time: at.time,
    until: wallClockAt(time.end, calendar.zone).time,
    missing: time.missing.map(Number),
  };
}

/** The times, and where there are none the nearest misses: those at which fewest of all are in the way. */
function found(
  { must, may, minutes }: Asked,
  {
    busy,
    within,
    calendar,
  }: { busy: Map<number, TimeWindow[]>; within: TimeWindow[]; calendar: SchoolCalendar },
): Pick<Answered, 'times' | 'misses'> {
  const asked = {
    busy: Object.fromEntries(busy),
    within,
    minutes,
    most: MOST_FOUND,
  };
  const dayOf = (instant: string): string => wallClockAt(instant, calendar.zone).date;
  const spread = (times: FreeTime[], most: number): Answered['times'] =>
    spreadTimes(times, { dayOf, perDay: PER_DAY, most }).map((time) => shownAt(time, calendar));
  const times = spread(
    findFreeTimes({ ...asked, required: must.map(String), optional: may.map(String) }),
    MOST_SHOWN,
  );
  if (times.length > 0) return { times, misses: [] };
  const near = findFreeTimes({ ...asked, required: [], optional: must.map(String) });
  return { times, misses: spread(near, MISSES_SHOWN) };
}

/** Times at which people are free, told to a teacher: of the school's staff, and of students whom they teach; busy, never with what. */
export async function freeTimesFor(glen: Glen, by: number, asked: Asked): Promise<Answered> {
  checkAsked(asked);
  const ids = everybody(asked);
  const names = await namesOf(glen.db, ids);
  if (names.size < ids.length) throw wrongField('must', 'One of these people is not known.');
  await mayAskAbout(glen.db, by, ids);
  const { calendar } = await readSchool(glen.db);
  const busy = await busyTimes(glen, ids, { calendar, dates: asked, bells: asked.bells });
  const windows = dayWindows(calendar, asked, glen.clock.school());
  return {
    ...found(asked, { busy, within: windows, calendar }),
    people: ids.map((id) => ({
      id,
      name: names.get(id)!,
      must: asked.must.includes(id),
      busy: joinedBusy(busy.get(id)!),
    })),
    windows,
  };
}
