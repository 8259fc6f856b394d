import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';
import { followGroups, followLinks } from '../audience/linkPeople.js';

interface GroupRow {
  id: number;
  name: string;
  tutor_id: number | null;
  tutor: string | null;
}

const versionOf = async (db: Db, classId: number, lock: boolean): Promise<number> =>
  (await db.models.ClassPeriod.findByPk(classId, { attributes: ['groups_version'], lock }))!
    .groups_version;

export const groupsVersion = (db: Db, classId: number): Promise<number> =>
  versionOf(db, classId, false);

/** The same, held against other changes of the class period. */
export const heldGroupsVersion = (db: Db, classId: number): Promise<number> =>
  versionOf(db, classId, true);

export async function groupsOf(db: Db, classId: number): Promise<GroupRow[]> {
  const groups = await db.models.ClassGroup.findAll({
    where: { class_id: classId },
    include: [{ association: 'tutor', attributes: ['name'] }],
    order: ['place', 'id'],
  });
  return groups.map(({ id, name, tutor_id, tutor }) => ({
    id,
    name,
    tutor_id,
    tutor: tutor?.name ?? null,
  }));
}

/** Who is in which group of a class period, by name. */
export async function membersOf(
  db: Db,
  classId: number,
): Promise<{ group_id: number; person_id: number }[]> {
  const members = await db.models.GroupMember.findAll({
    include: [
      { association: 'group', attributes: [], where: { class_id: classId } },
      { association: 'person', attributes: [] },
    ],
    order: [['person', 'name', 'ASC']],
  });
  return members.map(({ group_id, person_id }) => ({ group_id, person_id }));
}

interface LinkOfGroup {
  group_id: number;
  id: number;
  label: string;
  state: 'live' | 'retired';
}

/** The links that are for a group, stopped ones too: they point to it. */
export async function linksOfGroups(db: Db, classId: number): Promise<LinkOfGroup[]> {
  const rows = await db.models.LinkAudience.findAll({
    include: [
      { association: 'group', attributes: ['id'], where: { class_id: classId } },
      { association: 'link', attributes: ['id', 'label', 'state'], required: true },
    ],
    order: [
      ['link', 'place', 'ASC'],
      ['link', 'id', 'ASC'],
    ],
  });
  return rows.map(({ group, link }) => ({
    group_id: group!.id,
    id: link!.id,
    label: link!.label,
    state: link!.state,
  }));
}

/** Whoever can be a group's tutor: the school's staff with a school account. */
export async function staffOfSchool(db: Db): Promise<{ id: number; name: string }[]> {
  const staff = await db.models.Person.findAll({
    attributes: ['id', 'name'],
    where: { retired_at: null },
    include: [
      { association: 'roles', attributes: [], where: { role: ['teacher', 'head', 'office'] } },
      { association: 'accounts', attributes: [], where: { kind: 'school' } },
    ],
    order: ['name', 'id'],
  });
  return staff.map(({ id, name }) => ({ id, name }));
}

interface Group {
  id?: number | undefined;
  name: string;
  tutorId: number | null;
  members: number[];
}

/** Writes a group with its members, and gives its id. */
export async function writeGroup(
  db: Db,
  classId: number,
  place: number,
  { id, name, tutorId, members }: Group,
): Promise<number> {
  const { ClassGroup, GroupMember } = db.models;
  const values = { name, place, tutor_id: tutorId };
  const groupId = id ?? (await ClassGroup.create({ class_id: classId, ...values })).id;
  if (id !== undefined) await ClassGroup.update(values, { where: { id, class_id: classId } });
  await GroupMember.destroy({ where: { group_id: groupId } });
  await GroupMember.bulkCreate(members.map((person_id) => ({ group_id: groupId, person_id })));
  await followGroups(db, [groupId]);
  return groupId;
}

export const deleteGroup = (db: Db, id: number): Promise<number> =>
  db.models.ClassGroup.destroy({ where: { id } });

export async function raiseVersion(db: Db, classId: number): Promise<void> {
  await db.models.ClassPeriod.update(
    { groups_version: oneMore('groups_version') },
    { where: { id: classId } },
  );
}

/** At every link that is for a group, the hosting of one tutor goes to another; either may be nobody. */
export async function passHosting(
  db: Db,
  groupId: number,
  from: number | null,
  to: number | null,
): Promise<void> {
  const { LinkAudience, LinkHost } = db.models;
  const rows = await LinkAudience.findAll({ where: { group_id: groupId } });
  const linkIds = [...new Set(rows.map((row) => row.link_id))];
  if (from !== null) await LinkHost.destroy({ where: { person_id: from, link_id: linkIds } });
  if (to !== null)
    await LinkHost.bulkCreate(
      linkIds.map((link_id) => ({ link_id, person_id: to })),
      { ignoreDuplicates: true },
    );
  await followLinks(db, linkIds);
}
