import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { AfterLessonRow } from '../../db/models/AfterLesson.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import { oneMore } from '../../db/versions.js';
import { thingsWithDates, type ThingOfDate } from '../plan/afterLessonStore.js';

/** A date of a series, by the day on which the pattern has it. */
interface OfDate {
  seriesId: number;
  key: string;
}

const of = ({ seriesId, key }: OfDate) => ({ series_id: seriesId, key_date: key });

/** What is there after a session, in the order in which it came about. */
export const thingsOf = (db: Db, date: OfDate): Promise<AfterLessonRow[]> =>
  db.models.AfterLesson.findAll({ where: of(date), include: ['maker'], order: ['id'] });

export const dateOfSeries = (db: Db, date: OfDate): Promise<OccurrenceRow | null> =>
  db.models.Occurrence.findOne({ where: { ...of(date), draft: false } });

type Said = Pick<AfterLessonRow, 'title' | 'words' | 'seen_by' | 'until_date' | 'address'>;

export async function keepThing(
  db: Db,
  date: OfDate,
  thing: Said & { kind: AfterLessonRow['kind']; made_by: number; made_at: string },
): Promise<void> {
  await db.models.AfterLesson.create({ ...of(date), ...thing });
}

export const thingOf = (db: Db, date: OfDate, id: number): Promise<AfterLessonRow | null> =>
  db.models.AfterLesson.findOne({ where: { ...of(date), id } });

/** Changes one as its writer read it; whether nobody else had. */
export async function changeThing(
  db: Db,
  { id, version }: { id: number; version: number },
  said: Said,
): Promise<boolean> {
  const change = { ...said, version: oneMore('version') };
  const [changed] = await db.models.AfterLesson.update(change, { where: { id, version } });
  return changed > 0;
}

export const dropThing = async (
  db: Db,
  { id, version }: { id: number; version: number },
): Promise<boolean> => (await db.models.AfterLesson.destroy({ where: { id, version } })) > 0;

/** So many of those whose last day is over, held against others until the transaction ends. */
export const thingsOver = (db: Db, today: string, most: number): Promise<AfterLessonRow[]> =>
  db.models.AfterLesson.findAll({
    where: { until_date: { [Op.lt]: today } },
    order: ['id'],
    limit: most,
    lock: true,
  });

/** The class periods of some series, each once. */
export async function classesOfSeries(db: Db, seriesIds: number[]): Promise<Set<number>> {
  const series = await db.models.Series.findAll({ where: { id: seriesIds } });
  return new Set(series.map((row) => row.class_id));
}

export async function dropThings(db: Db, ids: number[]): Promise<void> {
  await db.models.AfterLesson.destroy({ where: { id: ids } });
}

/** One thing with its lesson and the code of the lesson's link. */
export async function thingById(
  db: Db,
  id: number,
): Promise<(ThingOfDate & { code: string }) | undefined> {
  const [found] = await thingsWithDates(db, { id });
  const link = found && (await db.models.Link.findByPk(found.date.link_id));
  return found && link ? { ...found, code: link.code } : undefined;
}

/** At which of some lessons somebody was let in. */
export async function cameTo(db: Db, personId: number, dateIds: number[]): Promise<Set<number>> {
  const visitors = await db.models.Visitor.findAll({
    attributes: ['id'],
    where: {
      state: 'let-in',
      [Op.or]: [{ person_id: personId }, { taken_for: personId }],
    },
    include: [{ association: 'sitting', required: true, where: { occurrence_id: dateIds } }],
  });
  return new Set(visitors.map(({ sitting }) => sitting!.occurrence_id));
}
