import type { ClassSubject } from '@glen/contract';
import type { Db } from '../db/connect.js';

/** What somebody is to the class period that a path parameter speaks of. */
export interface Standing {
  as: 'host' | 'co-teacher' | 'presenter' | null;
  /** Host at that door, or reader of that link, without being so in its class period. */
  otherwise: boolean;
  /** The class period has been put away. */
  isAtRest: boolean;
}

/** Who is host at the door that a path parameter speaks of without being so in its class period: by a handing-over until that session's end, at that link alone, or because their own class period meets there too (the door itself looks when). */
const ACTING: Partial<Record<ClassSubject, string>> = {
  linkId: `SELECT 1 FROM acting_hosts ah JOIN sittings m ON m.id = ah.sitting_id WHERE m.link_id = :id AND m.ended_at IS NULL AND ah.person_id = :personId
    UNION ALL SELECT 1 FROM link_hosts lh WHERE lh.link_id = :id AND lh.person_id = :personId
    UNION ALL SELECT 1 FROM occurrences jo JOIN joined j ON j.occurrence_id = jo.id JOIN class_staff js ON js.class_id = j.class_id WHERE jo.link_id = :id AND js.person_id = :personId AND js.as_what <> 'presenter'`,
  visitorId: `SELECT 1 FROM visitors v JOIN acting_hosts ah ON ah.sitting_id = v.sitting_id JOIN sittings m ON m.id = v.sitting_id WHERE v.id = :id AND m.ended_at IS NULL AND ah.person_id = :personId
    UNION ALL SELECT 1 FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN link_hosts lh ON lh.link_id = m.link_id WHERE v.id = :id AND lh.person_id = :personId
    UNION ALL SELECT 1 FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN joined j ON j.occurrence_id = m.occurrence_id JOIN class_staff js ON js.class_id = j.class_id WHERE v.id = :id AND js.person_id = :personId AND js.as_what <> 'presenter'`,
};

/** Who reads of a link what its class period's teachers read: a host at that link alone. */
const TUTOR: Partial<Record<ClassSubject, string>> = {
  linkId: 'SELECT 1 FROM link_hosts lh WHERE lh.link_id = :id AND lh.person_id = :personId',
};

/** How to find the class period that a path parameter speaks of. */
const CLASS_OF: Record<ClassSubject, { sql: string; what: string }> = {
  classId: { sql: 'SELECT c.id FROM class_periods c WHERE c.id = :id', what: 'This class period' },
  seriesId: { sql: 'SELECT s.class_id AS id FROM series s WHERE s.id = :id', what: 'This session' },
  postId: { sql: 'SELECT p.class_id AS id FROM posts p WHERE p.id = :id', what: 'This post' },
  placementId: {
    sql: 'SELECT pp.class_id AS id FROM placements pl JOIN post_places pp ON pp.id = pl.place_id WHERE pl.id = :id',
    what: 'This placement',
  },
  linkId: { sql: 'SELECT l.class_id AS id FROM links l WHERE l.id = :id', what: 'This link' },
  visitorId: {
    sql: 'SELECT l.class_id AS id FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN links l ON l.id = m.link_id WHERE v.id = :id',
    what: 'This visitor',
  },
};

export const nameOfSubject = (subject: ClassSubject): string => CLASS_OF[subject].what;

/** What a person is to it; nothing where there is no such thing. `asks`: what counts beside the class period's staff. */
export async function standingOf(
  db: Db,
  subject: { kind: ClassSubject; id: number },
  personId: number,
  asks: 'door' | 'link' | 'class',
): Promise<Standing | undefined> {
  const others = { door: ACTING[subject.kind], link: TUTOR[subject.kind], class: undefined };
  const other = others[asks];
  const row = await db.one<{ as_what: Standing['as']; otherwise: number; at_rest: number }>(
    `SELECT cs.as_what, ${other ? `EXISTS (${other})` : '0'} AS otherwise, fc.put_away_at IS NOT NULL AS at_rest
     FROM (${CLASS_OF[subject.kind].sql}) found JOIN class_periods fc ON fc.id = found.id LEFT JOIN class_staff cs ON cs.class_id = found.id AND cs.person_id = :personId`,
    { id: subject.id, personId },
  );
  return (
    row && {
      as: row.as_what,
      otherwise: Boolean(row.otherwise),
      isAtRest: Boolean(row.at_rest),
    }
  );
}

/** Whether somebody hosts a class period on whose roll a person stands; nothing where there is no such person. */
export async function teachesPerson(
  db: Db,
  teacherId: number,
  personId: number,
): Promise<boolean | undefined> {
  const row = await db.one<{ teaches: number }>(
    `SELECT EXISTS (SELECT 1 FROM roll r JOIN class_staff cs ON cs.class_id = r.class_id AND cs.as_what <> 'presenter'
       WHERE r.person_id = p.id AND cs.person_id = :teacherId) AS teaches
     FROM people p WHERE p.id = :personId AND p.merged_into IS NULL`,
    { teacherId, personId },
  );
  return row && Boolean(row.teaches);
}
