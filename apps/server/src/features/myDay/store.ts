import type { Db } from '../../db/connect.js';

/** Whether this school was made here by moving in; the demo was loaded. */
export const hasMovedIn = async (db: Db): Promise<boolean> =>
  (await db.models.MovingIn.findByPk(1))?.moved_in_at != null;

export const linksWithoutRoom = async (db: Db, linkIds: number[]): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT id FROM links WHERE id IN (:linkIds) AND room_address IS NULL',
      { linkIds: [0, ...linkIds] },
    )
  ).map((row) => row.id);
