import { Op } from 'sequelize';
import type { Helps } from '@glen/contract';
import type { Db } from '../../db/connect.js';

interface Person {
  id: number;
  name: string;
}

/** Somebody may act on a teacher's behalf. */
interface Helping extends Record<Helps, boolean> {
  id: number;
  teacher: Person;
  helper: Person;
  /** The last date; empty: until it is ended. */
  until: string;
}

/** What somebody lets others do on their behalf, and what others let them do, as far as it is in force on a date or later. */
export async function helpingOf(db: Db, personId: number, date: string): Promise<Helping[]> {
  const here = { attributes: ['id', 'name'], where: { retired_at: null } };
  const rows = await db.models.Helper.findAll({
    where: {
      ended_at: null,
      [Op.and]: [
        { [Op.or]: [{ for_id: personId }, { helper_id: personId }] },
        { [Op.or]: [{ until_date: '' }, { until_date: { [Op.gte]: date } }] },
      ],
    },
    include: [
      { association: 'teacher', ...here },
      { association: 'helper', ...here },
    ],
    order: ['id'],
  });
  return rows.map(({ id, schedules, posts, prepares, until_date, teacher, helper }) => ({
    ...{ id, schedules, posts, prepares, until: until_date },
    teacher: { id: teacher!.id, name: teacher!.name },
    helper: { id: helper!.id, name: helper!.name },
  }));
}

export async function insertHelper(
  db: Db,
  {
    forId,
    helperId,
    until,
    ...may
  }: Record<Helps, boolean> & {
    forId: number;
    helperId: number;
    until: string;
  },
): Promise<void> {
  const row = { for_id: forId, helper_id: helperId, until_date: until };
  await db.models.Helper.create({ ...row, ...may });
}

/** What somebody was let do for a teacher before is no longer so: what is said last counts. */
export async function endOlderHelp(
  db: Db,
  { forId, helperId, now }: { forId: number; helperId: number; now: string },
): Promise<void> {
  const where = { for_id: forId, helper_id: helperId, ended_at: null };
  await db.models.Helper.update({ ended_at: now }, { where });
}

/** `now`: an instant of school time. */
export async function endHelper(db: Db, id: number, now: string): Promise<void> {
  await db.models.Helper.update({ ended_at: now }, { where: { id, ended_at: null } });
}
