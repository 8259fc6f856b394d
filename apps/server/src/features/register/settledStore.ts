import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { isDuplicate } from '../../db/errors.js';

/** Which date of which series. */
export interface OfDate {
  seriesId: number;
  key: string;
}

const of = ({ seriesId, key }: OfDate) => ({ series_id: seriesId, key_date: key });

/** What was known of one person as a register was settled, and what counts since. */
export interface SettledRow {
  personId: number;
  name: string;
  status: 'present' | 'partly' | 'absent';
  stands: 'present' | 'partly' | 'absent' | 'excused';
  late: boolean;
  leftEarly: boolean;
  minutes: number;
}

interface Settled {
  at: string;
  by: string | null;
  guests: number;
  rows: SettledRow[];
}

/** A register as it was settled; nothing where it is not. */
export async function settledRegister(db: Db, date: OfDate): Promise<Settled | null> {
  const { Register, RegisterRow } = db.models;
  const register = await Register.findOne({ where: of(date), include: ['settler'] });
  if (!register) return null;
  const rows = await RegisterRow.findAll({ where: of(date), include: ['person'] });
  return {
    at: register.settled_at,
    by: register.settler?.name ?? null,
    guests: register.guests,
    rows: rows.map((row) => ({
      personId: row.person_id,
      name: row.person!.name,
      status: row.status,
      stands: row.stands,
      late: row.late,
      leftEarly: row.left_early,
      minutes: row.minutes,
    })),
  };
}

interface Settling {
  at: string;
  /** Null: by itself. */
  by: number | null;
  guests: number;
  held: boolean;
  rows: Omit<SettledRow, 'name'>[];
}

/**
 * Settles a register, in a transaction; whether nobody had. The date is noted as settled in any case, so that nobody looks
 * for it again.
 */
export async function keepSettled(
  db: Db,
  date: OfDate,
  { at, by, guests, held, rows }: Settling,
): Promise<boolean> {
  const { Register, RegisterRow, Occurrence } = db.models;
  await Occurrence.update({ settled: true }, { where: of(date) });
  try {
    await Register.create({ ...of(date), settled_at: at, settled_by: by, guests, held });
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
  await RegisterRow.bulkCreate(
    rows.map(({ personId, leftEarly, ...row }) => ({
      ...of(date),
      ...row,
      person_id: personId,
      left_early: leftEarly,
    })),
  );
  return true;
}

/** What counts of somebody in a register that is settled, now that something is said of them: so it was held. */
export async function setStands(
  db: Db,
  date: OfDate,
  personId: number,
  stands: SettledRow['stands'],
): Promise<void> {
  const { Register, RegisterRow } = db.models;
  await RegisterRow.update({ stands }, { where: { ...of(date), person_id: personId } });
  await Register.update({ held: true }, { where: of(date) });
}

/** Opens the registers again that were settled after an instant, of sessions that ended after another. */
export async function unsettle(
  db: Db,
  { settledAfter, endedAfter }: { settledAfter: string; endedAfter: string },
): Promise<void> {
  const { Occurrence, Register, RegisterRow } = db.models;
  const dates = await Occurrence.findAll({
    where: { settled: true, end_at: { [Op.gt]: endedAfter } },
  });
  for (const { id, series_id, key_date } of dates) {
    const where = { series_id, key_date };
    const wasSettled = { ...where, settled_at: { [Op.gt]: settledAfter } };
    if ((await Register.destroy({ where: wasSettled })) === 0) continue;
    await RegisterRow.destroy({ where });
    await Occurrence.update({ settled: false }, { where: { id } });
  }
}
