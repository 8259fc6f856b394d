import { expect } from 'vitest';
import type { Db } from '../src/db/connect.js';
import { meantBy, type Meant } from '../src/features/audience/linkPeople.sql.js';

const inOrder = (rows: Meant[]): string[] =>
  rows
    .map(
      (r) => `link ${r.link_id}: person ${r.person_id} ${r.as_what} ${r.series_id} ${r.key_date}`,
    )
    .sort();

/** Holds the kept table of who is meant by links against what it follows from. */
export async function expectMeantAsDefined(db: Db): Promise<void> {
  const links = await db.models.Link.findAll({ attributes: ['id'] });
  const defined = await meantBy(db, { linkIds: links.map((link) => link.id) });
  const kept = await db.models.LinkPerson.findAll();
  expect(inOrder(kept)).toEqual(inOrder(defined));
}
