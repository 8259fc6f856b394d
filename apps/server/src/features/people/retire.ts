import { areOffice, classTitle } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import type { HadByRetired } from '../../db/models/Person.js';
import type { Who } from '../../http/who.js';
import { signOutElsewhere } from '../../http/browserSessions.js';
import { rolesOfPerson } from '../accounts/store.js';
import { changePerson } from './changePerson.js';
import { refuseIfLastOffice } from './office.js';
import {
  classesLearned,
  closeAddresses,
  givePlaces,
  leaveAllPlaces,
  placesOf,
  raisePlaces,
} from './places.js';
import { comingSessions, onlyHostOf } from './places.sql.js';
import { accountsOf, bumpPerson, heldOffice, personRecord } from './store.js';
import { titled } from './titled.js';

/** What retiring somebody would touch; nothing is written. */
export async function factsOfRetiring(
  glen: Glen,
  personId: number,
  who: Who,
): Promise<Answer<'retireFacts'>> {
  if (!(await personRecord(glen.db, personId))) throw notFound('This person');
  const [only, places, coming, rolls, office] = await Promise.all([
    onlyHostOf(glen.db, personId),
    placesOf(glen.db, personId),
    comingSessions(glen.db, personId, glen.clock.school()),
    classesLearned(glen.db, personId),
    glen.db.transaction(() => heldOffice(glen.db)),
  ]);
  return {
    onlyHostOf: only.map(titled),
    teaches: places.teaches.length,
    sessions: Number(coming?.n ?? 0),
    next: coming
      ? { classTitle: classTitle(coming), date: coming.local_date, time: coming.local_time }
      : null,
    rolls: rolls.map(titled),
    groups: places.groups.length,
    links: places.links.length + places.hostsLinks.length,
    isLastOffice: office.length === 1 && office[0] === personId,
    isYourself: who.person!.id === personId,
  };
}

/** Everybody whose page shows one of these places hears that it changed. */
async function announcePlaces(glen: Glen, { rolls, teaches }: HadByRetired): Promise<void> {
  for (const id of new Set([...rolls, ...teaches.map((t) => t.classId)])) {
    await glen.announce(`class:${id}`, { thing: 'class', id });
    await glen.announce(`class:${id}`, { thing: 'classes', id });
  }
}

async function refuseUnlessMayRetire(glen: Glen, who: Who, personId: number): Promise<void> {
  if (who.person!.id === personId)
    throw new HttpProblem(
      409,
      'You would shut yourself out. Somebody else of the office can retire you.',
    );
  if (areOffice(await rolesOfPerson(glen.db, personId))) await refuseIfLastOffice(glen, personId);
  const [only] = await onlyHostOf(glen.db, personId);
  if (only)
    throw new HttpProblem(
      409,
      `Nobody else hosts ${classTitle(only)}. Name another host there first, or put it away.`,
    );
}

/** Retires somebody: their accounts sign in no more, what they had ends, and all of it is kept. */
export const retirePerson = (
  glen: Glen,
  who: Who,
  personId: number,
  version: number,
): Promise<Answer<'retirePerson'>> =>
  changePerson(glen, who, { personId, version, action: 'retire-person' }, async (person) => {
    if (person.retiredAt) throw new HttpProblem(409, 'They are retired already.');
    await refuseUnlessMayRetire(glen, who, personId);
    const had = await placesOf(glen.db, personId);
    const retired_at = glen.clock.machine();
    await raisePlaces(glen.db, had);
    await leaveAllPlaces(glen.db, personId);
    const accountIds = (await accountsOf(glen.db, personId, retired_at)).map((a) => a.id);
    await signOutElsewhere(glen, accountIds);
    await closeAddresses(glen.db, accountIds);
    await bumpPerson(glen.db, personId, version, { retired_at, retired_had: had });
    await announcePlaces(glen, had);
    return { before: { name: person.name } };
  });

/** Brings somebody back, with what they had as far as it still stands; they sign in as before. */
export const bringBackPerson = (
  glen: Glen,
  who: Who,
  personId: number,
  version: number,
): Promise<Answer<'bringBackPerson'>> =>
  changePerson(glen, who, { personId, version, action: 'bring-back-person' }, async (person) => {
    if (!person.retiredAt) throw new HttpProblem(409, 'They are not retired.');
    await bumpPerson(glen.db, personId, version, { retired_at: null, retired_had: null });
    if (person.retiredHad) {
      await givePlaces(glen.db, personId, person.retiredHad);
      await raisePlaces(glen.db, person.retiredHad);
      await announcePlaces(glen, person.retiredHad);
    }
    return { after: { name: person.name } };
  });
