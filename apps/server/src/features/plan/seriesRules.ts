import { resolveRules, type EntryRules } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { rulesOfLink, type SeriesLayers } from '../entry/service.js';
import { reviseSeries, textOf } from './edit.js';
import { hasDate, seriesById } from './store.js';

export async function seriesLayers(glen: Glen, seriesId: number): Promise<SeriesLayers> {
  const series = await seriesById(glen.db, seriesId);
  if (!series) throw notFound('This session');
  return series;
}

/** Sets the rules of a whole series, or with a key of that date alone. Gives how the answer is to be taken: as it is, or as what somebody else has made of it. */
export async function setSeriesRules(
  glen: Glen,
  seriesId: number,
  by: number,
  { version, key, rules }: Body<'setSeriesRules'>,
): Promise<(now: Answer<'rules'>) => Answer<'rules'>> {
  const before = await seriesLayers(glen, seriesId);
  const { layers } = await rulesOfLink(glen.db, before.link_id);
  resolveRules([...layers, { scope: key === undefined ? 'series' : 'occurrence', rules }]);
  if (key !== undefined && !(await hasDate(glen.db, seriesId, key)))
    throw wrongField('key', 'The series has no such date.');
  const touched = await glen.db.transaction(() =>
    reviseSeries(glen, { seriesId, version, by, action: 'set-rules' }, (series) => {
      const text = textOf(series);
      if (key === undefined) return { keep: { ...text, rules } };
      return {
        keep: { ...text, dateRules: withDate(text.dateRules ?? {}, key, rules) },
        about: key,
      };
    }),
  );
  return (now) => {
    if (!touched) throw stale(now);
    return now;
  };
}

function withDate(
  all: Record<string, Partial<EntryRules>>,
  key: string,
  rules: Partial<EntryRules>,
): Record<string, Partial<EntryRules>> {
  const { [key]: _before, ...others } = all;
  return Object.keys(rules).length > 0 ? { ...others, [key]: rules } : others;
}
