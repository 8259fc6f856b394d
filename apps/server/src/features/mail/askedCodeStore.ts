import type { Db } from '../../db/connect.js';
import type { LinkRow } from '../../db/models/Link.js';

/** The links of a class period that work, with what their people have heard of the entry code: nothing where they never could. */
export async function linksToldOf(
  db: Db,
  classId: number,
): Promise<{ link: LinkRow; told: string | undefined }[]> {
  const links = await db.models.Link.findAll({
    where: { class_id: classId, state: 'live' },
    include: ['classPeriod'],
    order: ['id'],
  });
  const rows = await db.models.ToldCode.findAll({
    where: { link_id: links.map((link) => link.id) },
  });
  const told = new Map(rows.map((row) => [row.link_id, row.hash]));
  return links.map((link) => ({ link, told: told.get(link.id) }));
}

export async function writeToldCode(db: Db, linkId: number, hash: string): Promise<void> {
  await db.models.ToldCode.upsert({ link_id: linkId, hash });
}
