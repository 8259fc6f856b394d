import { resolveRules, type EntryRules, type RuleLayer } from '@glen/core';
import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';
import { layersFrom } from '../entry/layers.js';
import { linkAtDoor, type LinkAtDoorRow } from './door.sql.js';

/** A link as its door needs it, with its rules resolved. */
export interface LinkAtDoor extends LinkAtDoorRow {
  layers: RuleLayer[];
  rules: EntryRules;
}

/** Seconds after which a link is read anew though nothing was told of it: a host's new name, say. */
const KEPT_SECONDS = 20;
/** So many links are kept at the most. */
const MOST = 2000;

interface Kept {
  link: LinkAtDoor;
  until: string;
}

export async function readLinkAtDoor(db: Db, code: string): Promise<LinkAtDoor | undefined> {
  const row = await linkAtDoor(db, code);
  if (!row) return undefined;
  const layers = layersFrom(row);
  return { ...row, layers, rules: resolveRules(layers).rules };
}

/**
 * Links by their codes, kept for those who look at doors until a change of the link or its class period is told, by this
 * process or another. Who enters reads anew, under the link's lock.
 */
export class LinksAtDoors {
  private readonly kept = new Map<string, Kept>();
  /** Rises with every change: what was read before one is not kept after it. */
  private turn = 0;
  private readonly db: Db;
  private readonly clock: Clock;

  constructor(db: Db, clock: Clock) {
    this.db = db;
    this.clock = clock;
  }

  async byCode(code: string): Promise<LinkAtDoor | undefined> {
    const known = this.kept.get(code);
    if (known && known.until > this.clock.machine()) return known.link;
    const turn = this.turn;
    const link = await readLinkAtDoor(this.db, code);
    if (link && turn === this.turn) this.keep(code, link);
    return link;
  }

  private keep(code: string, link: LinkAtDoor): void {
    this.kept.delete(code);
    this.kept.set(code, { link, until: this.clock.machine(KEPT_SECONDS) });
    if (this.kept.size > MOST) this.kept.delete(this.kept.keys().next().value!);
  }

  /** Something changed: links that it may bear on are read anew. */
  forget = (change: LiveChange, topic: string): void => {
    if (change.thing === 'desk') return;
    this.turn += 1;
    const [kind, id] = topic.split(':');
    if (kind !== 'class' && kind !== 'door') {
      if (kind === 'clock') this.kept.clear();
      return;
    }
    for (const [code, { link }] of this.kept)
      if (Number(id) === (kind === 'class' ? link.class_id : link.link_id)) this.kept.delete(code);
  };
}
