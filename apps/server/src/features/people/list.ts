import type { Answer, Query } from '@glen/contract';
import { PEOPLE_AT_ONCE } from '@glen/contract/schemas';
import type { Glen } from '../../glen.js';
import { rolesFrom } from '../../http/who.js';
import { countPeople, listPeople, type ListedPerson } from './list.sql.js';

type Row = Answer<'people'>['people'][number];

export const rowOf = ({
  id,
  name,
  roles,
  email,
  teaches,
  learns,
  retired_at,
}: ListedPerson): Row => ({
  id,
  name,
  roles: rolesFrom(roles),
  email,
  teaches,
  learns,
  retiredAt: retired_at,
});

/** The people of the school, a page of them; how many there are is told with the first page. */
export async function peopleList(glen: Glen, asked: Query<'people'>): Promise<Answer<'people'>> {
  const [rows, total] = await Promise.all([
    listPeople(glen.db, asked),
    asked.after === undefined ? countPeople(glen.db, asked) : null,
  ]);
  return {
    people: rows.slice(0, PEOPLE_AT_ONCE).map(rowOf),
    total,
    isMore: rows.length > PEOPLE_AT_ONCE,
  };
}
