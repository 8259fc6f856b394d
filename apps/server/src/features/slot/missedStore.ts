import type { Db } from '../../db/connect.js';
import type { SittingRow } from '../../db/models/Sitting.js';

/** Who has come to a session, in the lobby or inside, by their people; null where its door has not been opened, or is shut again. */
export async function cameSoFar(
  db: Db,
  occurrenceId: number,
): Promise<{ opened: string; people: Set<number> } | null> {
  const sitting: SittingRow | null = await db.models.Sitting.findOne({
    where: { occurrence_id: occurrenceId },
  });
  if (!sitting?.opened_at || sitting.ended_at !== null) return null;
  const visitors = await db.models.Visitor.findAll({
    attributes: ['person_id', 'taken_for'],
    where: { sitting_id: sitting.id, state: ['waiting', 'let-in'] },
  });
  const people = visitors.flatMap((one) => one.taken_for ?? one.person_id ?? []);
  return { opened: sitting.opened_at, people: new Set(people) };
}

/** The people of some groups. */
export async function membersOf(db: Db, groupIds: number[]): Promise<Map<number, number[]>> {
  const rows = await db.models.GroupMember.findAll({ where: { group_id: groupIds } });
  const members = new Map<number, number[]>();
  for (const row of rows)
    members.set(row.group_id, [...(members.get(row.group_id) ?? []), row.person_id]);
  return members;
}
