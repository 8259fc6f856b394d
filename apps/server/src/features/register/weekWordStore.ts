import { Op } from 'sequelize';
import { isDuplicate } from '../../db/errors.js';
import type { Db } from '../../db/connect.js';

/** Notes that the staff is told of a week, in the transaction that has it done; whether nobody had noted it. */
export async function noteWeek(db: Db, week: string): Promise<boolean> {
  try {
    await db.models.WeekTold.create({ week });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

export const isWeekNoted = async (db: Db, week: string): Promise<boolean> =>
  (await db.models.WeekTold.findByPk(week)) !== null;

/** Some at a time of those who host class periods, and of heads, in the order of their numbers. */
export async function staffAfter(
  db: Db,
  after: number,
  most: number,
): Promise<{ id: number; isHead: boolean }[]> {
  const [hosts, heads] = await Promise.all([
    db.models.ClassStaff.findAll({
      attributes: ['person_id'],
      where: { person_id: { [Op.gt]: after }, as_what: ['host', 'co-teacher'] },
      order: ['person_id'],
      group: ['person_id'],
      limit: most,
      raw: true,
    }),
    db.models.PersonRole.findAll({
      attributes: ['person_id'],
      where: { person_id: { [Op.gt]: after }, role: 'head' },
      order: ['person_id'],
      limit: most,
      raw: true,
    }),
  ]);
  const isHead = new Set(heads.map((row) => row.person_id));
  const all = new Set([...hosts, ...heads].map((row) => row.person_id));
  return [...all]
    .sort((a, b) => a - b)
    .slice(0, most)
    .map((id) => ({ id, isHead: isHead.has(id) }));
}
