import type { Action, SchoolCalendar } from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { cutShares } from '../link/shareStore.js';
import { readSchool } from '../school/store.js';
import { announceSeries, remakeOccurrences, rowsOf } from './occurrenceRows.js';
import { textOf } from './seriesText.js';
import { sessionOfSeries } from './sessions.js';
import {
  giveOccurrences,
  heldSeries,
  insertSeries,
  occurrencesOfSeries,
  updateSeries,
  type SeriesRow,
  type SeriesText,
} from './store.js';

export type Touched = Answer<'changeSessions'>['touched'];
export type Edited = Answer<'editSession'>;

/** What becomes of a series: `keep` goes on; `add` begins a second one at a key; `about` is the date that it is about. */
export interface Revision {
  keep: SeriesText;
  add?: { text: SeriesText; key: string } | undefined;
  about?: string | undefined;
}

/** Edits a series; `opened` are the keys whose doors have been opened. */
type SeriesEdit = (series: SeriesRow, opened: Set<string>, calendar: SchoolCalendar) => Revision;

interface OneEdit {
  seriesId: number;
  version: number;
  by: number;
  action: Action;
}

/**
 * Changes a series that still has the version its editor read, within a transaction; null where it has not. `edit` gives it
 * as it goes on, and a second one where it was cut before a key.
 */
export async function reviseSeries(
  glen: Glen,
  { seriesId, version, by, action }: OneEdit,
  edit: SeriesEdit,
): Promise<Touched | null> {
  const series = await heldSeries(glen.db, seriesId);
  if (!series) throw notFound('This session');
  if (series.version !== version) return null;
  const { calendar } = await readSchool(glen.db);
  const opened = new Set(
    (await occurrencesOfSeries(glen.db, seriesId))
      .filter((row) => row.opened)
      .map((row) => row.key_date),
  );
  const { keep, add, about } = edit(series, opened, calendar);
  const place = { classId: series.class_id, linkId: series.link_id };
  const rows = await rowsOf(glen, keep);
  await updateSeries(glen.db, seriesId, keep);
  const added = add ? await cutOff(glen, { series, opened, about, by }, add) : undefined;
  await remakeOccurrences(glen, { id: seriesId, ...place }, { text: keep, rows, about });
  await glen.audit({
    by,
    action,
    subject: `series:${seriesId}`,
    before: textOf(series),
    after: { ...keep, version: version + 1, ...(added === undefined ? {} : { added }) },
  });
  await announceSeries(glen, series);
  const revised = { seriesId, version: version + 1 };
  return added === undefined ? [revised] : [revised, { seriesId: added, version: 1 }];
}

interface Cutting {
  series: SeriesRow;
  opened: Set<string>;
  about: string | undefined;
  by: number;
}

/** Begins a second series from a key on; the rows from there on change hands, so that whatever points to them keeps pointing. */
async function cutOff(
  glen: Glen,
  { series, opened, about, by }: Cutting,
  { text, key }: { text: SeriesText; key: string },
): Promise<number> {
  if ([...opened].some((date) => date >= key))
    throw wrongField(
      'key',
      'The door of that date, or of a later one, has been opened already; begin with a later one.',
    );
  const place = { classId: series.class_id, linkId: series.link_id };
  const rows = await rowsOf(glen, text);
  const id = await insertSeries(glen.db, { ...place, by }, text);
  await giveOccurrences(glen.db, series.id, id, key);
  await cutShares(glen.db, series.id, id, key);
  await remakeOccurrences(glen, { id, ...place }, { text, rows, about });
  await glen.audit({
    by,
    action: 'begin-series',
    subject: `series:${id}`,
    after: { ...text, version: 1, cutFrom: series.id },
  });
  return id;
}

/** The same as a transaction of its own: 409 with how it stands where somebody was faster. */
export async function reviseOne(
  glen: Glen,
  one: OneEdit,
  key: string | undefined,
  edit: SeriesEdit,
): Promise<Edited> {
  const touched = await glen.db.transaction(() => reviseSeries(glen, one, edit));
  const read = (seriesId: number): Promise<Session> =>
    sessionOfSeries(glen, { seriesId, key }, one.by).catch(() =>
      sessionOfSeries(glen, { seriesId }, one.by),
    );
  if (!touched) throw stale(await read(one.seriesId));
  return { session: await read(touched.at(-1)!.seriesId), touched };
}
