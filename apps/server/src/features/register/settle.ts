import type { Answer } from '@glen/contract';
import { plusMinutes, type StandingRow } from '@glen/core';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { Ticker } from '../../operating/ticker.js';
import { countedRegister } from './counted.js';
import { personOfKey } from './measure.js';
import { tellMissed } from './missed.js';
import { describeRegister } from './register.js';
import { keepSettled, unsettle, type OfDate, type SettledRow } from './settledStore.js';
import { dateWithSitting, lockedDate, unsettledDates } from './store.js';

const EVERY_MS = 60_000;
/** How long a register waits for its host, and how long ago it may have been that one settles by itself. */
const HOURS = { waits: 24, back: 24 * 30 };
const AT_ONCE = 50;
const SECONDS_AN_HOUR = 3600;
const MINUTES_AN_HOUR = 60;

const isOnRoll = (row: StandingRow): boolean => row.status !== 'guest';

const asSettled = (row: StandingRow): Omit<SettledRow, 'name'> => ({
  personId: personOfKey(row.person)!,
  status: row.status as SettledRow['status'],
  stands: row.stands as SettledRow['stands'],
  late: row.late,
  leftEarly: row.leftEarly,
  minutes: row.minutes,
});

/**
 * Settles the register of a session that is over, in a transaction; whether nobody had.
 */
async function settleDate(glen: Glen, date: OccurrenceRow, by: number | null): Promise<boolean> {
  const { rows } = await countedRegister(glen, date);
  const onRoll = rows.filter(isOnRoll);
  const held = date.sitting?.opened_at != null || onRoll.some((row) => row.correction);
  const settled = onRoll.map(asSettled);
  const isNew = await keepSettled(
    glen.db,
    { seriesId: date.series_id, key: date.key_date },
    {
      at: glen.clock.school(),
      by,
      guests: rows.length - onRoll.length,
      held,
      rows: settled,
    },
  );
  if (isNew && held) await tellMissed(glen, date, settled);
  return isNew;
}

/** A host settles a register once its session is over. */
export async function settle(glen: Glen, of: OfDate, by: number): Promise<Answer<'register'>> {
  await glen.db.transaction(async () => {
    await lockedDate(glen.db, of.seriesId, of.key);
    const date = await dateWithSitting(glen.db, of.seriesId, of.key);
    if (!date) throw notFound('This session');
    if (glen.clock.school() < date.end_at)
      throw new HttpProblem(409, 'This session is not over yet.');
    if (await settleDate(glen, date, by))
      await glen.audit({
        by,
        action: 'settle-register',
        subject: `series:${of.seriesId}`,
        after: { on: date.local_date },
      });
  });
  return describeRegister(glen, of, true);
}

/** Settles some of what has waited for its host for a day; whether that was all. */
async function settleSome(glen: Glen): Promise<boolean> {
  const before = glen.clock.school(-HOURS.waits * SECONDS_AN_HOUR);
  const after = glen.clock.school(-HOURS.back * SECONDS_AN_HOUR);
  const dates = await unsettledDates(glen.db, { after, before, most: AT_ONCE });
  for (const { seriesId, key } of dates)
    await glen.db.transaction(async () => {
      await lockedDate(glen.db, seriesId, key);
      const date = await dateWithSitting(glen.db, seriesId, key);
      if (date && !date.settled) await settleDate(glen, date, null);
    });
  return dates.length < AT_ONCE;
}

/** Settles what has waited for its host for a day; several processes may. */
export async function settleByItself(glen: Glen): Promise<void> {
  while (!(await settleSome(glen)));
}

/**
 * Opens again what is not settled yet by an instant: the demo's clock is put back to it. What waited for its host for a day
 * by then stays settled.
 */
export const openAgain = (glen: Glen, instant: string): Promise<void> =>
  glen.db.transaction(() =>
    unsettle(glen.db, {
      settledAfter: instant,
      endedAfter: plusMinutes(instant, -HOURS.waits * MINUTES_AN_HOUR),
    }),
  );

export const settling = (glen: Glen): Ticker =>
  new Ticker(glen, EVERY_MS, () => settleByItself(glen), 'registers cannot be settled now');
