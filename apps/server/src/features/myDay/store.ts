import type { Db } from '../../db/connect.js';

/** Whether this school was made here by moving in; the demo was loaded. */
export const hasMovedIn = async (db: Db): Promise<boolean> =>
  (await db.models.MovingIn.findByPk(1))?.moved_in_at != null;

/** Those of some class periods whose door has been opened for a lesson. */
export const classesBegun = async (db: Db, classIds: number[]): Promise<Set<number>> =>
  new Set(
    (
      await db.rows<{ id: number }>(
        'SELECT DISTINCT l.class_id AS id FROM sittings m JOIN links l ON l.id = m.link_id WHERE l.class_id IN (:classIds) AND m.opened_at IS NOT NULL',
        { classIds },
      )
    ).map((row) => row.id),
  );

/** Those of some class periods whose door a teacher has tried. */
export const classesTried = async (db: Db, classIds: number[]): Promise<Set<number>> =>
  new Set(
    (
      await db.models.ClassPeriod.findAll({
        attributes: ['id'],
        where: { id: classIds, door_tried: true },
      })
    ).map((row) => row.id),
  );

export const linksWithoutRoom = async (db: Db, linkIds: number[]): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT id FROM links WHERE id IN (:linkIds) AND room_address IS NULL',
      { linkIds: [0, ...linkIds] },
    )
  ).map((row) => row.id);
