import { toSql, type Db } from '../../db/connect.js';
import type { HadOnRoll } from '../../db/models/RollLeft.js';

// What ends with a place on a roll. Groups and audiences of links have no models yet.

export const groupsOfStudents = (
  db: Db,
  classId: number,
  personIds: number[],
): Promise<{ person_id: number; id: number; name: string }[]> =>
  db.rows(
    `SELECT m.person_id, g.id, g.name FROM group_members m JOIN class_groups g ON g.id = m.group_id
     WHERE g.class_id = :classId AND m.person_id IN (:personIds) ORDER BY g.place, g.id`,
    { classId, personIds: [0, ...personIds] },
  );

/** Links of a class period that are for some of its students by name. */
export const linksOfStudents = (
  db: Db,
  classId: number,
  personIds: number[],
): Promise<{ person_id: number; id: number; label: string }[]> =>
  db.rows(
    `SELECT la.person_id, l.id, l.label FROM link_audience la JOIN links l ON l.id = la.link_id
     WHERE l.class_id = :classId AND la.person_id IN (:personIds) ORDER BY l.place, l.id`,
    { classId, personIds: [0, ...personIds] },
  );

/** Takes students out of a class period's groups and out of the links that are for them by name. */
export async function leaveGroupsAndLinks(
  db: Db,
  classId: number,
  personIds: number[],
): Promise<void> {
  const values = { classId, personIds: [0, ...personIds] };
  await db.change(
    `UPDATE links l JOIN link_audience la ON la.link_id = l.id SET l.version = l.version + 1
     WHERE l.class_id = :classId AND la.person_id IN (:personIds)`,
    values,
  );
  await db.change(
    'DELETE m FROM group_members m JOIN class_groups g ON g.id = m.group_id WHERE g.class_id = :classId AND m.person_id IN (:personIds)',
    values,
  );
  await db.change(
    'DELETE la FROM link_audience la JOIN links l ON l.id = la.link_id WHERE l.class_id = :classId AND la.person_id IN (:personIds)',
    values,
  );
  await raiseGroups(db, classId);
}

/** Whoever changes the groups from an older state is told so. */
export const raiseGroups = (db: Db, classId: number): Promise<number> =>
  db.change('UPDATE class_periods SET groups_version = groups_version + 1 WHERE id = :classId', {
    classId,
  });

/** Puts somebody back into groups and links that they had, as far as those are there and they are in no other group of the same class period. */
export async function giveGroupsAndLinks(
  db: Db,
  personId: number,
  { groups, links }: HadOnRoll,
): Promise<void> {
  await db.change(
    `INSERT IGNORE INTO group_members (group_id, person_id)
     SELECT g.id, :personId FROM class_groups g WHERE g.id IN (:ids)
       AND NOT EXISTS (SELECT 1 FROM group_members o JOIN class_groups og ON og.id = o.group_id WHERE og.class_id = g.class_id AND o.person_id = :personId)`,
    { personId, ids: [0, ...groups] },
  );
  await db.change(
    `INSERT INTO link_audience (link_id, person_id)
     SELECT l.id, :personId FROM links l WHERE l.id IN (:ids)
       AND NOT EXISTS (SELECT 1 FROM link_audience o WHERE o.link_id = l.id AND o.person_id = :personId)`,
    { personId, ids: [0, ...links] },
  );
}

interface Leaving {
  classId: number;
  personId: number;
  at: string;
  by: number;
  had: HadOnRoll;
}

/** Keeps who was on a roll, and what they had there; the latest leaving counts. */
export const noteLeft = (db: Db, { classId, personId, at, by, had }: Leaving): Promise<number> =>
  db.change(
    `REPLACE INTO roll_left (class_id, person_id, left_at, taken_off_by, had) VALUES (:classId, :personId, :at, :by, :had)`,
    { classId, personId, at: toSql(at), by, had: JSON.stringify(had) },
  );

/** Who was taken off a roll and is not back on it; nobody who is retired. */
export const leftOf = (
  db: Db,
  classId: number,
): Promise<{ id: number; name: string; left_at: string; had: HadOnRoll }[]> =>
  db.rows(
    `SELECT p.id, p.name, rl.left_at, rl.had FROM roll_left rl JOIN people p ON p.id = rl.person_id AND p.retired_at IS NULL
     WHERE rl.class_id = :classId AND NOT EXISTS (SELECT 1 FROM roll r WHERE r.class_id = rl.class_id AND r.person_id = rl.person_id)
     ORDER BY rl.left_at DESC, p.name LIMIT 200`,
    { classId },
  );

/** Whether somebody on a roll has no account: they come as strangers do, and a host says who it is. */
export const hasPeopleWithoutAccount = async (db: Db, classId: number): Promise<boolean> =>
  (await db.one(
    'SELECT 1 AS yes FROM roll r WHERE r.class_id = :classId AND NOT EXISTS (SELECT 1 FROM accounts a WHERE a.person_id = r.person_id) LIMIT 1',
    { classId },
  )) !== undefined;
