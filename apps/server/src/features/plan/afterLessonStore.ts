import { Op, type InferAttributes, type WhereOptions } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { AfterLessonRow } from '../../db/models/AfterLesson.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';

/** Something that is there after a lesson, with the lesson. */
export interface ThingOfDate {
  thing: AfterLessonRow;
  date: OccurrenceRow;
}

/** Some of what is there after lessons, oldest first; without what is there after a date that there is not. */
export async function thingsWithDates(
  db: Db,
  where: WhereOptions<InferAttributes<AfterLessonRow>>,
): Promise<ThingOfDate[]> {
  const things = await db.models.AfterLesson.findAll({ where, order: ['id'] });
  const dates = await db.models.Occurrence.findAll({
    where: {
      series_id: [...new Set(things.map((thing) => thing.series_id))],
      key_date: [...new Set(things.map((thing) => thing.key_date))],
      draft: false,
    },
  });
  const byKey = new Map(dates.map((date) => [`${date.series_id} ${date.key_date}`, date]));
  return things.flatMap((thing) => {
    const date = byKey.get(`${thing.series_id} ${thing.key_date}`);
    return date ? [{ thing, date }] : [];
  });
}

/** What is there after the lessons of some links, on a day of the school. */
export async function thingsOfLinks(
  db: Db,
  linkIds: number[],
  today: string,
): Promise<ThingOfDate[]> {
  const series = await db.models.Series.findAll({
    attributes: ['id'],
    where: { link_id: linkIds },
    raw: true,
  });
  const ids = series.map(({ id }) => id);
  return thingsWithDates(db, { series_id: ids, until_date: { [Op.gte]: today } });
}
