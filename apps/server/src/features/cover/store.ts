import { Op } from 'sequelize';
import type { Cover } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { CoverRow } from '../../db/models/Cover.js';

interface Person {
  id: number;
  name: string;
}

/** A cover that has not ended, with those whom it is about. */
export interface KnownCover extends Cover {
  absent: Person;
  covering: Person;
  madeBy: Person;
}

const person = (row: CoverRow['absent']): Person => ({ id: row!.id, name: row!.name });

const known = (row: CoverRow): KnownCover => ({
  id: row.id,
  absentId: row.absent_id,
  coveringId: row.covering_id,
  first: row.first_date,
  last: row.last_date,
  absent: person(row.absent),
  covering: person(row.covering),
  madeBy: person(row.maker),
});

/** The covers that are on, or to come, on a date of the school's wall clock, by their days. Of whoever is here no longer there are none. */
export async function coversFrom(db: Db, date: string): Promise<KnownCover[]> {
  const here = { attributes: ['id', 'name'], where: { retired_at: null } };
  const rows = await db.models.Cover.findAll({
    where: { ended_at: null, last_date: { [Op.gte]: date } },
    include: [
      { association: 'absent', ...here },
      { association: 'covering', ...here },
      { association: 'maker', attributes: ['id', 'name'] },
    ],
    order: ['first_date', 'id'],
  });
  return rows.map(known);
}

/** Covers of a teacher are said one after another. */
export async function holdTeacher(db: Db, id: number): Promise<void> {
  await db.models.Person.findByPk(id, { attributes: ['id'], lock: true });
}

export async function insertCover(
  db: Db,
  cover: Omit<Cover, 'id'> & { by: number },
): Promise<number> {
  const row = await db.models.Cover.create({
    absent_id: cover.absentId,
    covering_id: cover.coveringId,
    first_date: cover.first,
    last_date: cover.last,
    made_by: cover.by,
  });
  return row.id;
}

/** Ends a cover before its time; `now`: an instant of school time. Whether it had not ended. */
export async function endCover(db: Db, id: number, now: string): Promise<boolean> {
  const [met] = await db.models.Cover.update({ ended_at: now }, { where: { id, ended_at: null } });
  return met > 0;
}
