import type { Db } from '../../db/connect.js';
import { toSql } from '../../db/sqlTime.js';

/** A class period by what it is called. */
export interface NamedClass {
  id: number;
  title: string;
  period: string | null;
}

/** The class periods that somebody alone hosts and that go on: each is held against all its other hosts. */
export const onlyHostOf = (db: Db, personId: number): Promise<NamedClass[]> =>
  db.rows(
    `SELECT c.id, c.title, c.period FROM class_staff cs JOIN class_periods c ON c.id = cs.class_id AND c.put_away_at IS NULL
     WHERE cs.person_id = :personId AND cs.as_what = 'host'
       AND NOT EXISTS (SELECT 1 FROM class_staff o WHERE o.class_id = c.id AND o.as_what = 'host' AND o.person_id <> :personId)
     ORDER BY c.period IS NULL, c.period, c.title`,
    { personId },
  );

interface ComingSession {
  title: string;
  period: string | null;
  local_date: string;
  local_time: string;
  n: number;
}

/** The next session of the class periods that somebody hosts, after an instant of school time, with how many there are. */
export const comingSessions = (
  db: Db,
  personId: number,
  now: string,
): Promise<ComingSession | undefined> =>
  db.one<ComingSession>(
    `SELECT c.title, c.period, o.local_date, o.local_time, COUNT(*) OVER () AS n
     FROM occurrences o JOIN class_staff cs ON cs.class_id = o.class_id AND cs.person_id = :personId AND cs.as_what <> 'presenter'
       JOIN class_periods c ON c.id = o.class_id
     WHERE o.start_at > :now AND o.status IN ('planned', 'moved') ORDER BY o.start_at LIMIT 1`,
    { personId, now: toSql(now) },
  );
