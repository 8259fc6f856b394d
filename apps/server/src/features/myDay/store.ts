import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** Whether this school was made here by moving in; the demo was loaded. */
export const hasMovedIn = async (db: Db): Promise<boolean> =>
  (await db.models.MovingIn.findByPk(1))?.moved_in_at != null;

/** Those of some class periods whose door has been opened for a lesson. */
export async function classesBegun(db: Db, classIds: number[]): Promise<Set<number>> {
  const { Link, Sitting } = db.models;
  const links = await Link.findAll({
    attributes: ['id', 'class_id'],
    where: { class_id: classIds },
  });
  const sittings = await Sitting.findAll({
    attributes: ['link_id'],
    where: { link_id: links.map((link) => link.id), opened_at: { [Op.not]: null } },
    group: ['link_id'],
  });
  const begun = new Set(sittings.map((sitting) => sitting.link_id));
  return new Set(links.filter((link) => begun.has(link.id)).map((link) => link.class_id));
}

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

/** Those of some links behind which nobody has put a room. */
export const linksWithoutRoom = async (db: Db, linkIds: number[]): Promise<number[]> =>
  (
    await db.models.Link.findAll({
      attributes: ['id'],
      where: { id: linkIds, room_address: null },
    })
  ).map((link) => link.id);

/** The codes of some links. */
export const codesOfLinks = async (
  db: Db,
  linkIds: number[],
): Promise<{ linkId: number; code: string }[]> =>
  (await db.models.Link.findAll({ attributes: ['id', 'code'], where: { id: linkIds } })).map(
    ({ id, code }) => ({ linkId: id, code }),
  );
