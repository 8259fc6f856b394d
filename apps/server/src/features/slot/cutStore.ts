import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { beginWays, waysOfSeries } from './waysStore.js';

/** Cuts a series into slots as another is; one whose model is not cut stays as it is. */
export async function copyWays(db: Db, from: number, to: number): Promise<void> {
  const ways = (await waysOfSeries(db, [from])).get(from);
  if (ways) await beginWays(db, to, ways);
}

/** A series goes on as another from a day on: it is cut the same way, and whoever has signed up keeps their slot. */
export async function handSlotsOn(db: Db, from: number, to: number, key: string): Promise<void> {
  await copyWays(db, from, to);
  const later = { where: { series_id: from, key_date: { [Op.gte]: key } } };
  await db.models.SignUp.update({ series_id: to }, later);
}

/** The other way round: who has signed up for a series goes along into another, which stays cut as it is. */
export async function mergeSlots(db: Db, from: number, to: number): Promise<void> {
  await db.models.SignUp.update({ series_id: to }, { where: { series_id: from } });
}
