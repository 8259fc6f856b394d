import { layerOf, resolveRules, type KeptRules } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { rulesOfLink } from '../entry/layers.js';
import { describeSeriesRules, type SeriesLayers } from '../entry/describe.js';
import { nextLayer, tellRooms } from '../entry/write.js';
import { reviseSeries } from './reviseSeries.js';
import { textOf } from './seriesText.js';
import { hasDate, seriesById } from './store.js';

export async function seriesLayers(glen: Glen, seriesId: number): Promise<SeriesLayers> {
  const series = await seriesById(glen.db, seriesId);
  if (!series) throw notFound('This session');
  return series;
}

/** Sets the rules of a whole series, or with a key of that date alone. */
export async function setSeriesRules(
  glen: Glen,
  seriesId: number,
  who: Who,
  { version, key, ...sent }: Body<'setSeriesRules'>,
): Promise<Answer<'rules'>> {
  const before = await seriesLayers(glen, seriesId);
  const { layers } = await rulesOfLink(glen.db, before.link_id);
  const rules = nextLayer(sent, key === undefined ? before.rules : before.date_rules[key]);
  resolveRules([...layers, layerOf(key === undefined ? 'series' : 'occurrence', rules)]);
  if (key !== undefined && !(await hasDate(glen.db, seriesId, key)))
    throw wrongField('key', 'The series has no such date.');
  const touched = await glen.db.transaction(async () => {
    const revised = await reviseSeries(
      glen,
      { seriesId, version, by: who.person!.id, action: 'set-rules' },
      (series) => {
        const text = textOf(series);
        if (key === undefined) return { keep: { ...text, rules } };
        return {
          keep: { ...text, dateRules: withDate(text.dateRules ?? {}, key, rules) },
          about: key,
        };
      },
    );
    if (revised) await tellRooms(glen, { linkId: before.link_id });
    return revised;
  });
  const now = await describeSeriesRules(glen, await seriesLayers(glen, seriesId), key, who);
  if (!touched) throw stale(now);
  return now;
}

function withDate(
  all: Record<string, KeptRules>,
  key: string,
  rules: KeptRules,
): Record<string, KeptRules> {
  const { [key]: _before, ...others } = all;
  return Object.keys(rules).length > 0 ? { ...others, [key]: rules } : others;
}
