import type { Db } from '../../db/connect.js';

export const classIds = async (db: Db): Promise<number[]> =>
  (await db.models.ClassPeriod.findAll({ attributes: ['id'] })).map((row) => row.id);

/** What waits to be told is not told, and no word that stands is written to anybody. */
export async function dropGathering(db: Db): Promise<void> {
  await db.models.OutboxJob.destroy({ where: { kind: 'gather', state: 'queued' } });
  await db.models.Notice.update({ mailed: true }, { where: { mailed: false } });
}
