import { Op } from 'sequelize';
import { wallClockAt } from '@glen/core';
import type { Helps } from '@glen/contract';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';

/** A teacher on whose behalf somebody may act, and in what. */
interface Helped {
  id: number;
  name: string;
  may: Record<Helps, boolean>;
}

/** Today by the school's wall clock. */
export async function schoolDate({ db, clock }: { db: Db; clock: Clock }): Promise<string> {
  const school = await db.models.School.findByPk(1, { attributes: ['calendar'] });
  return wallClockAt(clock.school(), school!.calendar.zone).date;
}

/** Whether somebody may act on a teacher's behalf just now: by every permission that is in force. */
export async function helpGiven(
  db: Db,
  clock: Clock,
  { helperId, forId }: { helperId: number; forId: number },
): Promise<Helped | undefined> {
  const rows = await db.models.Helper.findAll({
    where: {
      helper_id: helperId,
      for_id: forId,
      ended_at: null,
      [Op.or]: [{ until_date: '' }, { until_date: { [Op.gte]: await schoolDate({ db, clock }) } }],
    },
    include: [{ association: 'teacher', attributes: ['id', 'name'], where: { retired_at: null } }],
  });
  const [first] = rows;
  if (!first) return undefined;
  const { id, name } = first.teacher!;
  const has = (what: Helps): boolean => rows.some((row) => row[what]);
  const may = { schedules: has('schedules'), posts: has('posts'), prepares: has('prepares') };
  return { id, name, may };
}
