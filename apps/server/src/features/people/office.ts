import { areOffice, type PersonRole } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { heldOffice } from './store.js';

/** Throws 409 where nobody would be left to look after the school once this person no longer does. */
export async function refuseIfLastOffice(glen: Glen, personId: number): Promise<void> {
  const office = await heldOffice(glen.db);
  if (office.includes(personId) && office.length === 1)
    throw new HttpProblem(
      409,
      'Nobody would be left to look after the school. Make somebody else head or office first.',
    );
}

/** Throws 409 where a change of roles would shut its own author out, or leave nobody to look after the school. */
export async function refuseLosingOffice(
  glen: Glen,
  { by, personId, roles }: { by: number; personId: number; roles: PersonRole[] },
): Promise<void> {
  if (areOffice(roles)) return;
  await refuseIfLastOffice(glen, personId);
  if (by === personId)
    throw new HttpProblem(
      409,
      'You would shut yourself out of this page. Somebody else of the office can change that.',
    );
}
