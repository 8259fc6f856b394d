import type { Db } from '../../db/connect.js';

/**
 * Every column that names a person, and how two people become one in it. `move`: the row goes over; `once`: it goes
 * over unless the other stands there already; `drop`: it goes with the record. A test holds this against the database's
 * own foreign keys, so that no new table is forgotten.
 */
export const NAMES_A_PERSON: Record<string, 'move' | 'once' | 'drop'> = {
  'accounts.person_id': 'move',
  'person_roles.person_id': 'once',
  'person_words.person_id': 'drop',
  'class_staff.person_id': 'once',
  'roll.person_id': 'once',
  'roll_left.person_id': 'once',
  'roll_left.taken_off_by': 'move',
  'class_groups.tutor_id': 'move',
  'group_members.person_id': 'once',
  'link_audience.person_id': 'move',
  'link_hosts.person_id': 'once',
  'link_codes.replaced_by': 'move',
  'shares.made_by': 'move',
  'series.made_by': 'move',
  'posts.made_by': 'move',
  'visitors.person_id': 'move',
  'visitors.taken_for': 'move',
  'acting_hosts.person_id': 'once',
  'acting_hosts.given_by': 'move',
  'invited.person_id': 'once',
  'invited.given_by': 'move',
  'notices.person_id': 'move',
  'feeds.person_id': 'drop',
  'guardians.student_id': 'once',
  'guardians.person_id': 'once',
  'password_addresses.made_by': 'move',
  'people.merged_into': 'move',
};

/** Has all that names one person name another. */
export async function handOver(db: Db, from: number, to: number): Promise<void> {
  const values = { from, to };
  // Whoever hosts a class period in one record hosts it in both.
  await db.change(
    `UPDATE class_staff t JOIN class_staff o ON o.class_id = t.class_id AND o.person_id = :from AND o.as_what = 'host'
     SET t.as_what = 'host' WHERE t.person_id = :to`,
    values,
  );
  for (const [place, how] of Object.entries(NAMES_A_PERSON)) {
    const [table, column] = place.split('.') as [string, string];
    if (how !== 'drop')
      await db.change(
        `UPDATE ${how === 'once' ? 'IGNORE ' : ''}${table} SET ${column} = :to WHERE ${column} = :from`,
        values,
      );
    if (how !== 'move') await db.change(`DELETE FROM ${table} WHERE ${column} = :from`, values);
  }
  await db.change('UPDATE audit_log SET person_id = :to WHERE person_id = :from', values);
  await db.change('DELETE FROM guardians WHERE student_id = :to AND person_id = :to', values);
}

/** In a class period somebody is in one group at most: of two that came together, the earlier in order counts. */
export const keepOneGroupEach = (db: Db, personId: number): Promise<number> =>
  db.change(
    `DELETE m FROM group_members m JOIN class_groups g ON g.id = m.group_id
       JOIN class_groups og ON og.class_id = g.class_id AND (og.place < g.place OR (og.place = g.place AND og.id < g.id))
       JOIN group_members om ON om.group_id = og.id AND om.person_id = m.person_id
     WHERE m.person_id = :personId`,
    { personId },
  );

/** Of two rows of an audience that name the same person one is enough. */
export const keepOneNameEach = (db: Db, personId: number): Promise<number> =>
  db.change(
    `DELETE a FROM link_audience a JOIN link_audience o ON o.link_id = a.link_id AND o.person_id = a.person_id AND o.id < a.id
     WHERE a.person_id = :personId`,
    { personId },
  );
