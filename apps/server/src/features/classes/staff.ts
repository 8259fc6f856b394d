import { areStaff } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makePerson } from '../accounts/makePerson.js';
import { personById, personWithAddress } from '../accounts/store.js';
import { changeClass } from './editClass.js';
import { addressesFor } from './passwordAddresses.js';
import { staffEntries, whoMakesClasses, writeStaff } from './store.js';

type Named = Body<'setStaff'>['staff'][number];

interface Teacher {
  id: number;
  /** The school did not know them until now. */
  isNew: boolean;
}

/** A teacher by the id or address of theirs; whoever the school does not know yet is made. */
async function teacherFor(
  glen: Glen,
  person: Named,
  at: number,
  mayMake: boolean,
): Promise<Teacher> {
  const known =
    'personId' in person ? person.personId : await personWithAddress(glen.db, person.email);
  if (known !== undefined) {
    const person = await personById(glen.db, known);
    if (person && areStaff(person.roles)) return { id: known, isNew: false };
    throw wrongField(`staff.${at}`, 'Only the school’s own teachers teach a class period.');
  }
  if (!mayMake) throw wrongField(`staff.${at}`, 'At this school the office takes in new teachers.');
  const { name, email } = person as Extract<Named, { email: string }>;
  return {
    id: await makePerson(glen, { name, roles: ['teacher'], accounts: [{ kind: 'school', email }] }),
    isNew: true,
  };
}

/**
 * Says who hosts, co-teaches and presents in a class period, all of them at once. It keeps a host whatever happens.
 * Gives one-time addresses for those who are new to the school, and for nobody else: naming somebody is no way into
 * their account.
 */
export async function setStaff(
  glen: Glen,
  classId: number,
  who: Who,
  { version, staff }: Body<'setStaff'>,
): Promise<Answer<'setStaff'>> {
  if (!staff.some((s) => s.as === 'host'))
    throw wrongField('staff', 'A class period has a host; name one before you take this one out.');
  const mayMake = isOffice(who) || (await whoMakesClasses(glen.db)) === 'teachers';
  return changeClass(glen, who, { classId, version, action: 'set-staff' }, async () => {
    const before = await staffEntries(glen.db, classId);
    const named = new Map<number, Teacher & Pick<Named, 'as'>>();
    for (const [i, person] of staff.entries()) {
      const teacher = await teacherFor(glen, person, i, mayMake);
      if (named.has(teacher.id)) throw wrongField(`staff.${i}`, 'They are named twice.');
      named.set(teacher.id, { ...teacher, as: person.as });
    }
    const teachers = [...named.values()];
    const after = teachers.map(({ id, as }) => ({ person_id: id, as_what: as }));
    await writeStaff(glen.db, classId, after);
    // Those who teach here no longer hear of it too.
    for (const id of new Set([...before, ...after].map((entry) => entry.person_id)))
      await glen.announce(`person:${id}`, { thing: 'classes', id: classId });
    const fresh = teachers.filter((t) => t.isNew).map((t) => t.id);
    const addresses = await addressesFor(
      glen,
      { personIds: fresh, forgotten: false },
      who.person!.id,
    );
    return { before, after, answer: { addresses } };
  });
}
