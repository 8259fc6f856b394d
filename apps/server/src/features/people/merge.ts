import { areStaff } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { followHosted, followPeople } from '../audience/linkPeople.js';
import { keepWords, rolesOfPerson } from '../accounts/store.js';
import { changePerson } from './changePerson.js';
import { rowOf } from './list.js';
import { listedPerson } from './list.sql.js';
import { keepOneGroupEach, keepOneNameEach, hostInBoth } from './places.js';
import { handOver } from './merge.sql.js';
import { classesLearned, classesTaught, givePlaces, placesOf, raisePlaces } from './places.js';
import { accountsOf, bumpPerson, heldPerson, personRecord } from './store.js';
import { titled } from './titled.js';

interface Two {
  personId: number;
  otherId: number;
}

/** Why two records cannot be made one; blank where they can. */
async function whyNot(glen: Glen, who: Who, { personId, otherId }: Two): Promise<string> {
  if (personId === otherId) return 'This is the same record.';
  if (otherId === who.person!.id) return 'The other is your own record: begin from there.';
  const roles = [
    ...(await rolesOfPerson(glen.db, personId)),
    ...(await rolesOfPerson(glen.db, otherId)),
  ];
  const isStudent = roles.includes('student');
  if (isStudent && areStaff(roles)) return 'One of them teaches here, the other is a student.';
  return '';
}

/** What making two records one would bring to the first; nothing is written. */
export async function factsOfMerging(
  glen: Glen,
  who: Who,
  two: Two,
): Promise<Answer<'mergeFacts'>> {
  const { personId, otherId } = two;
  const [here, other, listed] = await Promise.all([
    personRecord(glen.db, personId),
    personRecord(glen.db, otherId),
    listedPerson(glen.db, otherId),
  ]);
  if (!here || !other || !listed) throw notFound('This person');
  const accounts = await accountsOf(glen.db, otherId, glen.clock.machine());
  return {
    other: { ...rowOf(listed), version: other.version },
    accounts: accounts.map(({ id, kind, email }) => ({ id, kind, email })),
    teaches: (await classesTaught(glen.db, otherId)).map(titled),
    learns: (await classesLearned(glen.db, otherId)).map(titled),
    why: await whyNot(glen, who, two),
  };
}

/** Everybody who sees one of the two hears that they are one now. */
async function announceBoth(glen: Glen, personId: number): Promise<void> {
  const { rolls, teaches } = await placesOf(glen.db, personId);
  for (const id of new Set([...rolls, ...teaches.map((t) => t.classId)]))
    await glen.announce(`class:${id}`, { thing: 'class', id });
}

/**
 * Makes two records of one person one: accounts, places, visits and what the other did are this one's from now on.
 * Whoever is signed in by an account of the other stays so, as this person.
 */
export const mergePeople = (
  glen: Glen,
  who: Who,
  personId: number,
  { version, otherId, otherVersion }: Body<'mergePeople'>,
): Promise<Answer<'mergePeople'>> =>
  changePerson(glen, who, { personId, version, action: 'merge-people' }, async (person) => {
    const other = await heldPerson(glen.db, otherId);
    if (!other) throw wrongField('otherId', 'This person is not here.');
    if (other.version !== otherVersion) throw stale(undefined);
    const why = await whyNot(glen, who, { personId, otherId });
    if (why !== '') throw new HttpProblem(409, why);
    if (person.retiredAt) throw new HttpProblem(409, 'They are retired; bring them back first.');
    const before = { kept: person.name, other: other.name, otherId };
    await makeOne(glen, person, other);
    return { before };
  });

type Held = NonNullable<Awaited<ReturnType<typeof heldPerson>>>;

/** All that names the other names the first from now on; both are held against others. */
export async function makeOne(glen: Glen, person: Held, other: Held): Promise<void> {
  const { id: personId, version } = person;
  const { id: otherId } = other;
  await raisePlaces(glen.db, await placesOf(glen.db, otherId));
  if (other.retiredHad) await givePlaces(glen.db, otherId, other.retiredHad);
  await hostInBoth(glen.db, otherId, personId);
  await handOver(glen.db, otherId, personId);
  await keepOneGroupEach(glen.db, personId);
  await keepOneNameEach(glen.db, personId);
  await followPeople(glen.db, [personId]);
  await followHosted(glen.db, personId);
  const retired_at = glen.clock.machine();
  await bumpPerson(glen.db, otherId, other.version, {
    retired_at,
    retired_had: null,
    merged_into: personId,
  });
  await bumpPerson(glen.db, personId, version);
  await keepWords(glen.db, personId);
  await announceBoth(glen, personId);
}
