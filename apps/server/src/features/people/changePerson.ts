import type { Answer } from '@glen/contract';
import type { Action } from '@glen/core';
import type { Glen } from '../../glen.js';
import { notFound, stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { describePerson } from './person.js';
import { heldPerson } from './store.js';

type Detail = Answer<'person'>;
type HeldPerson = NonNullable<Awaited<ReturnType<typeof heldPerson>>>;

interface Change {
  personId: number;
  /** The version that whoever asks has read. */
  version: number;
  action: Action;
}

/** What the log says was before and after. */
interface Done {
  before?: unknown;
  after?: unknown;
}

/**
 * Changes a person who still has the version that was read, in one transaction; `work` writes it and says what was
 * before and after. 409 with how they stand where somebody else was faster, 404 where there is no such person.
 */
export async function changePerson(
  glen: Glen,
  who: Who,
  { personId, version, action }: Change,
  work: (person: HeldPerson) => Promise<Done>,
): Promise<Detail> {
  const by = who.person!.id;
  const isDone = await glen.db.transaction(async () => {
    const person = await heldPerson(glen.db, personId);
    if (!person) throw notFound('This person');
    if (person.version !== version) return false;
    const done = await work(person);
    await glen.audit({ by, action, subject: `person:${personId}`, ...done });
    await glen.announce(`person:${personId}`, { thing: 'me', id: personId });
    return true;
  });
  const now = await describePerson(glen, personId, who);
  if (!isDone) throw stale(now.person);
  return now;
}
