import {
  classTitle,
  dateOf,
  dayNumber,
  mondayOf,
  wallClockAt,
  weekInWords,
  weekdayIndex,
  type WeekOfClass,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { Ticker } from '../../operating/ticker.js';
import { tellEach, type Telling } from '../mail/tellEach.js';
import { readSchool } from '../school/store.js';
import { countMany } from './counted.js';
import { readableBy } from './readable.js';
import { classesByIds } from './store.js';
import { readWays } from './waysStore.js';
import { countsOf, isOpenStill, pagesOf, settledCounts, toBeMeasured, weekOf } from './week.js';
import { weekDates, type Days, type OfWhom, type WeekDateRow } from './weekStore.js';
import { isWeekNoted, noteWeek, staffAfter } from './weekWordStore.js';

/** From when on people are told on the school's day, and until when it is worth it; by the school's wall clock. */
const HOURS = { from: '16:00', until: '21:00' };
const EVERY_MS = 60_000;
const AT_ONCE = 50;

type Session = WeekOfClass['sessions'][number];

interface Staff {
  id: number;
  isHead: boolean;
}

/** How a session that is over is told of. */
function told(row: WeekDateRow, counts: ReturnType<typeof countsOf>): Session {
  const { present, partly, excused, absent } = counts;
  const wasHeld = row.sitting.opened_at !== null || row.held;
  return {
    date: row.local_date,
    time: row.local_time,
    came: wasHeld ? present + partly : null,
    of: present + partly + excused + absent,
    isSettled: row.settled_at !== null,
  };
}

/** The sessions of some days that are over, by class period. */
async function overIn(glen: Glen, days: Days, of: OfWhom, id: number): Promise<WeekOfClass[]> {
  const now = glen.clock.school();
  const over = (await weekDates(glen.db, days, of)).filter((row) => row.end_at <= now);
  const rows = await readableBy(glen.db, over, id);
  const open = await countMany(
    glen.db,
    rows.filter((row) => isOpenStill(row, now)).map(toBeMeasured),
    now,
  );
  const classes = await classesByIds(glen.db, [...new Set(rows.map((row) => row.class_id))]);
  const countsAt = (row: WeekDateRow) => {
    const measured = open.get(row.id);
    return measured ? countsOf(measured) : settledCounts(row);
  };
  return classes.map((one) => ({
    title: classTitle(one),
    sessions: rows.filter((row) => row.class_id === one.id).map((row) => told(row, countsAt(row))),
  }));
}

/** What somebody is told of in a week: a head of the whole school. */
async function weekOfClasses(
  glen: Glen,
  week: string,
  { id, isHead }: Staff,
): Promise<WeekOfClass[]> {
  const days = await weekOf(glen, week);
  const of = { hostId: isHead ? null : id };
  const all: WeekOfClass[] = [];
  for await (const classIds of pagesOf(glen.db, of))
    all.push(...(await overIn(glen, days, { ...of, classIds }, id)));
  return all;
}

/** What one of the staff is told of a week; nothing of a week without sessions. */
async function tellingOf(glen: Glen, week: string, staff: Staff): Promise<Telling[]> {
  const { id } = staff;
  const words = weekInWords(await weekOfClasses(glen, week, staff));
  if (!words) return [];
  const letter = {
    ...words,
    link: {
      words: 'Open the week',
      address: `${glen.config.publicUrl}/registers?week=${week}`,
    },
    why: 'You get this because the school tells its staff each week who came.',
  };
  return [{ personId: id, once: `week:${week}:${id}`, letter }];
}

/** Tells some of the staff of a week, and has the next be told. May be cut off anywhere: nobody is told twice. */
export async function tellWeek(glen: Glen, subject: string): Promise<void> {
  const [week, after] = subject.split(':') as [string, string];
  const staff = await staffAfter(glen.db, Number(after), AT_ONCE);
  const tellings: Telling[] = [];
  for (const one of staff) tellings.push(...(await tellingOf(glen, week, one)));
  await glen.db.transaction(async () => {
    await tellEach(glen, 'weeks', tellings);
    const last = staff.at(-1);
    if (last && staff.length === AT_ONCE)
      await glen.enqueue({ kind: 'week', subject: `${week}:${last.id}` });
  });
  glen.nudge();
}

/** Has the staff be told of the week once the school's day for it has come, whichever process sees it first. */
export async function beginWeek(glen: Glen): Promise<void> {
  const { returnDay } = await readWays(glen.db);
  const { zone } = (await readSchool(glen.db)).calendar;
  const { date, time } = wallClockAt(glen.clock.school(), zone);
  const day = dayNumber(date, 'date');
  if (returnDay === null || weekdayIndex(day) !== returnDay - 1) return;
  if (time < HOURS.from || time >= HOURS.until) return;
  const week = dateOf(mondayOf(day));
  if (await isWeekNoted(glen.db, week)) return;
  await glen.db.transaction(async () => {
    if (await noteWeek(glen.db, week)) await glen.enqueue({ kind: 'week', subject: `${week}:0` });
  });
  glen.nudge();
}

export const weeks = (glen: Glen): Ticker =>
  new Ticker(glen, EVERY_MS, () => beginWeek(glen), 'nobody can be told of the week now');
