import { openedOver, plusMinutes, wallClockAt } from '@glen/core';
import { OVER_ANOTHER } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import type { DoorFacts } from '../door/facts.js';
import { ON_THE_SPOT_MINUTES } from '../plan/occurrenceRows.js';
import { sessionsFor } from '../plan/sessions.js';
import { readSchool } from '../school/store.js';

/** Whether a door is opened apart from its own time, so that whoever opens it may not think of what else is on. */
const isApart = ({ at, now }: DoorFacts): boolean =>
  at === null || (now < at.opens && !at.occurrence.opened_at);

/** Throws 409 where another session of whoever opens a door apart from its time is on meanwhile. */
export async function mustBeFree(glen: Glen, facts: DoorFacts, personId: number): Promise<void> {
  if (!isApart(facts)) return;
  const { at, now } = facts;
  const { calendar } = await readSchool(glen.db);
  const { date } = wallClockAt(now, calendar.zone);
  const sessions = await sessionsFor(glen, date, date, personId);
  const end = at?.occurrence.end_at ?? plusMinutes(now, ON_THE_SPOT_MINUTES);
  const other = openedOver({ id: at?.occurrence.occurrence_id ?? null, start: now, end }, sessions);
  if (!other) return;
  const [from, to] = [other.start, other.end].map((at) => wallClockAt(at, calendar.zone).time);
  throw new HttpProblem(409, `${other.title} is from ${from} to ${to}, at the same time.`, {
    type: OVER_ANOTHER,
  });
}
