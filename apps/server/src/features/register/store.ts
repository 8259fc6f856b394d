import { Op } from 'sequelize';
import { hostsOfLink } from '../desk/store.js';
import type { Db } from '../../db/connect.js';
import type { ClassPeriodRow } from '../../db/models/ClassPeriod.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';

/** A date of a series with what happened behind its door; nothing where there is none. */
export const dateWithSitting = (
  db: Db,
  seriesId: number,
  key: string,
): Promise<OccurrenceRow | null> =>
  db.models.Occurrence.findOne({
    where: { series_id: seriesId, key_date: key, draft: false },
    include: ['sitting'],
  });

/** Holds a date against others until the transaction ends. */
export async function lockedDate(db: Db, seriesId: number, key: string): Promise<void> {
  const where = { series_id: seriesId, key_date: key };
  await db.models.Occurrence.findOne({ attributes: ['id'], where, lock: true });
}

interface Unsettled {
  /** When they ended: after the one instant, not after the other. */
  after: string;
  before: string;
  most: number;
}

/** Sessions that are over and whose register is not settled, the earliest first: those that were to be held, or were. */
export async function unsettledDates(
  db: Db,
  { after, before, most }: Unsettled,
): Promise<{ seriesId: number; key: string }[]> {
  const rows = await db.models.Occurrence.findAll({
    attributes: ['series_id', 'key_date'],
    where: {
      forgotten: false,
      settled: false,
      end_at: { [Op.gt]: after, [Op.lte]: before },
      draft: false,
      [Op.or]: [
        { status: ['planned', 'moved'] },
        { '$sitting.opened_at$': { [Op.ne]: null } },
      ] as const,
    },
    include: [{ association: 'sitting', attributes: [] }],
    order: ['end_at', 'id'],
    limit: most,
    subQuery: false,
  });
  return rows.map(({ series_id, key_date }) => ({ seriesId: series_id, key: key_date }));
}

/** The class periods that somebody hosts. */
export async function hostedClasses(
  db: Db,
  personId: number,
): Promise<{ id: number; title: string; period: string | null }[]> {
  const staff = await db.models.ClassStaff.findAll({
    where: { person_id: personId, as_what: ['host', 'co-teacher'] },
    include: ['classPeriod'],
  });
  return staff.map(({ classPeriod }) => classPeriod!);
}

/** Whether somebody hosts the sessions of a series: at its link, where they meet. */
export async function hostsSeries(db: Db, seriesId: number, personId: number): Promise<boolean> {
  const series = await db.models.Series.findByPk(seriesId);
  return series !== null && (await hostsOfLink(db, series.link_id)).has(personId);
}

/** Class periods by their numbers, as lists name them. */
export const classesByIds = (db: Db, ids: number[]): Promise<ClassPeriodRow[]> =>
  db.models.ClassPeriod.findAll({ where: { id: ids }, order: ['title', 'period', 'id'] });

/** Who hosts some class periods, by name. */
export async function hostsByClass(db: Db, classIds: number[]): Promise<Map<number, string[]>> {
  const staff = await db.models.ClassStaff.findAll({
    where: { class_id: classIds, as_what: ['host', 'co-teacher'] },
    include: ['person'],
    order: [['as_what', 'ASC']],
  });
  const hosts = new Map<number, string[]>();
  for (const { class_id: id, person } of staff)
    hosts.set(id, [...(hosts.get(id) ?? []), person!.name]);
  return hosts;
}

/** So many class periods after one, by their numbers. */
export async function classIdsAfter(db: Db, after: number, most: number): Promise<number[]> {
  const rows = await db.models.ClassPeriod.findAll({
    attributes: ['id'],
    where: { id: { [Op.gt]: after } },
    order: ['id'],
    limit: most,
    raw: true,
  });
  return rows.map((row) => row.id);
}
