import { GlenInputError, expandPlan, wholeWindow, type SchoolCalendar } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { readSchool } from '../school/store.js';
import { announceSeries, remakeOccurrences } from './occurrenceRows.js';
import { seriesOfClass, toComeOf } from './store.js';
import { deleteOccurrences, occurrencesOfSeries, type SeriesRow } from './store.js';

/** Takes what a class period has still to come off the books; its series stay, and what has been held. */
export async function takeOffBooks(glen: Glen, classId: number): Promise<void> {
  const ids = await toComeOf(glen.db, classId, glen.clock.school());
  await deleteOccurrences(glen.db, ids);
}

/** Puts what is still to come of its series back, by the calendar as it is now; what passed meanwhile was not held. */
export async function putBackOnBooks(glen: Glen, classId: number): Promise<void> {
  const { calendar } = await readSchool(glen.db);
  for (const series of await seriesOfClass(glen.db, classId)) {
    await putSeriesBack(glen, series, calendar);
    await announceSeries(glen, series);
  }
}

async function putSeriesBack(
  glen: Glen,
  series: SeriesRow,
  calendar: SchoolCalendar,
): Promise<void> {
  const now = glen.clock.school();
  const there = new Set((await occurrencesOfSeries(glen.db, series.id)).map((o) => o.key_date));
  const rows = datesOf(series, calendar).filter((o) => o.start > now || there.has(o.key));
  const { id, class_id: classId, link_id: linkId } = series;
  const text = {
    ...series,
    draft: series.draft,
    undated: false,
    dateRules: series.date_rules,
  };
  await remakeOccurrences(glen, { id, classId, linkId }, { text, rows });
}

function datesOf({ title, plan }: SeriesRow, calendar: SchoolCalendar) {
  try {
    return expandPlan(plan, calendar, wholeWindow(plan, calendar));
  } catch (error) {
    if (!(error instanceof GlenInputError)) throw error;
    // A bell period that its plan names has gone meanwhile.
    throw new HttpProblem(409, `${title} cannot be put back on the plan. ${error.message}`);
  }
}
