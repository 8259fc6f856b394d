import { areStaff } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makePerson } from '../accounts/makePerson.js';
import { rolesOfPerson } from '../accounts/store.js';
import { changePerson } from './changePerson.js';
import { bumpPerson, guardiansOf, ownerOf, personRecord, writeGuardians } from './store.js';

type Named = Body<'setGuardians'>['guardians'][number];

/** Somebody known by their id; a host may name those alone who are guardians of this student already. */
async function knownGuardian(
  glen: Glen,
  { id, at, mayNameAnybody }: { id: number; at: string; mayNameAnybody: boolean },
): Promise<number> {
  const person = mayNameAnybody ? await personRecord(glen.db, id) : undefined;
  if (!person || person.retiredAt) throw wrongField(at, 'This person is not known here.');
  return id;
}

/** Whoever has this address, or somebody new; they see nothing by being a guardian. */
async function guardianByAddress(
  glen: Glen,
  { name, email }: Extract<Named, { name: string }>,
  at: string,
): Promise<number> {
  const owner = email === '' ? undefined : await ownerOf(glen.db, email);
  if (owner?.isRetired)
    throw wrongField(`${at}.email`, `This is the address of ${owner.name}, who is retired.`);
  if (owner && owner.name.toLowerCase() !== name.toLowerCase())
    throw wrongField(`${at}.email`, 'Somebody of another name has this address.');
  if (owner) return owner.id;
  const accounts = email === '' ? [] : [{ kind: 'personal' as const, email }];
  return makePerson(glen, { name, roles: ['guest'], accounts });
}

/** Says who a student's parents or guardians are, all of them. */
export const setGuardians = (
  glen: Glen,
  who: Who,
  personId: number,
  { version, guardians }: Body<'setGuardians'>,
): Promise<Answer<'setGuardians'>> =>
  changePerson(glen, who, { personId, version, action: 'set-guardians' }, async () => {
    if (areStaff(await rolesOfPerson(glen.db, personId)))
      throw new HttpProblem(409, 'Students have guardians; this is one of the school’s staff.');
    const before = await guardiansOf(glen.db, personId);
    const had = new Set(before.map((g) => g.id));
    const ids: number[] = [];
    for (const [i, named] of guardians.entries()) {
      const at = `guardians.${i}`;
      const id =
        'personId' in named
          ? await knownGuardian(glen, {
              id: named.personId,
              at,
              mayNameAnybody: isOffice(who) || had.has(named.personId),
            })
          : await guardianByAddress(glen, named, at);
      if (id === personId) throw wrongField(at, 'Nobody is their own guardian.');
      ids.push(id);
    }
    await writeGuardians(glen.db, personId, [...new Set(ids)]);
    await bumpPerson(glen.db, personId, version);
    const after = await guardiansOf(glen.db, personId);
    return { before: before.map((g) => g.name), after: after.map((g) => g.name) };
  });
