import type { Db } from '../../db/connect.js';
import type { PlaceRow } from './store.js';

export interface Reader {
  id: number;
  name: string;
  email: string | null;
}
const READERS = `SELECT p.id, p.name, (SELECT a.email FROM accounts a WHERE a.person_id = p.id AND a.kind = 'school' ORDER BY a.id LIMIT 1) AS email FROM people p WHERE p.id IN`;

/** Who of a class period reads what stands there: all of its roll, those of a group, or those whom the link is for. */
export function readersOf(
  db: Db,
  { class_id: classId, link_id: linkId, shape }: Pick<PlaceRow, 'class_id' | 'link_id' | 'shape'>,
): Promise<Reader[]> {
  const roll = `${READERS} (SELECT r.person_id FROM roll r WHERE r.class_id = :classId)`;
  if (shape.readers === 'class') return db.rows<Reader>(`${roll} ORDER BY p.name`, { classId });
  if (shape.readers === 'audience') {
    return db.rows<Reader>(
      `${roll} AND p.id IN (SELECT ar.person_id FROM link_audience la JOIN roll ar ON ar.class_id = la.class_id WHERE la.link_id = :linkId
         UNION SELECT g.person_id FROM link_audience la JOIN group_members g ON g.group_id = la.group_id WHERE la.link_id = :linkId
         UNION SELECT la.person_id FROM link_audience la WHERE la.link_id = :linkId AND la.person_id IS NOT NULL) ORDER BY p.name`,
      { classId, linkId },
    );
  }
  return db.rows<Reader>(
    `${roll} AND p.id IN (SELECT g.person_id FROM group_members g WHERE g.group_id = :groupId) ORDER BY p.name`,
    { classId, groupId: shape.readers.groupId },
  );
}

/** How many read at places: of a class period, of a group, or of a link's audience within the class period. */
export async function readerCounts(db: Db, places: PlaceRow[]): Promise<Map<number, number>> {
  if (places.length === 0) return new Map();
  const rows = await db.rows<{ id: number; n: number }>(
    `SELECT pp.id, CASE WHEN JSON_VALUE(pp.shape, '$.readers.groupId') IS NOT NULL THEN (SELECT COUNT(*) FROM group_members g WHERE g.group_id = JSON_VALUE(pp.shape, '$.readers.groupId'))
       WHEN JSON_VALUE(pp.shape, '$.readers') = 'audience' THEN (SELECT COUNT(*) FROM roll r WHERE r.class_id = pp.class_id AND EXISTS (
         SELECT 1 FROM link_audience la LEFT JOIN group_members ag ON ag.group_id = la.group_id AND ag.person_id = r.person_id
         WHERE la.link_id = pp.link_id AND (la.class_id = r.class_id OR ag.person_id IS NOT NULL OR la.person_id = r.person_id)))
       ELSE (SELECT COUNT(*) FROM roll r WHERE r.class_id = pp.class_id) END AS n
     FROM post_places pp WHERE pp.id IN (:ids)`,
    { ids: places.map((p) => p.id) },
  );
  return new Map(rows.map((row) => [row.id, Number(row.n)]));
}

/** Of some people, those whom a link is not for. */
export const beyondAudience = (readers: Reader[], audience: { id: number }[]): Reader[] => {
  const meant = new Set(audience.map((p) => p.id));
  return readers.filter((r) => !meant.has(r.id));
};
