import { Op, col, fn } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { Body, PlacementRow } from '../../db/models/Placement.js';
import { toSql } from '../../db/sqlTime.js';
import { oneMore } from '../../db/versions.js';

export type { Body, MailBody } from '../../db/models/Placement.js';

export interface Wished {
  placeId: number;
  part: 'thing' | 'section';
  occurrenceId: number;
  wish: PlacementRow['wish'];
  body: Body;
  code: string;
  dueAt: string;
}

export async function insertPlacement(db: Db, postId: number, w: Wished): Promise<number> {
  const { id } = await db.models.Placement.create({
    post_id: postId,
    place_id: w.placeId,
    part: w.part,
    occurrence_id: w.occurrenceId,
    wish: w.wish,
    body: w.body,
    code: w.code,
    due_at: w.dueAt,
  });
  return id;
}

export async function updatePlacement(
  db: Db,
  id: number,
  { wish, body, code }: Pick<Wished, 'wish' | 'body' | 'code'>,
): Promise<void> {
  await db.models.Placement.update(
    { wish, body, code, revision: oneMore('revision') },
    { where: { id } },
  );
}

type Placed = Pick<PlacementRow, 'id' | 'revision' | 'wish' | 'body' | 'code'>;

/** Notes what the place has confirmed. An older confirmation never overwrites a newer. */
export async function notePlaced(
  db: Db,
  { id, revision, wish, body, code }: Placed,
  now: string,
): Promise<void> {
  const stands =
    wish === 'gone'
      ? { sent_body: null, sent_code: null, out_since: null }
      : {
          sent_body: body,
          sent_code: code,
          out_since: fn('COALESCE', col('out_since'), toSql(now)),
        };
  await db.models.Placement.update(
    { ...stands, sent_revision: revision, missing_since: null, changed_at: now },
    { where: { id, sent_revision: { [Op.lte]: revision } } },
  );
}

/** A person says that they have not done it after all. */
export async function unplace(db: Db, id: number): Promise<void> {
  await db.models.Placement.update(
    { sent_revision: 0, sent_body: null, sent_code: null, out_since: null },
    { where: { id } },
  );
}

export async function dropPlacement(db: Db, id: number, dropped: boolean): Promise<void> {
  await db.models.Placement.update({ dropped }, { where: { id } });
}

/** It ought to be sent once more, though it says the same. */
export async function renewPlacement(db: Db, id: number): Promise<void> {
  await db.models.Placement.update(
    { revision: oneMore('revision'), missing_since: null },
    { where: { id } },
  );
}

export async function noteMissing(db: Db, ids: number[], now: string): Promise<void> {
  await db.models.Placement.update(
    { missing_since: now },
    { where: { id: ids, missing_since: null } },
  );
}

/** What a class period's site has confirmed and ought to list. */
export async function confirmedOf(db: Db, classId: number): Promise<{ id: number }[]> {
  const placements = await db.models.Placement.findAll({
    attributes: ['id'],
    where: { out_since: { [Op.not]: null }, wish: { [Op.ne]: 'gone' } },
    include: [
      {
        association: 'place',
        attributes: [],
        where: { class_id: classId, kind: { [Op.notIn]: ['by-hand', 'mail'] } },
      },
    ],
  });
  return placements.map(({ id }) => ({ id }));
}
