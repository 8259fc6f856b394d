import type { ProgrammeItem } from '@glen/core';
import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { ProgrammeRow } from '../../db/models/Programme.js';
import { oneMore } from '../../db/versions.js';

/** A session: a date of a series, by the day on which the pattern has it. */
export interface OfDate {
  seriesId: number;
  key: string;
}

const of = ({ seriesId, key }: OfDate) => ({ series_id: seriesId, key_date: key });

/** What comes after what in a session; null where nothing was said. Held against others until the transaction ends where that is asked. */
export const programmeOf = (
  db: Db,
  date: OfDate,
  { isHeld = false }: { isHeld?: boolean } = {},
): Promise<ProgrammeRow | null> =>
  db.models.Programme.findOne({ where: of(date), ...(isHeld ? { lock: true } : {}) });

interface NewProgramme {
  items: ProgrammeItem[];
  word: string;
  /** Which of it counts as told, by its minutes after the beginning. */
  told: number | null;
  kept: ProgrammeRow | null;
}

/** Writes it, or takes it away where nothing is left. */
export async function writeProgramme(
  db: Db,
  date: OfDate,
  { items, word, told, kept }: NewProgramme,
): Promise<void> {
  const { Programme } = db.models;
  const said = { items, word, told_after: told };
  if (items.length === 0 && word === '') await Programme.destroy({ where: of(date) });
  else if (kept)
    await Programme.update({ ...said, version: oneMore('version') }, { where: of(date) });
  else await Programme.create({ ...of(date), ...said });
}

/** Notes which of it was told to those inside. */
export async function noteTold(db: Db, date: OfDate, after: number): Promise<void> {
  await db.models.Programme.update({ told_after: after }, { where: of(date) });
}

/** The sessions of a class period that have a programme. */
export async function programmesOfClass(db: Db, classId: number): Promise<OfDate[]> {
  const series = await db.models.Series.findAll({
    attributes: ['id'],
    where: { class_id: classId },
    raw: true,
  });
  const rows = await db.models.Programme.findAll({
    attributes: ['series_id', 'key_date'],
    where: { series_id: series.map(({ id }) => id) },
  });
  return rows.map((row) => ({ seriesId: row.series_id, key: row.key_date }));
}

/** Every session that has one. */
export async function allProgrammes(db: Db): Promise<OfDate[]> {
  const rows = await db.models.Programme.findAll({ attributes: ['series_id', 'key_date'] });
  return rows.map((row) => ({ seriesId: row.series_id, key: row.key_date }));
}

/** Dates of a series stand for other days of its pattern now: their programmes go along. */
export async function followProgrammes(
  db: Db,
  seriesId: number,
  moved: { from: string; to: string }[],
): Promise<void> {
  for (const { from, to } of moved)
    await db.models.Programme.update({ key_date: to }, { where: of({ seriesId, key: from }) });
}

/** A series goes on as another from a day on, programmes and all; from the first day on where it becomes part of that again. */
export async function handProgrammesOn(
  db: Db,
  from: number,
  to: number,
  key = '0000-00-00',
): Promise<void> {
  const later = { where: { series_id: from, key_date: { [Op.gte]: key } } };
  await db.models.Programme.update({ series_id: to }, later);
}
