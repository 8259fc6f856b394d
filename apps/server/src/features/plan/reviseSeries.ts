import type { Action, SchoolCalendar } from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { cutGuests } from '../audience/guestStore.js';
import { cutPresenters } from '../audience/presenterStore.js';
import { cutShares } from '../link/shareStore.js';
import { readSchool } from '../school/store.js';
import { handProgrammesOn } from '../programme/programmeStore.js';
import { handSlotsOn } from '../slot/cutStore.js';
import { announceSeries, remakeOccurrences, rowsOf } from './occurrenceRows.js';
import { BEGUN, textOf } from './seriesText.js';
import { sessionOfSeries } from './sessions.js';
import {
  deleteOccurrences,
  giveOccurrences,
  heldSeries,
  insertSeries,
  occurrencesOfSeries,
  setRemoved,
  updateSeries,
  type SeriesRow,
  type SeriesText,
} from './store.js';

export type Touched = Answer<'changeSessions'>['touched'];
export type Edited = Answer<'editSession'>;

/** What becomes of a series: `keep` goes on, null where it never was; `add` begins a second one at a key; `about` is the date that it is about. */
export interface Revision {
  keep: SeriesText | null;
  add?: { text: SeriesText; key: string } | undefined;
  about?: string | undefined;
}

/** The keys of a series whose doors have been opened, and those that have begun. */
export interface Past {
  opened: Set<string>;
  begun: Set<string>;
}

/** Edits a series. */
type SeriesEdit = (series: SeriesRow, past: Past, calendar: SchoolCalendar) => Revision;

async function pastOf(glen: Glen, seriesId: number): Promise<Past> {
  const rows = await occurrencesOfSeries(glen.db, seriesId);
  const keysOf = (of: typeof rows): Set<string> => new Set(of.map((row) => row.key_date));
  const now = glen.clock.school();
  return {
    opened: keysOf(rows.filter((row) => row.opened)),
    begun: keysOf(rows.filter((row) => row.start_at <= now && row.status !== 'skipped')),
  };
}

/** Takes a series off the books as if it had never been: its dates go, what the log has of it stays. */
async function removeSeries(glen: Glen, series: SeriesRow, by: number): Promise<Touched> {
  const rows = await occurrencesOfSeries(glen.db, series.id);
  await deleteOccurrences(
    glen.db,
    rows.map((row) => row.id),
  );
  await setRemoved(glen.db, series.id, glen.clock.school());
  const version = series.version + 1;
  await glen.audit({
    by,
    action: 'remove-series',
    subject: `series:${series.id}`,
    before: textOf(series),
    after: { version },
  });
  await announceSeries(glen, series);
  return [{ seriesId: series.id, version }];
}

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
  const past = await pastOf(glen, seriesId);
  const { keep, add, about } = edit(series, past, calendar);
  if (!keep) {
    // What was held may lie outside the plan as it is now: it is history, and the series stays with it.
    if (past.opened.size + past.begun.size > 0) throw wrongField('key', BEGUN);
    return removeSeries(glen, series, by);
  }
  const place = { classId: series.class_id, linkId: series.link_id };
  const rows = await rowsOf(glen, keep);
  await updateSeries(glen.db, seriesId, keep);
  const added = add
    ? await cutOff(glen, { series, opened: past.opened, about, by }, add)
    : undefined;
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
  await cutGuests(glen.db, series.id, id, key);
  await cutPresenters(glen.db, series.id, id, key);
  await handSlotsOn(glen.db, series.id, id, key);
  await handProgrammesOn(glen.db, series.id, id, key);
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
