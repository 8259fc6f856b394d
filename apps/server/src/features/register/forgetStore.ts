import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** Settled sessions that ended before an instant, and of which it may still be kept who was in when. */
export async function datesToForget(db: Db, before: string, most: number): Promise<number[]> {
  const rows = await db.models.Occurrence.findAll({
    attributes: ['id'],
    where: { forgotten: false, settled: true, end_at: { [Op.lt]: before } },
    order: ['end_at'],
    limit: most,
    raw: true,
  });
  return rows.map((row) => row.id);
}

/** Forgets of some sessions who came and left when, what they answered, and where they came from. */
export async function forgetArrivalsAt(db: Db, occurrenceIds: number[]): Promise<void> {
  const { CheckIn, Occurrence, RoomWord, Sitting, Visit, Visitor } = db.models;
  const sittings = await Sitting.findAll({
    attributes: ['id'],
    where: { occurrence_id: occurrenceIds },
    raw: true,
  });
  const sittingIds = sittings.map(({ id }) => id);
  const visitors = await Visitor.findAll({
    attributes: ['id'],
    where: { sitting_id: sittingIds },
    raw: true,
  });
  await Visit.destroy({ where: { visitor_id: visitors.map(({ id }) => id) } });
  await CheckIn.destroy({ where: { sitting_id: sittingIds } });
  await RoomWord.destroy({ where: { sitting_id: sittingIds } });
  await Visitor.update(
    { knocked_at: null, left_at: null, browser: null, network: '', word: null },
    { where: { sitting_id: sittingIds } },
  );
  await Occurrence.update({ forgotten: true }, { where: { id: occurrenceIds } });
}
