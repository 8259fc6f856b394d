import type { Db } from '../../db/connect.js';

interface GroupRow {
  id: number;
  name: string;
  tutor_id: number | null;
  tutor: string | null;
}

const VERSION = 'SELECT groups_version AS v FROM class_periods WHERE id = :classId';

export const groupsVersion = async (db: Db, classId: number): Promise<number> =>
  (await db.one<{ v: number }>(VERSION, { classId }))!.v;

/** The same, held against other changes of the class period. */
export const heldGroupsVersion = async (db: Db, classId: number): Promise<number> =>
  (await db.one<{ v: number }>(`${VERSION} FOR UPDATE`, { classId }))!.v;

export const groupsOf = (db: Db, classId: number): Promise<GroupRow[]> =>
  db.rows<GroupRow>(
    'SELECT g.id, g.name, g.tutor_id, p.name AS tutor FROM class_groups g LEFT JOIN people p ON p.id = g.tutor_id WHERE g.class_id = :classId ORDER BY g.place, g.id',
    { classId },
  );

export const membersOf = (
  db: Db,
  classId: number,
): Promise<{ group_id: number; person_id: number }[]> =>
  db.rows(
    'SELECT m.group_id, m.person_id FROM group_members m JOIN class_groups g ON g.id = m.group_id JOIN people p ON p.id = m.person_id WHERE g.class_id = :classId ORDER BY p.name',
    { classId },
  );

/** The links that are for a group, stopped ones too: they point to it. */
export const linksOfGroups = (
  db: Db,
  classId: number,
): Promise<{ group_id: number; id: number; label: string; state: 'live' | 'retired' }[]> =>
  db.rows(
    'SELECT la.group_id, l.id, l.label, l.state FROM link_audience la JOIN class_groups g ON g.id = la.group_id JOIN links l ON l.id = la.link_id WHERE g.class_id = :classId ORDER BY l.place, l.id',
    { classId },
  );

/** Whoever can be a group's tutor: the school's staff with a school account. */
export const staffOfSchool = (db: Db): Promise<{ id: number; name: string }[]> =>
  db.rows(
    `SELECT p.id, p.name FROM people p WHERE p.retired_at IS NULL AND EXISTS (SELECT 1 FROM person_roles pr WHERE pr.person_id = p.id AND pr.role IN ('teacher', 'head', 'office')) AND EXISTS (SELECT 1 FROM accounts a WHERE a.person_id = p.id AND a.kind = 'school') ORDER BY p.name`,
  );

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
  const known =
    id ?? (await db.insert('class_groups', { class_id: classId, name, place, tutor_id: tutorId }));
  if (id !== undefined)
    await db.change(
      'UPDATE class_groups SET name = :name, place = :place, tutor_id = :tutorId WHERE id = :id AND class_id = :classId',
      { id, classId, name, place, tutorId },
    );
  await db.change('DELETE FROM group_members WHERE group_id = :known', { known });
  await db.insertAll(
    'group_members',
    members.map((person_id) => ({ group_id: known, person_id })),
  );
  return known;
}

export const deleteGroup = (db: Db, id: number): Promise<number> =>
  db.change('DELETE FROM class_groups WHERE id = :id', { id });

export const raiseVersion = (db: Db, classId: number): Promise<number> =>
  db.change('UPDATE class_periods SET groups_version = groups_version + 1 WHERE id = :classId', {
    classId,
  });

/** At every link that is for a group, the hosting of one tutor goes to another; either may be nobody. */
export async function passHosting(
  db: Db,
  groupId: number,
  from: number | null,
  to: number | null,
): Promise<void> {
  const links = 'SELECT la.link_id FROM link_audience la WHERE la.group_id = :groupId';
  if (from !== null)
    await db.change(`DELETE FROM link_hosts WHERE person_id = :from AND link_id IN (${links})`, {
      from,
      groupId,
    });
  if (to !== null)
    await db.change(
      `INSERT IGNORE INTO link_hosts (link_id, person_id) SELECT x.link_id, :to FROM (${links}) x`,
      { to, groupId },
    );
}
