import type { Db } from '../../db/connect.js';
import { grouped } from '../../db/grouped.js';

/** A stay of somebody behind the door of a sitting. */
export interface StayAtDoor {
  visitorId: number;
  /** Who of the school they are: by their account, or as a host says. */
  personId: number | null;
  from: string;
  to: string | null;
}

/** Who was in at some sittings but their hosts, by the sittings’ ids. */
export async function staysAt(db: Db, sittingIds: number[]): Promise<Map<number, StayAtDoor[]>> {
  const visitors = await db.models.Visitor.findAll({
    attributes: ['id', 'sitting_id', 'person_id', 'taken_for'],
    where: { sitting_id: sittingIds, role: ['presenter', 'participant', 'watcher'] },
    raw: true,
  });
  const byId = new Map(visitors.map((visitor) => [visitor.id, visitor]));
  const visits = await db.models.Visit.findAll({
    attributes: ['visitor_id', 'arrived_at', 'left_at'],
    where: { visitor_id: [...byId.keys()] },
    order: ['id'],
    raw: true,
  });
  const bySitting = grouped(visits, (visit) => byId.get(visit.visitor_id)!.sitting_id);
  return new Map(
    [...bySitting].map(([sittingId, all]) => [
      sittingId,
      all.map(({ visitor_id: visitorId, arrived_at: from, left_at: to }) => {
        const { taken_for, person_id } = byId.get(visitorId)!;
        return { visitorId, personId: taken_for ?? person_id, from, to };
      }),
    ]),
  );
}
