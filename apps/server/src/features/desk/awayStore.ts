import { Op } from 'sequelize';
import type { Away } from '@glen/core';
import type { Db } from '../../db/connect.js';

export interface KnownAway extends Away {
  personId: number;
  reason: string;
}

/** When some people are known to be away, of the days between two; what was told first comes first. */
export async function awayBetween(
  db: Db,
  { from, until, personIds }: { from: string; until: string; personIds: number[] },
): Promise<KnownAway[]> {
  const rows = await db.models.Absence.findAll({
    where: {
      person_id: personIds,
      from_date: { [Op.lte]: until },
      until_date: { [Op.gte]: from },
    },
    order: ['id'],
    raw: true,
  });
  return rows.map((row) => ({
    personId: row.person_id,
    classId: row.class_id,
    from: row.from_date,
    until: row.until_date,
    reason: row.reason,
  }));
}
