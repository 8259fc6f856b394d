import { editSeries, type SchoolCalendar } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { reviseSeries, type Revision, type Touched } from './reviseSeries.js';
import { OPENED, inBody, textOf, withWords } from './seriesText.js';
import { seriesHostedBy, type SeriesRow } from './store.js';

/** Refuses unless the person hosts every one of these series' class periods. */
export async function checkHosts(glen: Glen, personId: number, seriesIds: number[]): Promise<void> {
  const rows = await seriesHostedBy(glen.db, personId, seriesIds);
  const hosted = new Set(rows.map((row) => row.id));
  if (seriesIds.some((id) => !hosted.has(id)))
    throw new HttpProblem(403, 'One of these sessions belongs to somebody else’s class period.');
}

type Item = Body<'changeSessions'>['changes'][number];

/** Changes dates of one series after one another; the last may cut it. */
function applyItems(
  series: SeriesRow,
  items: Item[],
  opened: Set<string>,
  calendar: SchoolCalendar,
): Revision {
  let keep = textOf(series);
  let add: Revision['add'];
  for (const { key, scope, change } of items) {
    const touches = (date: string): boolean =>
      scope === 'one' ? date === key : scope === 'whole' || date >= key;
    if (
      change.kind !== 'set' &&
      change.kind !== 'restore' &&
      scope === 'one' &&
      [...opened].some(touches)
    )
      throw wrongField('key', change.kind === 'cancel' ? OPENED.cancel : OPENED.time);
    const edited = inBody('', () => editSeries(keep, { scope, key, change }, calendar));
    keep = withWords(edited.keep!);
    if (edited.add) add = { text: withWords(edited.add), key };
  }
  return { keep, add, about: items.length === 1 ? items[0]!.key : undefined };
}

/** Moves, cancels, takes back or retitles dates of several series, all of them or none. */
export async function changeSessions(
  glen: Glen,
  by: number,
  { changes }: Body<'changeSessions'>,
): Promise<{ touched: Touched }> {
  const bySeries = groupBySeries(changes);
  await checkHosts(glen, by, [...bySeries.keys()]);
  const touched = await glen.db.transaction(async () => {
    const all: Touched = [];
    for (const [seriesId, items] of [...bySeries].sort(([a], [b]) => a - b)) {
      const one = await reviseSeries(
        glen,
        { seriesId, version: items[0]!.version, by, action: 'change-sessions' },
        (series, opened, calendar) => applyItems(series, items, opened, calendar),
      );
      if (!one)
        throw new HttpProblem(
          409,
          'Somebody changed one of these sessions while you were at it; nothing was changed. Look again and repeat it.',
        );
      all.push(...one);
    }
    return all;
  });
  return { touched };
}

function groupBySeries(changes: Item[]): Map<number, Item[]> {
  const groups = new Map<number, Item[]>();
  for (const change of changes)
    groups.set(change.seriesId, [...(groups.get(change.seriesId) ?? []), change]);
  return groups;
}
