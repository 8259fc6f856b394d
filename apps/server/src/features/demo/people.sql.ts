import type { Account, Person } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { rolesFrom } from '../../http/who.js';
import { rolesOf } from '../../http/whoStore.sql.js';

interface PersonRow {
  id: number;
  name: string;
  /** With commas. */
  roles: string | null;
  account_id: number;
  kind: Account['kind'];
  email: string;
  teaches: string | null;
  learns: string | null;
}

const PEOPLE = `
  SELECT p.id, p.name, ${rolesOf('p.id')} AS roles, a.id AS account_id, a.kind, a.email,
    (SELECT GROUP_CONCAT(c.ref ORDER BY c.id) FROM class_staff cs JOIN class_periods c ON c.id = cs.class_id WHERE cs.person_id = p.id) AS teaches,
    (SELECT GROUP_CONCAT(c.ref ORDER BY c.id) FROM roll r JOIN class_periods c ON c.id = r.class_id WHERE r.person_id = p.id) AS learns
  FROM people p JOIN accounts a ON a.person_id = p.id WHERE p.retired_at IS NULL ORDER BY (SELECT MIN(FIELD(fr.role, 'teacher', 'head', 'office', 'guest', 'student')) FROM person_roles fr WHERE fr.person_id = p.id), p.id, a.kind, a.id`;

/** Everyone of the demo school with their accounts and class periods, for its one-click sign-in. */
export async function demoPeople(db: Db) {
  const rows = await db.rows<PersonRow>(PEOPLE);
  const people = new Map<
    number,
    Person & { accounts: Account[]; teaches: string[]; learns: string[] }
  >();
  for (const row of rows) {
    const person = people.get(row.id) ?? {
      id: row.id,
      name: row.name,
      roles: rolesFrom(row.roles),
      accounts: [],
      teaches: row.teaches?.split(',') ?? [],
      learns: row.learns?.split(',') ?? [],
    };
    person.accounts.push({ id: row.account_id, kind: row.kind, email: row.email });
    people.set(row.id, person);
  }
  return [...people.values()];
}
