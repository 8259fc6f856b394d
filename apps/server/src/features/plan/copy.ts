import {
  GlenInputError,
  classTitle,
  planForClass,
  planForNextTerm,
  wallClockAt,
  type CopyWish,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { copyWays } from '../slot/cutStore.js';
import { putOnBooks } from './occurrenceRows.js';
import { heldSeries } from './store.js';

/** From which day on, never before today, and without which dates. */
function wishOf(body: Body<'copySeries'>, today: string): CopyWish {
  if ('nextTerm' in body) return {};
  const { from = today, except = [] } = body;
  return { from: from < today ? today : from, except };
}

/** Copies a series to other class periods, each at its own bell period and on its own link, or to the next term. */
export async function copySeries(
  glen: Glen,
  seriesId: number,
  by: number,
  body: Body<'copySeries'>,
): Promise<Answer<'copySeries'>> {
  const { calendar } = await readSchool(glen.db);
  return glen.db.transaction(async () => {
    const series = await heldSeries(glen.db, seriesId);
    if (!series) throw notFound('This session');
    const own = (await classById(glen.db, series.class_id, by))!;
    const wish = wishOf(body, wallClockAt(glen.clock.school(), calendar.zone).date);
    const copy = async (
      classId: number,
      period: string | null,
      inNextTerm: boolean,
    ): Promise<{ seriesId: number; version: number }> => {
      const klass = classId === own.id ? own : await classById(glen.db, classId, by);
      if (!klass || !hostsAs(klass.as_what) || klass.put_away_at)
        throw new HttpProblem(403, 'This class period is somebody else’s.');
      const plan = inNextTerm
        ? planForNextTerm(series.plan, calendar)
        : planForClass(series.plan, period, calendar, wish);
      const title = series.title === classTitle(own) ? classTitle(klass) : series.title;
      const id = await putOnBooks(
        glen,
        { classId, linkId: klass.link_id, by },
        {
          title,
          description: series.description,
          draft: series.draft,
          words: {},
          plan,
          rules: series.rules,
        },
      );
      await copyWays(glen.db, seriesId, id);
      return { seriesId: id, version: 1 };
    };
    try {
      if ('nextTerm' in body) return { touched: [await copy(own.id, own.period, true)] };
      const touched = [];
      for (const classId of body.classIds)
        touched.push(
          await copy(classId, (await classById(glen.db, classId, by))?.period ?? null, false),
        );
      return { touched };
    } catch (error) {
      if (error instanceof GlenInputError)
        throw wrongField('nextTerm' in body ? 'nextTerm' : 'classIds', error.message);
      throw error;
    }
  });
}
