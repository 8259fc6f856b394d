import type { Db } from '../../db/connect.js';
import type { HadOnRoll } from '../../db/models/RollLeft.js';
import { oneMore } from '../../db/versions.js';
import { followGroups, followLinks } from '../audience/linkPeople.js';

// What ends with a place on a roll.

interface GroupOfStudent {
  person_id: number;
  id: number;
  name: string;
}

export async function groupsOfStudents(
  db: Db,
  classId: number,
  personIds: number[],
): Promise<GroupOfStudent[]> {
  const members = await db.models.GroupMember.findAll({
    where: { person_id: personIds },
    include: [{ association: 'group', where: { class_id: classId } }],
    order: [
      ['group', 'place', 'ASC'],
      ['group', 'id', 'ASC'],
    ],
  });
  return members.map(({ person_id, group }) => ({ person_id, id: group!.id, name: group!.name }));
}

interface LinkOfStudent {
  person_id: number;
  id: number;
  label: string;
}

/** Links of a class period that are for some of its students by name. */
export async function linksOfStudents(
  db: Db,
  classId: number,
  personIds: number[],
): Promise<LinkOfStudent[]> {
  const rows = await db.models.LinkAudience.findAll({
    where: { person_id: personIds },
    include: [{ association: 'link', where: { class_id: classId } }],
    order: [
      ['link', 'place', 'ASC'],
      ['link', 'id', 'ASC'],
    ],
  });
  return rows.map(({ person_id, link }) => ({
    person_id: person_id!,
    id: link!.id,
    label: link!.label,
  }));
}

/** Takes students out of a class period's groups and out of the links that are for them by name. */
export async function leaveGroupsAndLinks(
  db: Db,
  classId: number,
  personIds: number[],
): Promise<void> {
  const { Link, LinkAudience, GroupMember } = db.models;
  const links = (await linksOfStudents(db, classId, personIds)).map((link) => link.id);
  const groups = (await groupsOfStudents(db, classId, personIds)).map((group) => group.id);
  await Link.update({ version: oneMore('version') }, { where: { id: links } });
  await GroupMember.destroy({ where: { group_id: groups, person_id: personIds } });
  await LinkAudience.destroy({ where: { link_id: links, person_id: personIds } });
  await raiseGroups(db, classId);
  await followLinks(db, links);
  await followGroups(db, groups);
}

/** Whoever changes the groups from an older state is told so. */
export async function raiseGroups(db: Db, classId: number): Promise<void> {
  await db.models.ClassPeriod.update(
    { groups_version: oneMore('groups_version') },
    { where: { id: classId } },
  );
}

/** The groups of class periods in which somebody is in no group yet; of two in one class period the first. */
async function groupsToGive(db: Db, personId: number, ids: number[]): Promise<number[]> {
  const { ClassGroup, GroupMember } = db.models;
  const groups = await ClassGroup.findAll({ where: { id: ids }, order: ['id'] });
  const members = await GroupMember.findAll({
    where: { person_id: personId },
    include: ['group'],
  });
  const taken = new Set(members.map(({ group }) => group!.class_id));
  return groups.filter((group) => !taken.has(group.class_id)).map((group) => group.id);
}

/** Links that are there and not for somebody by name yet. */
async function linksToGive(db: Db, personId: number, ids: number[]): Promise<number[]> {
  const { Link, LinkAudience } = db.models;
  const links = await Link.findAll({ attributes: ['id'], where: { id: ids } });
  const rows = await LinkAudience.findAll({ where: { person_id: personId, link_id: ids } });
  const theirs = new Set(rows.map((row) => row.link_id));
  return links.map((link) => link.id).filter((id) => !theirs.has(id));
}

/** Puts somebody back into groups and links that they had, as far as those are there and they are in no other group of the same class period. */
export async function giveGroupsAndLinks(db: Db, personId: number, had: HadOnRoll): Promise<void> {
  const groups = await groupsToGive(db, personId, had.groups);
  const links = await linksToGive(db, personId, had.links);
  await db.models.GroupMember.bulkCreate(
    groups.map((group_id) => ({ group_id, person_id: personId })),
  );
  await db.models.LinkAudience.bulkCreate(
    links.map((link_id) => ({ link_id, person_id: personId })),
  );
  await followGroups(db, groups);
  await followLinks(db, links);
}

interface Leaving {
  classId: number;
  personId: number;
  at: string;
  by: number;
  had: HadOnRoll;
}

/** Keeps who was on a roll, and what they had there; the latest leaving counts. */
export async function noteLeft(db: Db, { classId, personId, at, by, had }: Leaving): Promise<void> {
  const { RollLeft } = db.models;
  const key = { class_id: classId, person_id: personId };
  await RollLeft.destroy({ where: key });
  await RollLeft.create({ ...key, left_at: at, taken_off_by: by, had });
}

interface LeftRow {
  id: number;
  name: string;
  left_at: string;
  had: HadOnRoll;
}

/** So many of those who left are told. */
const MOST_LEFT = 200;

/** Who was taken off a roll and is not back on it; nobody who is retired. */
export async function leftOf(db: Db, classId: number): Promise<LeftRow[]> {
  const { RollEntry, RollLeft } = db.models;
  const roll = await RollEntry.findAll({ where: { class_id: classId } });
  const back = new Set(roll.map((row) => row.person_id));
  const left = await RollLeft.findAll({
    where: { class_id: classId },
    include: [{ association: 'person', where: { retired_at: null } }],
    order: [
      ['left_at', 'DESC'],
      ['person', 'name', 'ASC'],
    ],
  });
  return left
    .filter(({ person_id }) => !back.has(person_id))
    .slice(0, MOST_LEFT)
    .map(({ person, left_at, had }) => ({ id: person!.id, name: person!.name, left_at, had }));
}

/** Whether somebody on a roll has no account: they come as strangers do, and a host says who it is. */
export async function hasPeopleWithoutAccount(db: Db, classId: number): Promise<boolean> {
  const { RollEntry, Account } = db.models;
  const roll = await RollEntry.findAll({ where: { class_id: classId } });
  const people = roll.map((row) => row.person_id);
  const accounts = await Account.findAll({
    attributes: ['person_id'],
    where: { person_id: people },
  });
  const owners = new Set(accounts.map((account) => account.person_id));
  return people.some((id) => !owners.has(id));
}
