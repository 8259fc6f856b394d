import { areOffice, areStaff } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { HttpProblem } from '../../http/problem.js';
import { rolesOfPeople, studentsTaughtBy } from './busyStore.js';

/**
 * Throws where somebody may not ask about the days of some people: a teacher asks about all who work at the school, and
 * about students on the rolls of the class periods that they teach; the head and the office about everybody.
 */
export async function mayAskAbout(db: Db, by: number, personIds: number[]): Promise<void> {
  const roles = await rolesOfPeople(db, [by, ...personIds]);
  const rolesOf = (id: number) => roles.get(id) ?? [];
  if (areOffice(rolesOf(by))) return;
  const others = personIds.filter((id) => id !== by && !areStaff(rolesOf(id)));
  const known = await studentsTaughtBy(db, by, others);
  if (others.some((id) => !known.has(id)))
    throw new HttpProblem(
      403,
      'You can ask about students whom you teach, and about the school’s staff.',
    );
}
