import { Op } from 'sequelize';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { followLinks } from '../audience/linkPeople.js';

export interface ShareRow {
  id: number;
  class_id: number;
  series_id: number | null;
  key_date: string | null;
  own_door: 'leads' | 'shut';
  title: string;
  period: string | null;
  pennant: Pennant;
  series_title: string | null;
}

export async function sharesOf(db: Db, linkId: number): Promise<ShareRow[]> {
  const shares = await db.models.Share.findAll({
    where: { link_id: linkId },
    include: [
      { association: 'classPeriod', attributes: ['title', 'period', 'pennant'] },
      // A share of all has no series.
      { association: 'series', attributes: ['title'], required: false },
    ],
    order: ['id'],
  });
  return shares.map(({ id, class_id, series_id, key_date, own_door, classPeriod, series }) => ({
    id,
    class_id,
    series_id,
    key_date,
    own_door,
    title: classPeriod!.title,
    period: classPeriod!.period,
    pennant: classPeriod!.pennant,
    series_title: series?.title ?? null,
  }));
}

/** Whoever brings class periods together holds this lock: what is looked at must not change before it is written. */
export async function lockShares(db: Db): Promise<void> {
  await db.models.School.findByPk(1, { attributes: ['id'], lock: true });
}

interface Bound {
  title: string;
  /** The host goes to the other's door; else the other comes to the joining one's. */
  out: boolean;
}

/** Another class period that one of two is bound to already. */
export async function boundTo(
  db: Db,
  hostId: number,
  joiningId: number,
): Promise<Bound | undefined> {
  const { Share, ClassPeriod } = db.models;
  const goes = await Share.findOne({
    where: { class_id: hostId },
    include: [{ association: 'link', attributes: ['class_id'] }],
  });
  const comes = await Share.findOne({
    include: [{ association: 'link', attributes: [], where: { class_id: joiningId } }],
  });
  const otherId = goes?.link!.class_id ?? comes?.class_id;
  if (otherId === undefined) return undefined;
  const { title } = (await ClassPeriod.findByPk(otherId, { attributes: ['title'] }))!;
  return { title, out: goes !== null };
}

interface Sharing {
  linkId: number;
  classId: number;
  seriesId: number | null;
  key: string | null;
}

const columnsOf = ({ linkId, classId, seriesId, key }: Sharing) => ({
  link_id: linkId,
  class_id: classId,
  series_id: seriesId,
  key_date: key,
});

export const sameShare = async (db: Db, sharing: Sharing): Promise<boolean> =>
  (await db.models.Share.count({ where: columnsOf(sharing) })) > 0;

interface KeptShare {
  class_id: number;
  series_id: number | null;
  key_date: string | null;
  own_door: 'leads' | 'shut';
}

export async function shareById(
  db: Db,
  id: number,
  linkId: number,
): Promise<KeptShare | undefined> {
  const share = await db.models.Share.findOne({ where: { id, link_id: linkId } });
  if (!share) return undefined;
  const { class_id, series_id, key_date, own_door } = share;
  return { class_id, series_id, key_date, own_door };
}

export async function insertShare(
  db: Db,
  { ownDoor, by, ...sharing }: Sharing & { ownDoor: 'leads' | 'shut'; by: number },
): Promise<void> {
  await db.models.Share.create({ ...columnsOf(sharing), own_door: ownDoor, made_by: by });
  await followLinks(db, [sharing.linkId]);
}

export async function deleteShare(db: Db, id: number, linkId: number): Promise<void> {
  await db.models.Share.destroy({ where: { id, link_id: linkId } });
  await followLinks(db, [linkId]);
}

/** The doors of others that a class period meets at. */
export async function linksJoinedBy(db: Db, classId: number): Promise<number[]> {
  const shares = await db.models.Share.findAll({ where: { class_id: classId } });
  return [...new Set(shares.map((share) => share.link_id))];
}

/** The link that a series meets at, with the series held against other changes. */
export async function heldLinkOfSeries(db: Db, seriesId: number): Promise<number | undefined> {
  const series = await db.models.Series.findByPk(seriesId, { attributes: ['link_id'], lock: true });
  return series?.link_id;
}

export const seriesHasDate = async (db: Db, seriesId: number, key: string): Promise<boolean> =>
  (await db.models.Occurrence.count({ where: { series_id: seriesId, key_date: key } })) > 0;

/** A series was cut before a key: what was said of all of it counts on both sides, what was said of later dates goes along. */
export async function cutShares(db: Db, from: number, to: number, key: string): Promise<void> {
  const { Share } = db.models;
  const shares = await Share.findAll({ where: { series_id: from } });
  await Share.bulkCreate(
    shares
      .filter((share) => share.key_date === null)
      .map(({ link_id, class_id, own_door, made_by }) => ({
        link_id,
        class_id,
        series_id: to,
        own_door,
        made_by,
      })),
  );
  await Share.update(
    { series_id: to },
    { where: { series_id: from, key_date: { [Op.gte]: key } } },
  );
  await followLinks(db, [...new Set(shares.map((share) => share.link_id))]);
}

/** A series that was cut is whole again. */
export async function mergeShares(db: Db, from: number, to: number): Promise<void> {
  const { Share } = db.models;
  const shares = await Share.findAll({ where: { series_id: from } });
  await Share.destroy({ where: { series_id: from, key_date: null } });
  await Share.update({ series_id: to }, { where: { series_id: from } });
  await followLinks(db, [...new Set(shares.map((share) => share.link_id))]);
}

export async function dropShares(db: Db, seriesId: number): Promise<void> {
  const { Share } = db.models;
  const shares = await Share.findAll({ where: { series_id: seriesId } });
  await Share.destroy({ where: { series_id: seriesId } });
  await followLinks(db, [...new Set(shares.map((share) => share.link_id))]);
}
