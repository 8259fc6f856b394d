import {
  layerOf,
  resolveHostsGone,
  resolveRules,
  type EntryRules,
  type ResolvedRules,
  type RuleLayer,
  type KeptRules,
} from '@glen/core';
import type { Db } from '../../db/connect.js';
import { notFound } from '../../http/problem.js';
import { layersOfClass, layersOfLinks, type LayerRow } from './layers.sql.js';
import type { OccurrenceLayers } from './store.js';

/** A JSON column inside a subquery comes as text; elsewhere the driver has read it already. */
function json<T>(value: T | string | null | undefined, otherwise: T): T {
  if (value === null || value === undefined) return otherwise;
  return typeof value === 'string' ? (JSON.parse(value) as T) : value;
}

/** School, teacher, class period, and where the row has it the link. */
export const layersFrom = (row: LayerRow): RuleLayer[] => [
  layerOf('school', json<KeptRules>(row.school_rules, {}), json(row.school_locked, [])),
  layerOf('teacher', json<KeptRules>(row.teacher_rules, {})),
  layerOf('class', json<KeptRules>(row.class_rules, {})),
  ...(row.link_rules === undefined ? [] : [layerOf('link', json<KeptRules>(row.link_rules, {}))]),
];

/** What a session's own row says: the layers of its series and of its one date, where there are any. */
export const ownLayers = (layers: OccurrenceLayers | string): RuleLayer[] =>
  json<RuleLayer[]>(layers, []);

export async function rulesOfClass(
  db: Db,
  classId: number,
): Promise<ResolvedRules & { version: number; layers: RuleLayer[] }> {
  const row = await layersOfClass(db, classId);
  if (!row) throw notFound('This class period');
  const layers = layersFrom(row);
  return { ...resolveRules(layers), version: row.class_version, layers };
}

export type LinkRules = ResolvedRules & { version: number; classId: number; layers: RuleLayer[] };

/** The rules in force at links, by id. */
export async function rulesOfLinks(db: Db, linkIds: number[]): Promise<Map<number, LinkRules>> {
  const rows = await layersOfLinks(db, [...new Set(linkIds)]);
  return new Map(
    rows.map((row) => {
      const layers = layersFrom(row);
      return [
        row.link_id,
        { ...resolveRules(layers), version: row.link_version, classId: row.class_id, layers },
      ];
    }),
  );
}

export async function rulesOfLink(db: Db, linkId: number): Promise<LinkRules> {
  const known = (await rulesOfLinks(db, [linkId])).get(linkId);
  if (!known) throw notFound('This link');
  return known;
}

/** Minutes without a host after which the room of one session is closed. */
export const hostsGoneAt = (link: LinkRules, row: { layers: OccurrenceLayers }): number =>
  resolveHostsGone([...link.layers, ...ownLayers(row.layers ?? [])]).minutes;

/** The rules of one session: those of its link, and over them its own. */
export const rulesOfSession = (link: LinkRules, row: { layers: OccurrenceLayers }): EntryRules =>
  row.layers === null || row.layers.length === 0
    ? link.rules
    : resolveRules([...link.layers, ...ownLayers(row.layers)]).rules;
