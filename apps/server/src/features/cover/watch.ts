import type { Glen } from '../../glen.js';
import { Ticker } from '../../operating/ticker.js';
import { schoolExists } from '../school/store.js';
import { followCovers } from './follow.js';

/** How often it is seen whether the day of a cover has come or is over. */
const EVERY_MS = 3000;

async function follow(glen: Glen): Promise<void> {
  if (await schoolExists(glen.db)) await followCovers(glen);
}

/** Has covers begin and end by themselves. What begins or ended while no server ran holds before anybody is answered. */
export async function watchCovers(glen: Glen): Promise<Ticker> {
  const complaint = 'covers cannot be looked after now';
  await follow(glen).catch((error: unknown) => glen.log.warn({ err: error }, complaint));
  const ticker = new Ticker(glen, EVERY_MS, () => follow(glen), complaint);
  ticker.start();
  return ticker;
}
