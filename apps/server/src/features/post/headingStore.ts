import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** A place of a post that stands, or is to, under a heading of Glen's own on a course page. */
export interface HeadingRow {
  place_id: number;
  post_id: number;
  class_id: number;
  /** As it was written, with its fields: places of a class period that say the same are under one heading. */
  title: string;
  /** Taken off its post, or its post is withdrawn. */
  is_over: boolean;
  /** Something of it is on the page, or on its way there. */
  stands: boolean;
}

/** What is under headings of Glen's own in some class periods, the oldest first. */
export async function headingRows(db: Db, classIds: number[]): Promise<HeadingRow[]> {
  const { PostPlace, Placement } = db.models;
  const items = await PostPlace.findAll({
    where: { class_id: classIds, kind: 'item' },
    include: [{ association: 'post', attributes: ['withdrawn'] }],
    order: [['id', 'ASC']],
  });
  const standing = await Placement.findAll({
    attributes: ['place_id'],
    where: { place_id: items.map((item) => item.id), part: 'thing', wish: { [Op.ne]: 'gone' } },
  });
  const stands = new Set(standing.map((row) => row.place_id));
  return items.flatMap(({ id, post_id, class_id, shape, removed, post }) => {
    const { section } = shape;
    if (!section || !('title' in section)) return [];
    return [
      {
        place_id: id,
        post_id,
        class_id,
        title: section.title,
        is_over: removed || post!.withdrawn,
        stands: stands.has(id),
      },
    ];
  });
}
