import type { Caller, ClassSubject } from '@glen/contract';
import type { Db } from '../db/connect.js';
import { HttpProblem, notFound } from './problem.js';
import type { Who } from './who.js';

type As = 'host' | 'co-teacher' | 'presenter' | 'none';

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

const STAFF = ['teacher', 'head', 'office'];

/** Whether the account in use is one of the school's staff; a teacher's home account is not. */
export const isStaff = (who: Who): boolean =>
  who.account?.kind === 'school' && who.person !== null && STAFF.includes(who.person.role);

/** Whether the account in use is the head's or the office's. */
export const isOffice = (who: Who): boolean => isStaff(who) && who.person!.role !== 'teacher';

/**
 * Throws unless the caller may call: 401 where nobody is signed in, 403 where somebody else is,
 * 404 where the thing asked about does not exist.
 */
export async function authorise(
  db: Db,
  caller: Caller,
  of: ClassSubject | undefined,
  params: Record<string, unknown>,
  who: Who,
): Promise<void> {
  if (caller === 'anyone' || caller === 'demo' || caller === 'service') return;
  if (!who.account) throw new HttpProblem(401, 'Sign in first.');
  if (caller === 'signed-in') return;
  if (!isStaff(who)) {
    const mine = who.person && STAFF.includes(who.person.role);
    throw new HttpProblem(
      403,
      mine
        ? 'Your home account cannot do this; use your school account.'
        : 'This is for the school’s teachers.',
    );
  }
  if (caller === 'teacher') return;
  if (caller === 'school-office') {
    if (isOffice(who)) return;
    throw new HttpProblem(403, 'The head and the office look after this.');
  }
  const subject = CLASS_OF[of!];
  const other =
    caller === 'door-host' ? ACTING[of!] : caller === 'class-reader' ? TUTOR[of!] : undefined;
  const acting = other ? `EXISTS (${other})` : '0';
  const row = await db.one<{ id: number; as_what: As | null; acting: number }>(
    `SELECT found.id, cs.as_what, ${acting} AS acting FROM (${subject.sql}) found LEFT JOIN class_staff cs ON cs.class_id = found.id AND cs.person_id = :personId`,
    { id: params[of!] as number, personId: who.person!.id },
  );
  if (!row) throw notFound(subject.what);
  const hosts = row.as_what === 'host' || row.as_what === 'co-teacher';
  const reads =
    hosts ||
    row.as_what === 'presenter' ||
    who.person!.role === 'head' ||
    who.person!.role === 'office';
  const may =
    caller === 'class-host'
      ? hosts
      : caller === 'door-host'
        ? hosts || Boolean(row.acting)
        : reads || Boolean(row.acting);
  if (!may) throw new HttpProblem(403, 'This class period is somebody else’s.');
}
