import { areStaff, type PersonRole } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { signOutElsewhere } from '../../http/browserSessions.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { makePerson } from '../accounts/makePerson.js';
import { addAccount, keepWords, rolesOfPerson, writeRoles } from '../accounts/store.js';
import { changePerson } from './changePerson.js';
import { refuseIfLastOffice, refuseLosingOffice } from './office.js';
import { describePerson } from './person.js';
import { classesLearned, classesTaught, keepVisits } from './places.js';
import { accountsOf, bumpPerson, deleteAccount, ownerOf } from './store.js';
import { makeWayIn } from './wayIn.js';

/** Throws 422 beside the address where it is somebody's already; whoever is retired is named, to be brought back. */
async function refuseTaken(glen: Glen, email: string): Promise<void> {
  const owner = await ownerOf(glen.db, email);
  if (!owner) return;
  const whose = owner.isRetired
    ? `This is the address of ${owner.name}, who is retired: bring them back instead.`
    : `This is the address of ${owner.name} already.`;
  throw wrongField('email', whose);
}

/** Takes somebody in, with a one-time address for their password where they have an account. */
export async function takeIn(
  glen: Glen,
  who: Who,
  { name, roles, email, kind }: Body<'addPerson'>,
): Promise<Answer<'addPerson'>> {
  const by = who.person!.id;
  const made = await glen.db.transaction(async () => {
    if (email !== '') await refuseTaken(glen, email);
    const accounts = email === '' ? [] : [{ kind, email }];
    const personId = await makePerson(glen, { name, roles: [...new Set(roles)], accounts });
    const after = { name, roles, email };
    await glen.audit({ by, action: 'add-person', subject: `person:${personId}`, after });
    const [account] = await accountsOf(glen.db, personId, glen.clock.machine());
    return { personId, wayIn: account ? await makeWayIn(glen, account, by) : null };
  });
  return { ...(await describePerson(glen, made.personId, who)), wayIn: made.wayIn };
}

/** Throws where roles do not fit the places that somebody has. */
async function refuseMisfit(glen: Glen, personId: number, roles: PersonRole[]): Promise<void> {
  const [taught, learned] = await Promise.all([
    classesTaught(glen.db, personId),
    classesLearned(glen.db, personId),
  ]);
  if (!areStaff(roles) && taught.length > 0)
    throw wrongField('roles', `They teach ${taught[0]!.title}; take them out there first.`);
  if (areStaff(roles) && learned.length > 0)
    throw wrongField(
      'roles',
      `They stand on the roll of ${learned[0]!.title}; take them off first.`,
    );
}

/** Changes what somebody is called and what they are to the school. */
export const editPerson = (
  glen: Glen,
  who: Who,
  personId: number,
  { version, name, roles: sent }: Body<'editPerson'>,
): Promise<Answer<'editPerson'>> =>
  changePerson(glen, who, { personId, version, action: 'edit-person' }, async (person) => {
    if (person.retiredAt) throw new HttpProblem(409, 'They are retired; bring them back first.');
    const roles = [...new Set(sent)];
    await refuseLosingOffice(glen, { by: who.person!.id, personId, roles });
    await refuseMisfit(glen, personId, roles);
    const before = { name: person.name, roles: await rolesOfPerson(glen.db, personId) };
    await bumpPerson(glen.db, personId, version, { name });
    await writeRoles(glen.db, personId, roles);
    await keepWords(glen.db, personId);
    return { before, after: { name, roles } };
  });

export const giveAccount = (
  glen: Glen,
  who: Who,
  personId: number,
  { version, kind, email }: Body<'addAccount'>,
): Promise<Answer<'addAccount'>> =>
  changePerson(glen, who, { personId, version, action: 'add-account' }, async (person) => {
    if (person.retiredAt) throw new HttpProblem(409, 'They are retired; bring them back first.');
    await refuseTaken(glen, email);
    await bumpPerson(glen.db, personId, version);
    try {
      await addAccount(glen.db, { personId, kind, email, passwordHash: null });
    } catch (error) {
      if (isDuplicate(error)) throw wrongField('email', 'Somebody has this address already.');
      throw error;
    }
    await keepWords(glen.db, personId);
    return { after: { kind, email } };
  });

/** Takes an account away: whoever is signed in with it is out, what was done with it stays with its person. */
export const takeAccount = (
  glen: Glen,
  who: Who,
  personId: number,
  { version, accountId }: Body<'removeAccount'>,
): Promise<Answer<'removeAccount'>> =>
  changePerson(glen, who, { personId, version, action: 'remove-account' }, async () => {
    const accounts = await accountsOf(glen.db, personId, glen.clock.machine());
    const account = accounts.find((a) => a.id === accountId);
    if (!account) throw wrongField('accountId', 'This account is not theirs.');
    if (who.account!.id === accountId)
      throw new HttpProblem(409, 'You are signed in with this account just now.');
    const keepsSchool = accounts.some(
      (a) => a.id !== accountId && a.kind === 'school' && a.hasPassword,
    );
    if (account.kind === 'school' && !keepsSchool) await refuseIfLastOffice(glen, personId);
    await bumpPerson(glen.db, personId, version);
    await signOutElsewhere(glen, [accountId]);
    await keepVisits(glen.db, accountId);
    await deleteAccount(glen.db, accountId);
    await keepWords(glen.db, personId);
    return { before: { kind: account.kind, email: account.email } };
  });
