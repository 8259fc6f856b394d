import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { notFound } from '../../http/problem.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { accountsOfClass, rollOf, staffOf } from '../school/store.js';
import { sessionsOfClass } from './sessions.js';

/** One class period with its people and its sessions; of drafts only its hosts hear. */
export async function describeClass(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Answer<'classPeriod'>> {
  const row = await classById(glen.db, classId, personId);
  if (!row) throw notFound('This class period');
  const [staff, roll, sessions, accounts] = await Promise.all([
    staffOf(glen.db, row.id),
    rollOf(glen.db, row.id),
    sessionsOfClass(glen, row.id, personId),
    accountsOfClass(glen.db, row.id),
  ]);
  const withAccounts = <P extends { id: number }>(person: P) => ({
    ...person,
    accounts: accounts
      .filter((a) => a.person_id === person.id)
      .map(({ id, kind, email }) => ({ id, kind, email })),
  });
  return {
    class: classItem(glen, row),
    version: row.version,
    staff: staff.map(withAccounts),
    roll: roll.map(withAccounts),
    sessions: hostsAs(row.as_what) ? sessions : sessions.filter((s) => !s.draft),
  };
}
