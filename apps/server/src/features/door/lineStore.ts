import { Op } from 'sequelize';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';

/** Whose page has not asked for so many seconds is asleep: others go first, and their place is kept. A page that nobody looks at may ask once a minute. */
const AWAKE_SECONDS = 90;

/** Somebody's place before a full room. */
export interface LinePlace {
  isIn: boolean;
  /** How many who are awake go first. */
  ahead: number;
}

export const NO_LINE: LinePlace = { isIn: false, ahead: 0 };

interface AtSitting {
  sittingId: number;
  /** As in `visitors`. */
  key: string;
}

/** How many of those who wait for a seat go before somebody; before whoever is not in the line all of them do. */
export async function placeInLine(
  db: Db,
  clock: Clock,
  { sittingId, key }: AtSitting,
): Promise<LinePlace> {
  const { InLine } = db.models;
  const own = await InLine.findOne({ where: { sitting_id: sittingId, visitor_key: key } });
  const ahead = await InLine.count({
    where: {
      sitting_id: sittingId,
      seen_at: { [Op.gt]: clock.machine(-AWAKE_SECONDS) },
      ...(own ? { id: { [Op.lt]: own.id } } : {}),
    },
  });
  return { isIn: own !== null, ahead };
}

/** How many wait for a seat and are awake. */
export const sizeOfLine = (db: Db, clock: Clock, sittingId: number): Promise<number> =>
  db.models.InLine.count({
    where: { sitting_id: sittingId, seen_at: { [Op.gt]: clock.machine(-AWAKE_SECONDS) } },
  });

/** Puts somebody at the end of the line, or has whoever is in it be awake. Whether they are new in it. */
export async function standInLine(
  db: Db,
  clock: Clock,
  { sittingId, key }: AtSitting,
): Promise<boolean> {
  const { InLine } = db.models;
  const where = { sitting_id: sittingId, visitor_key: key };
  const own = await InLine.findOne({ where });
  if (own) await own.update({ seen_at: clock.machine() });
  else await InLine.create({ ...where, seen_at: clock.machine() });
  return own === null;
}

/** Out of the line; whether they were in it. */
export async function leaveLine(db: Db, { sittingId, key }: AtSitting): Promise<boolean> {
  const where = { sitting_id: sittingId, visitor_key: key };
  return (await db.models.InLine.destroy({ where })) > 0;
}

export async function dropLine(db: Db, sittingId: number): Promise<void> {
  await db.models.InLine.destroy({ where: { sitting_id: sittingId } });
}

/** Whether anybody waits for a seat there. */
export const hasLine = async (db: Db, sittingId: number): Promise<boolean> =>
  (await db.models.InLine.count({ where: { sitting_id: sittingId } })) > 0;
