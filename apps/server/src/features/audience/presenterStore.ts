import { Op, type InferAttributes } from 'sequelize';
import type { Presents } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { LinkPresenterRow } from '../../db/models/LinkPresenter.js';
import { followLinks } from './linkPeople.js';

/** Somebody who presents at a link, and when. */
export type NamedPresenter = Presents & { personId: number };

export interface PresenterAt extends NamedPresenter {
  id: number;
  name: string;
  seriesTitle: string | null;
}

/** Without a weekday or a bound, and no more than presenting. */
export const AT_ANY_TIME = { weekday: '', from: '', until: '', takesOver: false } as const;

type WhenColumns = Pick<
  InferAttributes<LinkPresenterRow>,
  'series_id' | 'key_date' | 'weekday' | 'from_date' | 'until_date' | 'takes_over'
>;

export const presentsOf = (row: WhenColumns): Presents => ({
  seriesId: row.series_id,
  key: row.key_date,
  weekday: row.weekday,
  from: row.from_date,
  until: row.until_date,
  takesOver: row.takes_over,
});

export const columnsOfPresents = (named: Presents): WhenColumns => ({
  series_id: named.seriesId,
  key_date: named.key,
  weekday: named.weekday,
  from_date: named.from,
  until_date: named.until,
  takes_over: named.takesOver,
});

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
  return rows.map((row) => ({
    ...presentsOf(row),
    id: row.id,
    personId: row.person_id,
    name: row.person!.name,
    seriesTitle: titles.get(row.series_id) ?? null,
  }));
}

/** Names somebody; gives whether they were not named for this already. */
export async function insertPresenter(
  db: Db,
  linkId: number,
  { personId, ...presents }: NamedPresenter,
): Promise<boolean> {
  const { LinkPresenter } = db.models;
  const { takes_over, ...when } = columnsOfPresents(presents);
  const row = { link_id: linkId, person_id: personId, ...when };
  if ((await LinkPresenter.count({ where: row })) > 0) return false;
  await LinkPresenter.create({ ...row, takes_over });
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
  return { personId: row.person_id, ...presentsOf(row) };
}

/** Whoever is named by dates at a link presents what is held there on them: it has changed for a series. */
export async function followDates(db: Db, series: { id: number; linkId: number }): Promise<void> {
  const meant = await db.models.LinkPerson.findAll({
    attributes: ['link_id'],
    where: { series_id: series.id, as_what: 'presenter' },
  });
  const byDates = await db.models.LinkPresenter.findAll({
    attributes: ['link_id'],
    where: {
      link_id: [series.linkId, ...meant.map((row) => row.link_id)],
      [Op.or]: [
        { weekday: { [Op.ne]: '' } },
        { from_date: { [Op.ne]: '' } },
        { until_date: { [Op.ne]: '' } },
      ],
    },
  });
  await followLinks(db, linksOf(byDates));
}

const linksOf = (rows: { link_id: number }[]): number[] => [
  ...new Set(rows.map((row) => row.link_id)),
];

/** Has some be named at another series instead; who is named for the same there already need not be twice. */
async function nameAt(db: Db, rows: LinkPresenterRow[], seriesId: number): Promise<void> {
  for (const row of rows) {
    const { takes_over: _, ...when } = columnsOfPresents(presentsOf(row));
    const there = { ...when, link_id: row.link_id, person_id: row.person_id, series_id: seriesId };
    const isThere = (await db.models.LinkPresenter.count({ where: there })) > 0;
    await (isThere ? row.destroy() : row.update({ series_id: seriesId }));
  }
}

/** A series was cut before a key: who presents at all of it does on both sides, who does at a later date goes along. */
export async function cutPresenters(db: Db, from: number, to: number, key: string): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: from } });
  await LinkPresenter.bulkCreate(
    rows
      .filter((row) => row.key_date === '')
      .map((row) => ({
        ...columnsOfPresents(presentsOf(row)),
        link_id: row.link_id,
        person_id: row.person_id,
        series_id: to,
      })),
    { ignoreDuplicates: true },
  );
  const later = rows.filter((row) => row.key_date !== '' && row.key_date >= key);
  await nameAt(db, later, to);
  await followLinks(db, linksOf(rows));
}

/** A series that was cut is whole again. */
export async function mergePresenters(db: Db, from: number, to: number): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: from } });
  await LinkPresenter.destroy({ where: { series_id: from, key_date: '' } });
  await nameAt(
    db,
    rows.filter((row) => row.key_date !== ''),
    to,
  );
  await followLinks(db, linksOf(rows));
}

export async function dropPresenters(db: Db, seriesId: number): Promise<void> {
  const { LinkPresenter } = db.models;
  const rows = await LinkPresenter.findAll({ where: { series_id: seriesId } });
  await LinkPresenter.destroy({ where: { series_id: seriesId } });
  await followLinks(db, linksOf(rows));
}
