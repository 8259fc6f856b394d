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
  'link_presenters.person_id': 'once',
  'link_codes.replaced_by': 'move',
  'shares.made_by': 'move',
  'series.made_by': 'move',
  'posts.made_by': 'move',
  'visitors.person_id': 'move',
  'visitors.taken_for': 'move',
  'helpers.for_id': 'move',
  'helpers.helper_id': 'move',
  'covers.absent_id': 'move',
  'covers.covering_id': 'move',
  'covers.made_by': 'move',
  'acting_hosts.person_id': 'once',
  'acting_hosts.given_by': 'move',
  'invited.person_id': 'once',
  'invited.given_by': 'move',
  'notices.person_id': 'move',
  'letters.person_id': 'move',
  'lately.person_id': 'move',
  'registers.settled_by': 'move',
  'register_rows.person_id': 'once',
  'corrections.person_id': 'once',
  'corrections.made_by': 'move',
  'absences.person_id': 'move',
  'absences.made_by': 'move',
  'after_lessons.made_by': 'move',
  'check_ins.made_by': 'move',
  'sign_ups.person_id': 'move',
  'sign_ups.made_by': 'move',
  'polls.made_by': 'move',
  'poll_people.person_id': 'once',
  'appointment_evenings.made_by': 'move',
  'guardians.student_id': 'once',
  'guardians.person_id': 'once',
  // Kept in line with all the others, once these have gone over.
  'link_people.person_id': 'drop',
  'password_addresses.made_by': 'move',
  'guest_addresses.made_by': 'move',
  'watch_addresses.made_by': 'move',
  'people.merged_into': 'move',
};

/** Has all that names one person name another. Tables and columns are those above, so every one is asked by the same two statements. */
export async function handOver(db: Db, from: number, to: number): Promise<void> {
  for (const [place, how] of Object.entries(NAMES_A_PERSON)) {
    const [table, column] = place.split('.') as [string, string];
    if (how !== 'drop')
      await db.change(
        `UPDATE ${how === 'once' ? 'IGNORE ' : ''}${table} SET ${column} = :to WHERE ${column} = :from`,
        { from, to },
      );
    if (how !== 'move') await db.change(`DELETE FROM ${table} WHERE ${column} = :from`, { from });
  }
  await db.models.AuditEntry.update({ person_id: to }, { where: { person_id: from } });
  await db.models.AuditEntry.update({ helper_id: to }, { where: { helper_id: from } });
  await db.models.Guardian.destroy({ where: { student_id: to, person_id: to } });
}
