import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import { whoPresents } from '../audience/presentingStore.js';
import { leftOutOf } from '../audience/store.js';

/** So many of the next dates are looked at. */
const MOST_DATES = 60;

/** Who presents when in a class period: the next dates that somebody is named at. What is another's alone is left out. */
export async function presentingIn(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'presenting'>> {
  const all = await whoPresents(glen.db, classId, { now: glen.clock.school(), most: MOST_DATES });
  const linkIds = [...new Set(all.map((date) => date.linkId))];
  const out = await leftOutOf(glen.db, who.person!.id, linkIds);
  const seen = all.filter((date) => !out.has(date.linkId));
  return { looked: seen.length, dates: seen.filter((date) => date.presenters.length > 0) };
}
