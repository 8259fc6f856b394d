import type { PersonRole } from '@glen/core';
import type { Account } from '@glen/contract';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { addAccount, addPerson, addWords } from './store.js';

interface NewPerson {
  name: string;
  roles: PersonRole[];
  accounts: Pick<Account, 'kind' | 'email'>[];
  /** Left out: they set their password themselves. */
  passwordHash?: string;
}

/** Somebody new to the school. 409 where another takes one of their addresses in at this moment. */
export async function makePerson(
  glen: Glen,
  { name, roles, accounts, passwordHash }: NewPerson,
): Promise<number> {
  const personId = await addPerson(glen.db, { name, roles });
  for (const account of accounts) {
    try {
      await addAccount(glen.db, { personId, ...account, passwordHash: passwordHash ?? null });
    } catch (error) {
      if (isDuplicate(error))
        throw new HttpProblem(409, `Somebody is taking in ${account.email} just now; try again.`);
      throw error;
    }
  }
  await addWords(glen.db, personId, { name, emails: accounts.map((a) => a.email) });
  return personId;
}
