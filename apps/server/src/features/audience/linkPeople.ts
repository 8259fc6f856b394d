import { Op } from 'sequelize';
import { inParts } from '../../db/inParts.js';
import type { Db } from '../../db/connect.js';
import { meantBy, type Meant } from './linkPeople.sql.js';

// `link_people` is kept here. Whoever changes rolls, staff, groups, audiences, hosts of links or shares says so, within
// the transaction of the change; a test holds the table against its definition after every suite.

const keyOf = ({ link_id, person_id, as_what, series_id, key_date }: Meant): string =>
  [link_id, person_id, as_what, series_id, key_date].join(' ');

const without = (rows: Meant[], others: Meant[]): Meant[] => {
  const keys = new Set(others.map(keyOf));
  return rows.filter((row) => !keys.has(keyOf(row)));
};

const asMeant = ({ link_id, person_id, as_what, series_id, key_date }: Meant): Meant => ({
  link_id,
  person_id,
  as_what,
  series_id,
  key_date,
});

type Of = { linkIds: number[] } | { personIds: number[] };

async function keptOf(db: Db, of: Of): Promise<Meant[]> {
  const where = 'linkIds' in of ? { link_id: of.linkIds } : { person_id: of.personIds };
  return (await db.models.LinkPerson.findAll({ where })).map(asMeant);
}

/** Two who change what the same link follows from come one after another, so that the later sees what the earlier did. */
async function hold(db: Db, linkIds: number[]): Promise<void> {
  await db.models.Link.findAll({
    attributes: ['id'],
    where: { id: linkIds },
    order: [['id', 'ASC']],
    lock: true,
  });
}

async function bringInLine(db: Db, of: Of): Promise<void> {
  const wanted = await meantBy(db, of);
  const kept = await keptOf(db, of);
  for (const part of inParts(without(kept, wanted)))
    await db.models.LinkPerson.destroy({ where: { [Op.or]: part.map((row) => ({ ...row })) } });
  for (const part of inParts(without(wanted, kept)))
    await db.models.LinkPerson.bulkCreate(part, { ignoreDuplicates: true });
}

/** What some links follow from has changed. */
export async function followLinks(db: Db, linkIds: number[]): Promise<void> {
  if (linkIds.length === 0) return;
  await db.transaction(async () => {
    await hold(db, linkIds);
    await bringInLine(db, { linkIds });
  });
}

/** The rolls or teachers of some class periods have changed, or they were put away or brought back. */
export async function followClasses(db: Db, classIds: number[]): Promise<void> {
  const { Link, LinkAudience, Share } = db.models;
  const where = { class_id: classIds };
  const own = await Link.findAll({ attributes: ['id'], where });
  const meant = await LinkAudience.findAll({ attributes: ['link_id'], where });
  const joined = await Share.findAll({ attributes: ['link_id'], where });
  const others = [...meant, ...joined].map((row) => row.link_id);
  await followLinks(db, [...new Set([...own.map((link) => link.id), ...others])]);
}

/** The members of some groups have changed. */
export async function followGroups(db: Db, groupIds: number[]): Promise<void> {
  const meant = await db.models.LinkAudience.findAll({
    attributes: ['link_id'],
    where: { group_id: groupIds },
  });
  await followLinks(db, [...new Set(meant.map((row) => row.link_id))]);
}

/** Some people have other places than before, anywhere. */
export async function followPeople(db: Db, personIds: number[]): Promise<void> {
  const of = { personIds };
  await db.transaction(async () => {
    const touched = [...(await meantBy(db, of)), ...(await keptOf(db, of))];
    await hold(db, [...new Set(touched.map((row) => row.link_id))]);
    await bringInLine(db, of);
  });
}

/** Links that somebody hosts by name may be theirs alone now, or no longer: their class periods' teachers with them. */
export async function followHosted(db: Db, personId: number): Promise<void> {
  const rows = await db.models.LinkHost.findAll({ where: { person_id: personId } });
  await followLinks(
    db,
    rows.map((row) => row.link_id),
  );
}
