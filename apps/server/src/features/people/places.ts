import { Op, type InferAttributes } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { ClassPeriodRow } from '../../db/models/ClassPeriod.js';
import type { HadByRetired } from '../../db/models/Person.js';
import { oneMore } from '../../db/versions.js';
import { followHosted, followLinks, followPeople } from '../audience/linkPeople.js';
import { AT_ANY_TIME, columnsOfPresents, presentsOf } from '../audience/presenterStore.js';
import { ownStaff } from '../school/ownStaff.js';
import { giveGroupsAndLinks } from '../classes/leftStore.js';
import type { NamedClass } from './places.sql.js';

// Where somebody has a place.

/** All the places that somebody has. */
export async function placesOf(db: Db, personId: number): Promise<HadByRetired> {
  const { ClassStaff, RollEntry, GroupMember, LinkAudience, LinkHost, ClassGroup } = db.models;
  const presents = await db.models.LinkPresenter.findAll({ where: { person_id: personId } });
  const where = { person_id: personId };
  const staff = await ClassStaff.findAll({ where });
  const audience = await LinkAudience.findAll({ where });
  return {
    teaches: staff
      .flatMap(ownStaff)
      .map(({ row, as_what }) => ({ classId: row.class_id, as: as_what })),
    rolls: (await RollEntry.findAll({ where })).map((row) => row.class_id),
    groups: (await GroupMember.findAll({ where })).map((row) => row.group_id),
    links: [...new Set(audience.map((row) => row.link_id))],
    hostsLinks: (await LinkHost.findAll({ where: { ...where, cover_id: null } })).map(
      (row) => row.link_id,
    ),
    presents: presents.map((row) => ({ linkId: row.link_id, ...presentsOf(row) })),
    tutors: (await ClassGroup.findAll({ where: { tutor_id: personId } })).map((row) => row.id),
  };
}

/** Whoever changes one of these places from an older state is told so. */
export async function raisePlaces(db: Db, places: HadByRetired): Promise<void> {
  const { ClassPeriod, ClassGroup, Link } = db.models;
  const groups = await ClassGroup.findAll({
    attributes: ['class_id'],
    where: { id: [...places.groups, ...places.tutors] },
  });
  const classIds = [
    ...places.rolls,
    ...places.teaches.map((t) => t.classId),
    ...groups.map((group) => group.class_id),
  ];
  await ClassPeriod.update(
    { version: oneMore('version'), groups_version: oneMore('groups_version') },
    { where: { id: classIds } },
  );
  await Link.update(
    { version: oneMore('version') },
    { where: { id: [...places.links, ...places.hostsLinks] } },
  );
}

/** Somebody has no place any more: on no roll, in no group, no audience; they teach and tutor nowhere. */
export async function leaveAllPlaces(db: Db, personId: number): Promise<void> {
  const { RollEntry, ClassStaff, GroupMember, LinkAudience, LinkHost, ClassGroup } = db.models;
  const where = { person_id: personId };
  await RollEntry.destroy({ where });
  await ClassStaff.destroy({ where });
  await GroupMember.destroy({ where });
  await LinkAudience.destroy({ where });
  const hosted = (await LinkHost.findAll({ where })).map((row) => row.link_id);
  await LinkHost.destroy({ where });
  await db.models.LinkPresenter.destroy({ where });
  await ClassGroup.update({ tutor_id: null }, { where: { tutor_id: personId } });
  await followPeople(db, [personId]);
  // Others may host again what they were left out of, where nobody else is left.
  await followLinks(db, hosted);
}

/** Gives places back, as far as what they are in still stands. */
export async function givePlaces(
  db: Db,
  personId: number,
  { teaches, rolls, groups, links, hostsLinks, presents = [], tutors }: HadByRetired,
): Promise<void> {
  const { ClassPeriod, RollEntry, ClassStaff, Link, LinkHost, ClassGroup } = db.models;
  const ignoreDuplicates = { ignoreDuplicates: true };
  await ClassStaff.bulkCreate(
    teaches.map(({ classId, as }) => ({ class_id: classId, person_id: personId, as_what: as })),
    ignoreDuplicates,
  );
  const classes = await ClassPeriod.findAll({ attributes: ['id'], where: { id: rolls } });
  await RollEntry.bulkCreate(
    classes.map(({ id }) => ({ class_id: id, person_id: personId })),
    ignoreDuplicates,
  );
  await giveGroupsAndLinks(db, personId, { groups, links });
  const hosted = await Link.findAll({ attributes: ['id'], where: { id: hostsLinks } });
  await LinkHost.bulkCreate(
    hosted.map(({ id }) => ({ link_id: id, person_id: personId })),
    ignoreDuplicates,
  );
  const known = await Link.findAll({
    attributes: ['id'],
    where: { id: presents.map((one) => one.linkId) },
  });
  const stands = new Set(known.map((link) => link.id));
  await db.models.LinkPresenter.bulkCreate(
    presents
      .filter((one) => stands.has(one.linkId))
      .map(({ linkId, ...when }) => ({
        ...columnsOfPresents({ ...AT_ANY_TIME, ...when }),
        link_id: linkId,
        person_id: personId,
      })),
    ignoreDuplicates,
  );
  await ClassGroup.update({ tutor_id: personId }, { where: { id: tutors, tutor_id: null } });
  await followPeople(db, [personId]);
  await followHosted(db, personId);
}

type Titled = Pick<InferAttributes<ClassPeriodRow>, 'id' | 'title' | 'period'>;

/** By their periods, those without one last. */
function inOrder(a: Titled, b: Titled): number {
  if ((a.period === null) !== (b.period === null)) return a.period === null ? 1 : -1;
  return (a.period ?? '').localeCompare(b.period ?? '') || a.title.localeCompare(b.title);
}

const titled = ({ id, title, period }: Titled): NamedClass => ({ id, title, period });

export async function classesTaught(
  db: Db,
  personId: number,
): Promise<(NamedClass & { as: 'host' | 'co-teacher' | 'presenter' })[]> {
  const staff = await db.models.ClassStaff.findAll({
    where: { person_id: personId },
    include: [{ association: 'classPeriod', attributes: ['id', 'title', 'period'] }],
  });
  return staff
    .map(({ classPeriod, as_what }) => ({ ...titled(classPeriod!), as: as_what }))
    .sort(inOrder);
}

export async function classesLearned(db: Db, personId: number): Promise<NamedClass[]> {
  const roll = await db.models.RollEntry.findAll({
    where: { person_id: personId },
    include: [{ association: 'classPeriod', attributes: ['id', 'title', 'period'] }],
  });
  return roll.map(({ classPeriod }) => titled(classPeriod!)).sort(inOrder);
}

/** One-time addresses of accounts, and their calendar addresses, lead nowhere any more. */
export async function closeAddresses(db: Db, accountIds: number[]): Promise<void> {
  await db.models.PasswordAddress.destroy({ where: { account_id: accountIds } });
  await db.models.Feed.destroy({ where: { account_id: accountIds } });
}

/** What an account did at doors stays with its person. */
export async function keepVisits(db: Db, accountId: number): Promise<void> {
  await db.models.Visitor.update({ account_id: null }, { where: { account_id: accountId } });
}

/** The codes of the links of the class periods that somebody teaches. */
export async function codesTaught(db: Db, personId: number): Promise<string[]> {
  const staff = await db.models.ClassStaff.findAll({ where: { person_id: personId } });
  const links = await db.models.Link.findAll({
    attributes: ['code'],
    where: { class_id: staff.map((row) => row.class_id) },
  });
  return links.map((link) => link.code);
}

/** In a class period somebody is in one group at most: of two that came together, the earlier in order counts. */
export async function keepOneGroupEach(db: Db, personId: number): Promise<void> {
  const members = await db.models.GroupMember.findAll({
    where: { person_id: personId },
    include: ['group'],
    order: [
      ['group', 'place', 'ASC'],
      ['group', 'id', 'ASC'],
    ],
  });
  const classIds = members.map(({ group }) => group!.class_id);
  const surplus = members.filter((_, i) => classIds.indexOf(classIds[i]!) < i);
  await db.models.GroupMember.destroy({
    where: { person_id: personId, group_id: surplus.map((member) => member.group_id) },
  });
}

/** Of two rows of an audience that name the same person one is enough. */
export async function keepOneNameEach(db: Db, personId: number): Promise<void> {
  const rows = await db.models.LinkAudience.findAll({
    where: { person_id: personId },
    order: ['id'],
  });
  const linkIds = rows.map((row) => row.link_id);
  const surplus = rows.filter((_, i) => linkIds.indexOf(linkIds[i]!) < i);
  await db.models.LinkAudience.destroy({ where: { id: surplus.map((row) => row.id) } });
}

/** Whoever hosts a class period in one record hosts it in both. */
export async function hostInBoth(db: Db, from: number, to: number): Promise<void> {
  const { ClassStaff } = db.models;
  const hosted = await ClassStaff.findAll({ where: { person_id: from, as_what: 'host' } });
  await ClassStaff.update(
    { as_what: 'host' },
    { where: { person_id: to, class_id: { [Op.in]: hosted.map((row) => row.class_id) } } },
  );
}
