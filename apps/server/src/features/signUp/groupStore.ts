import type { Db } from '../../db/connect.js';

/** Those of some groups that are a class period's, by name. */
export async function groupsIn(
  db: Db,
  classId: number,
  groupIds: Set<number>,
): Promise<{ id: number; name: string }[]> {
  const groups = await db.models.ClassGroup.findAll({
    where: { class_id: classId, id: [...groupIds] },
    order: ['name'],
  });
  return groups.map(({ id, name }) => ({ id, name }));
}

/** A series with the link that it meets at. */
export const seriesById = (db: Db, seriesId: number) => db.models.Series.findByPk(seriesId);
