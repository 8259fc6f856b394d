import { foldedName } from '@glen/core';
import type { Glen } from '../../glen.js';
import { peopleOfLink } from '../audience/store.js';
import { staffOf } from '../school/store.js';
import type { DoorFacts } from './facts.js';

/** Names, folded, of those who are known at a door: whoever uses one without an account has not proven who they are. */
export const foldedNames = (people: { name: string }[]): Set<string> =>
  new Set(people.map((person) => foldedName(person.name)));

/** Whether a name is that of a host, or of somebody whom the link is for. */
export async function isClaimed(
  glen: Glen,
  { row, at }: DoorFacts,
  name: string,
): Promise<boolean> {
  const [audience, staff] = await Promise.all([
    peopleOfLink(glen.db, row.link_id, at?.occurrence.occurrence_id),
    staffOf(glen.db, row.class_id),
  ]);
  return foldedNames([...audience, ...staff]).has(foldedName(name));
}
