import type { Db } from '../../db/connect.js';
import { helperNow } from '../../http/helping.js';
import { wrongField } from '../../http/problem.js';
import { onlyCovers } from './store.js';

interface Naming {
  classId: number;
  by: number;
  /** Who is named to host or to present. */
  named: number[];
  /** The field that names them. */
  path: string;
}

/**
 * Throws beside the field where somebody names themselves who is there for a cover, or acts on somebody's behalf: what
 * they are there is to end with that.
 */
export async function mustNotNameThemselves(
  db: Db,
  { classId, by, named, path }: Naming,
): Promise<void> {
  const helper = helperNow();
  if (helper !== null && named.includes(helper))
    throw wrongField(path, 'You act on somebody’s behalf: they name you themselves.');
  if (named.includes(by) && (await onlyCovers(db, classId, by)))
    throw wrongField(path, 'You cover here: whoever teaches it names you for longer.');
}
