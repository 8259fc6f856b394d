import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { followLinks } from './linkPeople.js';

/** Somebody who presents at a link; series 0: always, key '': at all dates of the series. */
interface NamedPresenter {
  personId: number;
  seriesId: number;
  key: string;
}

export interface PresenterAt extends NamedPresenter {
  id: number;
  name: string;
  seriesTitle: string | null;
}

/** Who presents at a link beside the class period's own presenters, in the order of their naming. */
export async function presentersAt(db: Db, linkId: number): Promise<PresenterAt[]> {
  const rows = await db.models.LinkPresenter.findAll({
    where: { link_id: linkId },
    include: [{ association: 'person', attributes: ['name'] }],
    order: ['id'],
  });
  const series = await db.models.Series.findAll({
    attributes: ['id', 'title'],
    where: { id: rows.map((row) => row.series_id) },
  });
  const titles = new Map(series.map((row) => [row.id, row.title]));
  return rows.map(({ id, person_id, series_id, key_date, person }) => ({
    id,
    personId: person_id,
    seriesId: series_id,
    key: key_date,
    name: person!.name,
    seriesTitle: titles.get(series_id) ?? null,
  }));
}

/** Names somebody; gives whether they were not named for this already. */
export async function insertPresenter(
  db: Db,
  linkId: number,
  { personId, seriesId, key }: NamedPresenter,
): Promise<boolean> {
  const { LinkPresenter } = db.models;
  const row = { link_id: linkId, person_id: personId, series_id: seriesId, key_date: key };
  if ((await LinkPresenter.count({ where: row })) > 0) return false;
  await LinkPresenter.create(row);
  await followLinks(db, [linkId]);
  return true;
}

/** They present there no longer; gives what they were named for. */
export async function deletePresenter(
  db: Db,
  linkId: number,
  id: number,
): Promise<NamedPresenter | undefined> {
  const row = await db.models.LinkPresenter.findOne({ where: { id, link_id: linkId } });
  if (!row) return undefined;
  await row.destroy();
  await followLinks(db, [linkId]);
  return { personId: row.person_id, seriesId: row.series_id, key: row.key_date };
}

const linksOf = (rows: { link_id: number }[]): number[] => [
  ...new Set(rows.map((row) => row.link_id)),
];

/** A series was cut before a key: who presents at all of it does on both sides, who does at a later date goes along. */
export async function cutPresenters(db: Db, from: number, to: number, key: string): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: from } });
  await LinkPresenter.bulkCreate(
    rows
      .filter((row) => row.key_date === '')
      .map(({ link_id, person_id }) => ({ link_id, person_id, series_id: to })),
  );
  await LinkPresenter.update(
    { series_id: to },
    { where: { series_id: from, key_date: { [Op.gte]: key } } },
  );
  await followLinks(db, linksOf(rows));
}

/** A series that was cut is whole again. */
export async function mergePresenters(db: Db, from: number, to: number): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: from } });
  await LinkPresenter.destroy({ where: { series_id: from, key_date: '' } });
  await LinkPresenter.update({ series_id: to }, { where: { series_id: from } });
  await followLinks(db, linksOf(rows));
}

export async function dropPresenters(db: Db, seriesId: number): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: seriesId } });
  await LinkPresenter.destroy({ where: { series_id: seriesId } });
  await followLinks(db, linksOf(rows));
}
