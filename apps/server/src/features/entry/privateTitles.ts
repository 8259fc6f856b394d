import {
  PRIVATE_SESSION,
  isPrivate,
  layerOf,
  type RuleLayer,
  type SessionPlan,
  type SessionWords,
  type KeptRules,
} from '@glen/core';
import type { Db } from '../../db/connect.js';
import { linksForNamedAlone, linksMeaning } from '../audience/store.js';
import { ownLayers, rulesOfLinks, rulesOfSession } from './layers.js';
import { kindsOfLinks } from './store.js';

/** A date that is held on a link, or a series, with rules of its own where it has any. */
type Held = { link_id: number } & ({ layers: RuleLayer[] | string | null } | { rules: KeptRules });

const layersOfHeld = (held: Held): RuleLayer[] =>
  'layers' in held ? ownLayers(held.layers ?? []) : [layerOf('series', held.rules)];

/** Tells of each of these whether it is private to others than a person. */
export async function privateTo(
  db: Db,
  held: Held[],
  personId: number,
): Promise<(one: Held) => boolean> {
  const all = [...new Set(held.map((one) => one.link_id))];
  const theirs = await linksMeaning(db, all, personId);
  const others = all.filter((id) => !theirs.has(id));
  if (others.length === 0) return () => false;
  const [kinds, named, rules] = await Promise.all([
    kindsOfLinks(db, others),
    linksForNamedAlone(db, others),
    rulesOfLinks(db, others),
  ]);
  return (one) => {
    const kind = kinds.get(one.link_id);
    if (kind === undefined) return false;
    const known = rules.get(one.link_id)!;
    const { whoMayEnter } = rulesOfSession(known, { layers: layersOfHeld(one) });
    return isPrivate({ kind, isForNamed: named.has(one.link_id), whoMayEnter });
  };
}

/** All that a session may say of itself: what it has of these is left out for strangers. */
interface Words {
  title: string;
  description?: string;
  why?: string | null;
  words?: Record<string, Partial<SessionWords>>;
  plan?: SessionPlan;
}

const withoutNotes = ({ changes = [], ...plan }: SessionPlan): SessionPlan => ({
  ...plan,
  changes: changes.map(({ note: _note, ...change }) => change),
});

const asStrangersRead = <T extends Words>(row: T): T => ({
  ...row,
  title: PRIVATE_SESSION,
  ...('description' in row ? { description: '' } : {}),
  ...('why' in row ? { why: null } : {}),
  ...('words' in row ? { words: {} } : {}),
  ...(row.plan ? { plan: withoutNotes(row.plan) } : {}),
});

/**
 * Sessions as a person may read them: what private ones are called, and what they are about, is for those whom their link
 * means. Nobody in particular (0) is a stranger everywhere.
 */
export async function readableTo<T extends Held & Words>(
  db: Db,
  rows: T[],
  personId: number,
): Promise<T[]> {
  const isHidden = await privateTo(db, rows, personId);
  return rows.map((row) => (isHidden(row) ? asStrangersRead(row) : row));
}
