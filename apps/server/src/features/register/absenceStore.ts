import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

interface KeptAbsence {
  id: number;
  classId: number | null;
  from: string;
  until: string;
  reason: string;
  by: string | null;
  madeBy: number | null;
}

/** When somebody is known to be away, from a day on. */
export async function absencesOf(db: Db, personId: number, day: string): Promise<KeptAbsence[]> {
  const rows = await db.models.Absence.findAll({
    where: { person_id: personId, until_date: { [Op.gte]: day } },
    include: ['maker'],
    order: ['from_date', 'id'],
  });
  return rows.map(({ id, class_id, from_date, until_date, reason, maker, made_by }) => ({
    id,
    classId: class_id,
    from: from_date,
    until: until_date,
    reason,
    by: maker?.name ?? null,
    madeBy: made_by,
  }));
}

interface Away {
  personId: number;
  /** Null: from all their lessons. */
  classId: number | null;
  from: string;
  until: string;
  reason: string;
  by: number;
  at: string;
}

export async function keepAbsence(db: Db, away: Away): Promise<void> {
  await db.models.Absence.create({
    person_id: away.personId,
    class_id: away.classId,
    from_date: away.from,
    until_date: away.until,
    reason: away.reason,
    made_by: away.by,
    made_at: away.at,
  });
}

/** Takes one away; whether it was there. */
export const dropAbsence = async (db: Db, id: number): Promise<boolean> =>
  (await db.models.Absence.destroy({ where: { id } })) > 0;
