import type { Db } from '../../db/connect.js';
import type { PlaceRow } from './places.sql.js';

export interface Reader {
  id: number;
  name: string;
  email: string | null;
}

type Where = Pick<PlaceRow, 'class_id' | 'link_id' | 'shape'>;

/** Those of a group, or those whom a link is for; nothing where all of the roll read. */
async function narrowedTo(db: Db, { link_id, shape }: Where): Promise<number[] | null> {
  if (shape.readers === 'class') return null;
  if (shape.readers === 'audience') {
    const meant = await db.models.LinkPerson.findAll({ where: { link_id, as_what: 'member' } });
    return meant.map((row) => row.person_id);
  }
  const members = await db.models.GroupMember.findAll({
    where: { group_id: shape.readers.groupId },
  });
  return members.map((row) => row.person_id);
}

/** Who of a class period reads what stands there, by name: all of its roll, those of a group, or those whom the link is for. */
export async function readersOf(db: Db, place: Where): Promise<Reader[]> {
  const { RollEntry, Account } = db.models;
  const only = await narrowedTo(db, place);
  const roll = await RollEntry.findAll({
    where: { class_id: place.class_id, ...(only === null ? {} : { person_id: only }) },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  const accounts = await Account.findAll({
    where: { person_id: roll.map((row) => row.person_id), kind: 'school' },
    order: [['id', 'DESC']],
  });
  // The first account of each counts.
  const emails = new Map(accounts.map((account) => [account.person_id, account.email]));
  return roll.map(({ person }) => ({
    id: person!.id,
    name: person!.name,
    email: emails.get(person!.id) ?? null,
  }));
}

/** Of some people, those whom a link is not for. */
export const beyondAudience = (readers: Reader[], audience: { id: number }[]): Reader[] => {
  const meant = new Set(audience.map((p) => p.id));
  return readers.filter((r) => !meant.has(r.id));
};
