import type { RuleLayer } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { privateTo } from '../entry/privateTitles.js';

interface Held {
  link_id: number;
  layers: RuleLayer[] | string | null;
}

/** Those of some sessions whose registers somebody may read: who came to a private one is for those whom its link means. */
export async function readableBy<Row extends Held>(
  db: Db,
  rows: Row[],
  personId: number,
): Promise<Row[]> {
  const isHidden = await privateTo(db, rows, personId);
  return rows.filter((row) => !isHidden(row));
}
