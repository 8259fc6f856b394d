import type { Db } from '../../db/connect.js';

export interface LastEnd {
  id: number;
  link_id: number;
  email: string;
  /** When the last session ends that the invitation holds for, past or to come; where its own are gone, the link's last. */
  last_end: string | null;
}

/** A session that is held, or was. */
const HELD = `o.status IN ('planned', 'moved') AND o.draft = 0`;

const LAST_ENDS = `
  SELECT g.id, g.link_id, g.email, COALESCE(
      (SELECT MAX(o.end_at) FROM occurrences o WHERE o.link_id = g.link_id AND g.series_id IN (0, o.series_id) AND g.key_date IN ('', o.key_date) AND ${HELD}),
      (SELECT MAX(o.end_at) FROM occurrences o WHERE o.link_id = g.link_id AND ${HELD})) AS last_end
  FROM guests g WHERE g.state = 'invited' AND g.id > :after ORDER BY g.id LIMIT :most`;

/** When the invitations end that stand, some at a time in the order of their numbers. */
export const lastEnds = (db: Db, after: number, most: number): Promise<LastEnd[]> =>
  db.rows<LastEnd>(LAST_ENDS, { after, most });
