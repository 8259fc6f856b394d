import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SittingRow } from '../../db/models/Sitting.js';
import type { VisitorRow } from '../../db/models/Visitor.js';

/** The sessions of a series behind whose doors something may run at an instant, with what does. */
export async function runningOf(
  db: Db,
  seriesId: number,
  since: string,
): Promise<{ date: OccurrenceRow; sitting: SittingRow }[]> {
  const dates = await db.models.Occurrence.findAll({
    where: { series_id: seriesId, end_at: { [Op.gt]: since }, status: ['planned', 'moved'] },
    include: [{ association: 'sitting', required: true, where: { ended_at: null } }],
  });
  return dates.map((date) => ({ date, sitting: date.sitting! }));
}

/** Whoever waits at a door or was let in, but its hosts and who teaches with them. */
export const comersOf = (db: Db, sittingId: number): Promise<VisitorRow[]> =>
  db.models.Visitor.findAll({
    where: { sitting_id: sittingId, state: ['waiting', 'let-in'], role: 'participant' },
    order: ['id'],
  });

export async function noteTurnOver(db: Db, visitorId: number): Promise<void> {
  await db.models.Visitor.update({ turn_over: true }, { where: { id: visitorId } });
}

/** Notes that somebody has heard that their slot ends; whether nobody had noted it. */
export async function noteWarned(db: Db, signUpId: number): Promise<boolean> {
  const [met] = await db.models.SignUp.update(
    { warned: true },
    { where: { id: signUpId, warned: false } },
  );
  return met > 0;
}
