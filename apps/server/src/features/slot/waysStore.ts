import type { SlotWays } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { SlotWaysRow } from '../../db/models/SlotWays.js';
import { oneMore } from '../../db/versions.js';

/** How a series is cut into slots, as it is kept. */
export interface KeptWays extends SlotWays {
  version: number;
}

const waysOf = (row: SlotWaysRow): KeptWays => ({
  minutes: row.minutes,
  gap: row.gap,
  breakEvery: row.break_every,
  breakMinutes: row.break_minutes,
  most: row.most,
  opensDays: row.opens_days,
  closesMinutes: row.closes_minutes,
  leaves: row.leaves,
  missedAfter: row.missed_after,
  version: row.version,
});

const rowOf = (ways: SlotWays) => ({
  minutes: ways.minutes,
  gap: ways.gap,
  break_every: ways.breakEvery,
  break_minutes: ways.breakMinutes,
  most: ways.most,
  opens_days: ways.opensDays,
  closes_minutes: ways.closesMinutes,
  leaves: ways.leaves,
  missed_after: ways.missedAfter,
});

/** How some series are cut into slots; those that are not are left out. */
export async function waysOfSeries(db: Db, seriesIds: number[]): Promise<Map<number, KeptWays>> {
  const rows = await db.models.SlotWays.findAll({ where: { series_id: seriesIds } });
  return new Map(rows.map((row) => [row.series_id, waysOf(row)]));
}

/** The same of one, held against others until the transaction ends: whoever takes a slot goes by it one after another. */
export async function heldWays(db: Db, seriesId: number): Promise<KeptWays | null> {
  const row = await db.models.SlotWays.findByPk(seriesId, { lock: true });
  return row && waysOf(row);
}

/** Cuts a series into slots that is not; one that another makes meanwhile stays as it is, and that is told. */
export async function beginWays(db: Db, seriesId: number, ways: SlotWays): Promise<boolean> {
  const [, isNew] = await db.models.SlotWays.findOrCreate({
    where: { series_id: seriesId },
    defaults: { series_id: seriesId, ...rowOf(ways) },
  });
  return isNew;
}

export async function changeWays(db: Db, seriesId: number, ways: SlotWays): Promise<void> {
  const change = { ...rowOf(ways), version: oneMore('version') };
  await db.models.SlotWays.update(change, { where: { series_id: seriesId } });
}

export async function endWays(db: Db, seriesId: number): Promise<void> {
  await db.models.SlotWays.destroy({ where: { series_id: seriesId } });
}
