import { readLinkCode } from '@glen/core';
import type { Glen } from '../../glen.js';
import { isStaff } from '../../http/access.js';
import type { Who } from '../../http/who.js';
import { classesHeardOf, linksByCode } from './store.js';

const MOST_DOORS = 20;

/** What this browser may hear of. A student at a door hears only about themselves and that the door changed. */
export async function topicsFor(glen: Glen, who: Who, doors: string): Promise<Set<string>> {
  const topics = new Set<string>(['clock']);
  if (who.sessionId !== null) topics.add(`browser:${who.sessionId}`);
  if (who.person) topics.add(`person:${who.person.id}`);
  if (who.person && isStaff(who)) {
    for (const id of await classesHeardOf(glen.db, who.person.id)) topics.add(`class:${id}`);
  }
  const codes = doors
    .split(',')
    .slice(0, MOST_DOORS)
    .map(readLinkCode)
    .filter((code) => code !== null);
  if (codes.length > 0)
    for (const id of await linksByCode(glen.db, codes)) topics.add(`door:${id}`);
  return topics;
}
