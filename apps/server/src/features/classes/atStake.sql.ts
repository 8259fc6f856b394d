import { plusMinutes } from '@glen/core';
import { toSql } from '../../db/sqlTime.js';
import { type Db } from '../../db/connect.js';

/** What putting a class period away would touch, at an instant of school time. */
interface AtStake {
  sessions: number;
  links: number;
  posts: number;
  isRunning: boolean;
}

/** So long a session may run over its planned end. Of a room that nobody can look into it is not known who has left. */
const LONGEST_OVER_MINUTES = 12 * 60;

/** A session counts as running until its planned end where nobody has ended it, and while somebody is inside for half a day more. */
export async function atStake(db: Db, classId: number, now: string): Promise<AtStake> {
  const row = (await db.one<Omit<AtStake, 'isRunning'> & { running: number }>(
    `SELECT
       (SELECT COUNT(*) FROM occurrences o WHERE o.class_id = :classId AND o.start_at > :now AND o.status IN ('planned', 'moved')) AS sessions,
       (SELECT COUNT(*) FROM links l WHERE l.class_id = :classId AND l.state = 'live') AS links,
       (SELECT COUNT(DISTINCT p.id) FROM posts p JOIN post_places pp ON pp.post_id = p.id AND pp.removed = 0 WHERE pp.class_id = :classId AND p.withdrawn = 0) AS posts,
       EXISTS (SELECT 1 FROM sittings m JOIN links l ON l.id = m.link_id JOIN occurrences o ON o.id = m.occurrence_id
         WHERE l.class_id = :classId AND m.ended_at IS NULL
           AND ((o.end_at > :longAgo AND EXISTS (SELECT 1 FROM visitors v WHERE v.sitting_id = m.id AND v.inside = 1)) OR (m.opened_at IS NOT NULL AND o.end_at > :now))) AS running`,
    { classId, now: toSql(now), longAgo: toSql(plusMinutes(now, -LONGEST_OVER_MINUTES)) },
  ))!;
  const { running, ...counts } = row;
  return { ...counts, isRunning: Boolean(running) };
}
