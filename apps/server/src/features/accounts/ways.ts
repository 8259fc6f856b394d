import { mayUseWay, signersOf, type WayIn } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { rolesOfPerson } from './store.js';
import { readWays } from './waysStore.js';

interface Of {
  person_id: number;
  kind: 'school' | 'personal';
}

/** Whether the school lets an account come in some way. */
export async function isOpenTo(glen: Glen, { person_id, kind }: Of, way: WayIn): Promise<boolean> {
  const [{ shut }, roles] = await Promise.all([
    readWays(glen.db),
    rolesOfPerson(glen.db, person_id),
  ]);
  return mayUseWay(shut, signersOf(kind, roles), way);
}

/** What people sign on at, of one kind of account, in words; nothing where there is none. */
function providersInWords({ signOn }: Glen, kind: Of['kind']): string {
  const names = [...signOn.values()].filter((p) => p.kind === kind).map((p) => p.name);
  return names.join(' or ');
}

/** Throws 403 where the school has shut passwords for an account. */
export async function mustTakePassword(glen: Glen, account: Of): Promise<void> {
  if (await isOpenTo(glen, account, 'password')) return;
  const where = providersInWords(glen, account.kind);
  throw new HttpProblem(
    403,
    where ? `The school has you sign on at ${where}.` : 'The school takes no passwords from you.',
  );
}
