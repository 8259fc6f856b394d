import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { dropGuests, mergeGuests } from '../audience/guestStore.js';
import { dropPresenters, mergePresenters } from '../audience/presenterStore.js';
import { dropShares, mergeShares } from '../link/shareStore.js';
import { stopUnused } from '../link/store.js';
import { handProgrammesOn } from '../programme/programmeStore.js';
import { mergeSlots } from '../slot/cutStore.js';
import { tellSlotsOff } from '../slot/reseat.js';
import { remakeOccurrences, rowsOf, announceSeries } from './occurrenceRows.js';
import { checkHosts } from './changeSessions.js';
import { textOf } from './seriesText.js';
import {
  deleteOccurrences,
  deleteSeries,
  giveOccurrences,
  lastChange,
  occurrencesOfSeries,
  updateSeries,
  type SeriesChangeRow,
  type SeriesRow,
  type SeriesText,
  heldOrRemoved,
  heldSeries,
  setRemoved,
} from './store.js';

type Touched = Answer<'takeBackChange'>['touched'];

const tooLate = (): HttpProblem =>
  new HttpProblem(409, 'It was changed again in the meantime, so it stays as it is.');

async function remove(
  glen: Glen,
  series: SeriesRow,
  freshLink: number | undefined,
  by: number,
): Promise<void> {
  const rows = await occurrencesOfSeries(glen.db, series.id);
  if (rows.some((row) => row.opened))
    throw new HttpProblem(
      409,
      'One of its doors has been opened already, so it stays on the plan.',
    );
  await tellSlotsOff(glen, series.id);
  await deleteOccurrences(
    glen.db,
    rows.map((row) => row.id),
  );
  await dropShares(glen.db, series.id);
  await dropGuests(glen.db, series.id);
  await dropPresenters(glen.db, series.id);
  await deleteSeries(glen.db, series.id);
  // Made for it alone, and nothing else has come to it since.
  if (freshLink !== undefined) await stopUnused(glen.db, freshLink);
  await glen.audit({
    by,
    action: 'take-back',
    subject: `series:${series.id}`,
    before: { title: series.title, plan: series.plan },
  });
}

async function putBack(
  glen: Glen,
  series: SeriesRow,
  entry: SeriesChangeRow,
  by: number,
): Promise<void> {
  // An older entry of the log may know nothing of words and rules.
  const before: SeriesText = { words: {}, rules: {}, dateRules: {}, ...entry.before_state! };
  const { added } = entry.after_state!;
  if (added !== undefined) {
    await giveOccurrences(glen.db, added, series.id, '0000-00-00');
    await mergeShares(glen.db, added, series.id);
    await mergeGuests(glen.db, added, series.id);
    await mergePresenters(glen.db, added, series.id);
    await mergeSlots(glen.db, added, series.id);
    await handProgrammesOn(glen.db, added, series.id);
    await deleteSeries(glen.db, added);
  }
  await setRemoved(glen.db, series.id, null);
  const rows = await rowsOf(glen, before);
  await updateSeries(glen.db, series.id, before);
  await remakeOccurrences(
    glen,
    { id: series.id, classId: series.class_id, linkId: series.link_id },
    { text: before, rows },
  );
  await glen.audit({
    by,
    action: 'take-back',
    subject: `series:${series.id}`,
    before: textOf(series),
    after: { ...before, version: series.version + 1 },
  });
}

/**
 * Undoes the last change of series, each of which must still have the version that the change gave it: what was put on the
 * books goes, a series that was cut is whole again, the rest is as it was before.
 */
export async function takeBackChange(
  glen: Glen,
  by: number,
  { touched }: Body<'takeBackChange'>,
): Promise<{ touched: Touched }> {
  await checkHosts(
    glen,
    by,
    touched.map((t) => t.seriesId),
  );
  return glen.db.transaction(async () => {
    const restored: Touched = [];
    for (const one of touched) {
      const change = await changeToTakeBack(glen, one, touched, restored.length > 0);
      if (!change) continue;
      const { series, entry } = change;
      if (entry.before_state) {
        await putBack(glen, series, entry, by);
        restored.push({ seriesId: series.id, version: series.version + 1 });
      } else await remove(glen, series, entry.after_state?.freshLink, by);
      await announceSeries(glen, series);
    }
    return { touched: restored };
  });
}

/** A series with its last change, which must be the one that was named; nothing where it has gone back into its series by now. */
async function changeToTakeBack(
  glen: Glen,
  { seriesId, version }: Touched[number],
  touched: Touched,
  mayBeGone: boolean,
): Promise<{ series: SeriesRow; entry: SeriesChangeRow } | null> {
  const series = await heldOrRemoved(glen.db, seriesId);
  if (!series && mayBeGone) return null;
  const entry = series && (await lastChange(glen.db, seriesId));
  const after = entry?.after_state;
  if (!series || !after || series.version !== version || after.version !== version) throw tooLate();
  if (after.cutFrom !== undefined) throw tooLate();
  const other = after.added === undefined ? undefined : await heldSeries(glen.db, after.added);
  if (other && other.version !== touched.find((t) => t.seriesId === after.added)?.version)
    throw tooLate();
  return { series, entry };
}
