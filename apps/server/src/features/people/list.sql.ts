import { wordsAsked } from '@glen/core';
import type { Query } from '@glen/contract';
import { PEOPLE_AT_ONCE } from '@glen/contract/schemas';
import type { Db } from '../../db/connect.js';
import { rolesOf } from '../../http/whoStore.sql.js';
import { foundByWords } from '../accounts/words.sql.js';

export interface ListedPerson {
  id: number;
  name: string;
  /** With commas. */
  roles: string | null;
  email: string | null;
  teaches: number;
  learns: number;
  retired_at: string | null;
}

type Asked = Query<'people'>;

/** What a list is in the order of, and how it goes on after somebody: by key, so that page 250 costs what the first does. */
const ORDERS: Record<Asked['sort'], { by: string; after: string }> = {
  name: {
    by: 'p.name, p.id',
    after: '(p.name > l.name OR (p.name = l.name AND p.id > l.id))',
  },
  family: {
    by: 'p.family, p.id',
    after: '(p.family > l.family OR (p.family = l.family AND p.id > l.id))',
  },
  newest: { by: 'p.id DESC', after: 'p.id < l.id' },
};

const LISTED = `p.id, p.name, ${rolesOf('p.id')} AS roles,
  (SELECT a.email FROM accounts a WHERE a.person_id = p.id ORDER BY a.kind, a.id LIMIT 1) AS email,
  (SELECT COUNT(*) FROM class_staff cs WHERE cs.person_id = p.id) AS teaches,
  (SELECT COUNT(*) FROM roll r WHERE r.person_id = p.id) AS learns, p.retired_at`;

function conditionOf({ q, role, standing }: Asked) {
  const words = wordsAsked(q);
  const found = q.trim() === '' ? { sql: '1 = 1', values: {} } : foundByWords('p.id', words);
  const parts = [
    standing === 'here' ? 'p.retired_at IS NULL' : 'p.retired_at IS NOT NULL',
    'p.merged_into IS NULL',
    found.sql,
    role === undefined
      ? '1 = 1'
      : 'EXISTS (SELECT 1 FROM person_roles fr WHERE fr.person_id = p.id AND fr.role = :role)',
  ];
  return { sql: parts.join(' AND '), values: { ...found.values, role: role ?? '' } };
}

/** People in order, one more than a page where there are more. The rows themselves are looked at last, for those of the page alone. */
export function listPeople(db: Db, asked: Asked): Promise<ListedPerson[]> {
  const { sql, values } = conditionOf(asked);
  const { by, after } = ORDERS[asked.sort];
  const from =
    asked.after === undefined
      ? 'people p WHERE'
      : `people p JOIN people l ON l.id = :after WHERE ${after} AND`;
  return db.rows<ListedPerson>(
    `SELECT ${LISTED} FROM (SELECT p.id FROM ${from} ${sql} ORDER BY ${by} LIMIT ${PEOPLE_AT_ONCE + 1}) page
     JOIN people p ON p.id = page.id ORDER BY ${by}`,
    { ...values, after: asked.after ?? 0 },
  );
}

const counted = async (db: Db, sql: string, values: Record<string, string>): Promise<number> =>
  Number((await db.one<{ n: number }>(`SELECT COUNT(*) AS n ${sql}`, values))!.n);

/** How many there are in all, on every page together. */
export async function countPeople(db: Db, asked: Asked): Promise<number> {
  const { role, standing, q } = asked;
  const { sql, values } = conditionOf(asked);
  const isOfRoleAlone = role !== undefined && standing === 'here' && q.trim() === '';
  if (!isOfRoleAlone) return counted(db, `FROM people p WHERE ${sql}`, values);
  // Of those who are one thing to the school, most are here: all of them are counted in the index, and the few who are
  // retired are taken away.
  const all = await counted(db, 'FROM person_roles WHERE role = :role', { role });
  const gone = await counted(
    db,
    'FROM people p JOIN person_roles r ON r.person_id = p.id AND r.role = :role WHERE p.retired_at IS NOT NULL',
    { role },
  );
  return all - gone;
}

/** One of them as the list has it, whatever its filters. */
export const listedPerson = (db: Db, personId: number): Promise<ListedPerson | undefined> =>
  db.one<ListedPerson>(`SELECT ${LISTED} FROM people p WHERE p.id = :personId`, { personId });
