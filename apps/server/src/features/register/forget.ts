import { plusMinutes } from '@glen/core';
import type { Glen } from '../../glen.js';
import { datesToForget, forgetArrivalsAt } from './forgetStore.js';
import { readWays } from './waysStore.js';

const A_DAY_MINUTES = 24 * 60;
const AT_ONCE = 100;

/**
 * Forgets when people were in, of sessions so long ago that the school keeps it no longer: how their registers stood stays.
 * Gives how many sessions.
 */
export async function forgetArrivals(glen: Glen): Promise<number> {
  const { keptDays } = await readWays(glen.db);
  const before = plusMinutes(glen.clock.school(), -keptDays * A_DAY_MINUTES);
  const ids = await datesToForget(glen.db, before, AT_ONCE);
  await glen.db.transaction(() => forgetArrivalsAt(glen.db, ids));
  return ids.length;
}
