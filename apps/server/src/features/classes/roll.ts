import { areStaff, planRoll, readRollList } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { makePerson } from '../accounts/makePerson.js';
import { personById, personWithAddress } from '../accounts/store.js';
import { classById } from '../school/classes.sql.js';
import { announceClass } from './announceClass.js';
import { endKnocking } from './untilRoll.js';
import { knownBy, putOnRoll, rollIds } from './store.js';

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

/** Somebody whom the school did not know until now; without an address they have no account. */
const newStudent = (glen: Glen, { name, email }: Extract<Person, { email: string }>) =>
  makePerson(glen, {
    name,
    roles: ['student'],
    accounts: email === '' ? [] : [{ kind: 'school', email }],
  });

async function knownAs(glen: Glen, person: Person): Promise<number | undefined> {
  if ('personId' in person) return person.personId;
  return person.email === '' ? undefined : personWithAddress(glen.db, person.email);
}

/** A student by the id or address of theirs; whoever the school does not know yet is made. */
async function studentFor(glen: Glen, person: Person, at: number): Promise<number> {
  const known = await knownAs(glen, person);
  if (known === undefined) return newStudent(glen, person as Extract<Person, { email: string }>);
  const found = await personById(glen.db, known);
  if (!found) throw wrongField(`people.${at}`, 'They are retired; the office can bring them back.');
  if (areStaff(found.roles))
    throw wrongField(`people.${at}`, 'Whoever teaches here stands on no roll.');
  return known;
}

/** Puts people on the roll, all or none. */
export async function addToRoll(
  glen: Glen,
  classId: number,
  by: number,
  { people }: Body<'addToRoll'>,
): Promise<Answer<'addToRoll'>> {
  if ((await classById(glen.db, classId, by))!.is_occasion)
    throw new HttpProblem(409, 'An occasion has no roll; name whom it is for.');
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
  const rollSize = (await rollIds(glen.db, classId)).length;
  return { rollSize, personIds: added, isClosed };
}
