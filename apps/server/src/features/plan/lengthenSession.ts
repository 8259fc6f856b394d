import { editSeries, wallClockAt } from '@glen/core';
import type { Glen } from '../../glen.js';
import { readSchool } from '../school/store.js';
import { announceSeries, expandOrRefuse } from './occurrenceRows.js';
import { textOf } from './seriesText.js';
import { sessionRowById } from './sessions.sql.js';
import { heldSeries, updateOccurrence, updateSeries } from './store.js';

const wallClockIn = (zone: string, instant: string): { date: string; time: string } => {
  const { date, time } = wallClockAt(instant, zone);
  return { date, time };
};

/** Gives a session that has begun another length, within a transaction; on the books too. Gives its new end, an instant. */
export async function lengthenSession(
  glen: Glen,
  occurrenceId: number,
  minutes: number,
  by: number,
): Promise<string> {
  const row = (await sessionRowById(glen.db, occurrenceId))!;
  const series = (await heldSeries(glen.db, row.series_id))!;
  const { calendar } = await readSchool(glen.db);
  const text = textOf(series);
  const { keep } = editSeries(
    text,
    {
      scope: 'one',
      key: row.key_date,
      change: { kind: 'move', ...wallClockIn(series.plan.zone, row.start_at), minutes },
    },
    calendar,
  );
  const longer = {
    ...(await expandOrRefuse(glen, keep!.plan)).find((o) => o.key === row.key_date)!,
    date: row.local_date,
    time: row.local_time,
  };
  await updateSeries(glen.db, series.id, { ...text, plan: keep!.plan, draft: false });
  await updateOccurrence(glen.db, row.id, {
    ...longer,
    title: row.title,
    description: row.description,
    draft: false,
    layers: row.layers,
  });
  await glen.audit({
    by,
    action: 'extend-session',
    subject: `series:${series.id}`,
    before: text,
    after: { ...text, plan: keep!.plan, version: series.version + 1 },
  });
  await announceSeries(glen, { class_id: series.class_id, link_id: series.link_id });
  return longer.end;
}
