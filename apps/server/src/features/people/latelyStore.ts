import type { Answer, Body } from '@glen/contract';
import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** So many changes of each person are kept. */
const MOST_KEPT = 50;

/** Keeps a change with its way back; what is older than the last fifty goes. */
export async function keepChange(
  db: Db,
  personId: number,
  { what, calls }: Body<'noteLately'>,
  at: string,
): Promise<number> {
  const { Lately } = db.models;
  const { id } = await Lately.create({ person_id: personId, at, what, calls });
  const [oldest] = await Lately.findAll({
    attributes: ['id'],
    where: { person_id: personId },
    order: [['id', 'DESC']],
    offset: MOST_KEPT - 1,
    limit: 1,
  });
  if (oldest) await Lately.destroy({ where: { person_id: personId, id: { [Op.lt]: oldest.id } } });
  return id;
}

/** Somebody's own last changes, the newest first. */
export async function changesOf(db: Db, personId: number): Promise<Answer<'lately'>['changes']> {
  const rows = await db.models.Lately.findAll({
    where: { person_id: personId },
    order: [['id', 'DESC']],
    limit: MOST_KEPT,
  });
  return rows.map(({ id, at, what, calls, taken_back }) => ({
    id,
    at,
    what,
    calls,
    takenBack: Boolean(taken_back),
  }));
}

/** Notes that a change was taken back; whether it is one of this person's. */
export async function markTakenBack(db: Db, id: number, personId: number): Promise<boolean> {
  const where = { id, person_id: personId };
  const [met] = await db.models.Lately.update({ taken_back: true }, { where });
  return met > 0 || (await db.models.Lately.count({ where })) > 0;
}
