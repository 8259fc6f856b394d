import { addDays, editSeries, type EditScope, type SchoolCalendar } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { reviseSeries, type Past, type Revision, type Touched } from './reviseSeries.js';
import { BEGUN, OPENED, inBody, textOf, withWords } from './seriesText.js';
import { seriesHostedBy, type SeriesRow, type SeriesText } from './store.js';

/** Refuses unless the person hosts every one of these series' class periods. */
export async function checkHosts(glen: Glen, personId: number, seriesIds: number[]): Promise<void> {
  const rows = await seriesHostedBy(glen.db, personId, seriesIds);
  const hosted = new Set(rows.map((row) => row.id));
  if (seriesIds.some((id) => !hosted.has(id)))
    throw new HttpProblem(403, 'One of these sessions belongs to somebody else’s class period.');
}

type Item = Body<'changeSessions'>['changes'][number];

/** Refuses what cannot be changed any more once a door was opened. */
function checkOpened({ key, scope, change }: Item, { opened }: Past): void {
  const isBound = change.kind === 'cancel' || change.kind === 'move';
  if (isBound && scope === 'one' && opened.has(key))
    throw wrongField('key', change.kind === 'cancel' ? OPENED.cancel : OPENED.time);
}

/** From which date on a removal reaches, and how far: what has begun of a series stays, and with it the series. */
function removing(
  { key, scope }: Item,
  { opened, begun }: Past,
): { key: string; scope: EditScope } {
  const reached = (date: string): boolean => (scope === 'one' ? date === key : date >= key);
  if (scope !== 'whole') {
    if ([...opened].some(reached)) throw wrongField('key', OPENED.remove);
    if ([...begun].some(reached)) throw wrongField('key', BEGUN);
    return { key, scope };
  }
  if (opened.size + begun.size === 0) return { key, scope };
  const last = [...opened, ...begun].sort().at(-1)!;
  return { key: addDays(last, 1), scope: 'onwards' };
}

/** Changes dates of one series after one another; the last may cut it. */
function applyItems(
  series: SeriesRow,
  items: Item[],
  past: Past,
  calendar: SchoolCalendar,
): Revision {
  let keep: SeriesText | null = textOf(series);
  let add: Revision['add'];
  for (const item of items) {
    checkOpened(item, past);
    // A series whose last date was removed is gone, and nothing more becomes of it.
    if (!keep) break;
    const text: SeriesText = keep;
    const { change } = item;
    const { key, scope } = change.kind === 'remove' ? removing(item, past) : item;
    const edited = inBody('', () => editSeries(text, { scope, key, change }, calendar));
    keep = edited.keep && withWords(edited.keep);
    if (edited.add) add = { text: withWords(edited.add), key };
  }
  return { keep, add, about: items.length === 1 ? items[0]!.key : undefined };
}

/** Moves, cancels, removes, takes back or retitles dates of several series, all of them or none. */
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
        (series, past, calendar) => applyItems(series, items, past, calendar),
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
