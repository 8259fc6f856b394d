import { areStaff, planRoll, readRollList } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import { makePerson } from '../accounts/makePerson.js';
import { personById, personWithAddress } from '../accounts/store.js';
import { announceClass } from './announceClass.js';
import { refuseUnlessOnRoll } from './onRoll.js';
import { endKnocking } from './untilRoll.js';
import { knownBy, putOnRoll, rollIds, takeOff } from './store.js';

/** What a pasted list would do to a roll, line by line; nothing is written. */
export async function previewRoll(
  glen: Glen,
  classId: number,
  { text }: Body<'previewRoll'>,
): Promise<Answer<'previewRoll'>> {
  const entries = readRollList(text);
  const known = await knownBy(glen.db, {
    emails: entries.map((e) => e.email).filter(Boolean),
    names: entries.map((e) => e.name).filter(Boolean),
  });
  return { lines: planRoll(entries, known, await rollIds(glen.db, classId)) };
}

type Person = Body<'addToRoll'>['people'][number];

/** A student by the id or address of theirs; whoever the school does not know yet is made. */
async function studentFor(glen: Glen, person: Person, at: number): Promise<number> {
  const known =
    'personId' in person ? person.personId : await personWithAddress(glen.db, person.email);
  if (known === undefined) {
    const { name, email } = person as Extract<Person, { email: string }>;
    return makePerson(glen, { name, roles: ['student'], accounts: [{ kind: 'school', email }] });
  }
  const found = await personById(glen.db, known);
  if (!found) throw notFound('This person');
  if (areStaff(found.roles))
    throw wrongField(`people.${at}`, 'Whoever teaches here stands on no roll.');
  return known;
}

async function rollNow(
  glen: Glen,
  classId: number,
  personIds: number[],
): Promise<Answer<'takeOffRoll'>> {
  return { rollSize: (await rollIds(glen.db, classId)).length, personIds };
}

/** Puts people on the roll, all or none. */
export async function addToRoll(
  glen: Glen,
  classId: number,
  by: number,
  { people }: Body<'addToRoll'>,
): Promise<Answer<'addToRoll'>> {
  const { added, isClosed } = await glen.db.transaction(async () => {
    const ids: number[] = [];
    for (const [i, person] of people.entries()) ids.push(await studentFor(glen, person, i));
    const before = new Set(await rollIds(glen.db, classId));
    const fresh = [...new Set(ids)].filter((id) => !before.has(id));
    await putOnRoll(glen.db, classId, fresh);
    await glen.audit({ by, action: 'add-to-roll', subject: `class:${classId}`, after: fresh });
    await announceClass(glen, classId, fresh);
    const isClosed = fresh.length > 0 && (await endKnocking(glen, classId, by));
    return { added: fresh, isClosed };
  });
  return { ...(await rollNow(glen, classId, added)), isClosed };
}

/** Takes people off the roll; their account and what they did stay. */
export async function takeOffRoll(
  glen: Glen,
  classId: number,
  by: number,
  { personIds }: Body<'takeOffRoll'>,
): Promise<Answer<'takeOffRoll'>> {
  await glen.db.transaction(async () => {
    await refuseUnlessOnRoll(glen.db, classId, personIds);
    await takeOff(glen.db, classId, personIds);
    await glen.audit({
      by,
      action: 'take-off-roll',
      subject: `class:${classId}`,
      before: personIds,
    });
    await announceClass(glen, classId, personIds);
  });
  return rollNow(glen, classId, personIds);
}
