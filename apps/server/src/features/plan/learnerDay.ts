import {
  addDays,
  classTitle,
  dayInfo,
  doorFor,
  isOfDay,
  placeWallTime,
  wallClockAt,
  type EntryRules,
} from '@glen/core';
import type { Answer, OwnDoor } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { rulesOfLinks, rulesOfSession } from '../entry/layers.js';
import { joinedOf } from '../link/joined.sql.js';
import { classesOfLearner } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { ownSlotsIn } from '../slot/whose.js';
import { doorStateOf, heldElsewhere } from './sessions.js';
import { sessionsOfLearner, type LearnerRow } from './sessions.sql.js';
import { wasOf } from './store.js';

/** How many days ahead the next door is looked for. */
const AHEAD_DAYS = 14;
/** Further than a school year nothing is planned. */
const LATER_DAYS = 366;

/** `slots`: of sessions that are cut into slots, when theirs begins. */
const doorOf = (
  row: LearnerRow,
  rules: EntryRules,
  slots: Map<number, string | null>,
): OwnDoor => ({
  id: row.id,
  code: row.watch_code ?? row.link_code,
  watches: row.watch_code !== null,
  title: row.title,
  classTitle: classTitle({ title: row.class_title, period: row.period }),
  pennant: row.pennant,
  host: row.host_name ?? '',
  description: row.description,
  date: row.local_date,
  time: row.local_time,
  minutes: row.minutes,
  start: row.start_at,
  end: row.end_at,
  ...doorFor({ start: row.start_at, end: row.end_at }, rules),
  status: row.status,
  why: row.why,
  was: wasOf(row),
  door: doorStateOf(row),
  inSlots: slots.has(row.id) && row.watch_code === null,
  slot: slots.get(row.id) ?? null,
});

/** Somebody's doors on local dates `from ≤ date ≤ to`, in order; those that are held at another's door stand there alone. */
async function doorsBetween(
  glen: Glen,
  { from, to }: { from: string; to: string },
  personId: number,
): Promise<OwnDoor[]> {
  const all = await sessionsOfLearner(glen.db, from, to, personId);
  const [shared, rules] = await Promise.all([
    joinedOf(glen.db, [...new Set(all.map((row) => row.class_id))], glen.clock.school(-7 * 86400)),
    rulesOfLinks(
      glen.db,
      all.map((row) => row.link_id),
    ),
  ]);
  // What one's class period holds at another's door stands there, and only there.
  const rows = all.filter((row) => heldElsewhere(row, shared) === undefined);
  const slots = await ownSlotsIn(glen, rows, personId);
  return rows.map((row) => doorOf(row, rulesOfSession(rules.get(row.link_id)!, row), slots));
}

/** The doors of one's own day in order, what changed among them, and the next one after today. */
export async function learnerDay(
  glen: Glen,
  personId: number,
  now = glen.clock.school(),
): Promise<Answer<'myDay'>> {
  const { calendar } = await readSchool(glen.db);
  const { date } = wallClockAt(now, calendar.zone);
  const midnight = placeWallTime(date, '00:00', 0, calendar.zone).start;
  const [near, classes] = await Promise.all([
    doorsBetween(glen, { from: addDays(date, -1), to: addDays(date, AHEAD_DAYS) }, personId),
    classesOfLearner(glen.db, personId),
  ]);
  const ahead = (d: OwnDoor): boolean => d.date > date && d.status !== 'cancelled';
  // Whoever has nothing soon, as a guest of an evening, is told what comes later.
  const later = near.some(ahead)
    ? []
    : await doorsBetween(
        glen,
        { from: addDays(date, AHEAD_DAYS + 1), to: addDays(date, LATER_DAYS) },
        personId,
      );
  return {
    date,
    day: dayInfo(calendar, date),
    doors: near.filter((d) => isOfDay(d, { date, midnight })),
    next: [...near, ...later].find(ahead) ?? null,
    classes: classes.map((c) => ({
      id: c.id,
      title: classTitle(c),
      pennant: c.pennant,
      host: c.host_name ?? '',
      code: c.code,
    })),
  };
}
