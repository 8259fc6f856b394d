import { isDuplicate } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { addAccount, addPerson } from '../accounts/store.js';

interface NewPerson {
  name: string;
  email: string;
  role: 'student' | 'teacher';
}

/** Somebody new to the school, whose password they set themselves. 409 where another takes them in at this moment. */
export async function makePerson(glen: Glen, { name, email, role }: NewPerson): Promise<number> {
  const personId = await addPerson(glen.db, { name, role });
  try {
    await addAccount(glen.db, { personId, kind: 'school', email, passwordHash: null });
  } catch (error) {
    if (isDuplicate(error))
      throw new HttpProblem(409, `Somebody is taking in ${email} just now; try again.`);
    throw error;
  }
  return personId;
}
