import type { Occurrence, RuleLayer, SessionPlan } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db, Values } from '../../db/connect.js';
import { toSql } from '../../db/sqlTime.js';

// Sessions as days, weeks and class periods show them, with what happens behind their doors. A person's begin from the
// links that mean them (`link_people`), so that a day costs the same in a school of a hundred and of 25,000.

export interface SessionRow {
  id: number;
  series_id: number;
  class_id: number;
  link_id: number;
  title: string;
  description: string;
  plan: SessionPlan;
  draft: number;
  version: number;
  undated: number;
  key_date: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  why: string | null;
  was_date: string | null;
  was_time: string | null;
  was_minutes: number | null;
  sitting_id: number | null;
  opened_at: string | null;
  ended_at: string | null;
  host_left_at: string | null;
  /** Of a pasted room, where it is. */
  room_address: string | null;
  inside: number;
  hosts_inside: number;
  came: number;
  layers: RuleLayer[] | null;
  link_label: string;
  link_code: string;
  for_class: number;
}

const COLUMNS = `o.*, s.plan, s.version, s.undated, l.label AS link_label, l.code AS link_code,
    EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = o.link_id AND fa.class_id = o.class_id) AS for_class,
    m.id AS sitting_id, m.opened_at, m.ended_at, m.host_left_at, m.room_address,
    (SELECT COUNT(*) FROM visitors v WHERE v.sitting_id = m.id AND v.inside = 1) AS inside,
    (SELECT COUNT(*) FROM visitors v WHERE v.sitting_id = m.id AND v.inside = 1 AND v.role = 'host') AS hosts_inside,
    IF(o.settled,
      (SELECT COUNT(*) FROM register_rows r WHERE r.series_id = o.series_id AND r.key_date = o.key_date AND r.stands IN ('present', 'partly')),
      (SELECT COUNT(DISTINCT COALESCE(v.taken_for, v.person_id)) FROM visitors v WHERE v.sitting_id = m.id AND (v.on_roll = 1 OR v.taken_for IS NOT NULL)
        AND EXISTS (SELECT 1 FROM visits t WHERE t.visitor_id = v.id))) AS came`;

const BESIDE =
  'JOIN series s ON s.id = o.series_id JOIN links l ON l.id = o.link_id LEFT JOIN sittings m ON m.occurrence_id = o.id';

const IN_ORDER = 'ORDER BY o.start_at, o.id';

const sessionRows = (db: Db, where: string, values: Values): Promise<SessionRow[]> =>
  db.rows<SessionRow>(`SELECT ${COLUMNS} FROM occurrences o ${BESIDE} WHERE ${where}`, values);

export const sessionRowsOfClass = (db: Db, classId: number): Promise<SessionRow[]> =>
  sessionRows(db, `o.class_id = :classId ${IN_ORDER}`, { classId });

/** A date of a series by its key; without one the next that is not over at an instant, else the last. */
export async function sessionRowOfSeries(
  db: Db,
  seriesId: number,
  { key, now }: { key?: string | undefined; now: string },
): Promise<SessionRow | undefined> {
  const byKey = key === undefined ? '' : 'AND o.key_date = :key';
  const rows = await sessionRows(
    db,
    `o.series_id = :seriesId ${byKey}
     ORDER BY o.status = 'skipped', o.end_at <= :now, ABS(TIMESTAMPDIFF(SECOND, o.start_at, :now)), o.id LIMIT 1`,
    { seriesId, key: key ?? null, now: toSql(now) },
  );
  return rows[0];
}

export const sessionRowById = async (db: Db, id: number): Promise<SessionRow | undefined> =>
  (await sessionRows(db, 'o.id = :id', { id }))[0];

/** Dates of the links that mean a person as one of these, from day to day, those moved away from there too. Links first, then their dates. */
const foundFrom = (as: string, more = ''): string => `
  WITH mine AS (SELECT DISTINCT lp.link_id FROM link_people lp WHERE lp.person_id = :personId AND lp.as_what IN (${as}) ${more}),
  found AS (
    SELECT STRAIGHT_JOIN o.id FROM mine JOIN occurrences o ON o.link_id = mine.link_id AND o.local_date BETWEEN :from AND :to
    UNION SELECT STRAIGHT_JOIN o.id FROM mine JOIN occurrences o ON o.link_id = mine.link_id AND o.was_date BETWEEN :from AND :to`;

/** Whether the person is meant at this very date. */
const meantAt = (as: string): string => `EXISTS (
  SELECT 1 FROM link_people lp WHERE lp.link_id = o.link_id AND lp.person_id = :personId AND lp.as_what IN (${as})
    AND lp.series_id IN (0, o.series_id) AND lp.key_date IN ('', o.key_date))`;

const HOSTING = `'host', 'presenter', 'tutor', 'joining-host'`;
const TEACHER_DAYS = `${foundFrom(HOSTING)})
  SELECT ${COLUMNS} FROM found JOIN occurrences o ON o.id = found.id ${BESIDE}
  LEFT JOIN class_staff cs ON cs.class_id = o.class_id AND cs.person_id = :personId
  WHERE o.status <> 'skipped' AND ((cs.as_what <> 'presenter' AND ${meantAt(`'host', 'tutor'`)}) OR (o.draft = 0 AND ${meantAt(HOSTING)})) ${IN_ORDER}`;

/** Sessions that a person teaches, visits or hosts, at their class periods' own doors, at a link of theirs or at another's door, on local dates `from ≤ date ≤ to`, those moved away from there too; skipped ones left out. */
export const sessionsBetween = (
  db: Db,
  from: string,
  to: string,
  personId: number,
): Promise<SessionRow[]> => db.rows<SessionRow>(TEACHER_DAYS, { from, to, personId });

export interface LearnerRow extends SessionRow {
  class_title: string;
  period: string | null;
  pennant: Pennant;
  host_name: string | null;
  /** Where they are invited to watch only: the code for that. */
  watch_code: string | null;
}

/** What an account is invited to by its address. */
const AS_GUEST = `accounts a STRAIGHT_JOIN guests g FORCE INDEX (by_email) ON g.email = a.email AND g.state = 'invited'`;

const LEARNER_DAYS = `${foundFrom(`'member', 'joining-member'`, `UNION SELECT g.link_id FROM ${AS_GUEST} WHERE a.person_id = :personId`)}
    UNION SELECT o.id FROM invited i JOIN occurrences o ON o.id = i.occurrence_id AND (o.local_date BETWEEN :from AND :to OR o.was_date BETWEEN :from AND :to)
    WHERE i.person_id = :personId)
  SELECT STRAIGHT_JOIN ${COLUMNS}, c.title AS class_title, c.period, c.pennant,
    (SELECT hp.name FROM class_staff hcs JOIN people hp ON hp.id = hcs.person_id WHERE hcs.class_id = c.id AND hcs.as_what = 'host' ORDER BY hp.id LIMIT 1) AS host_name,
    (SELECT MIN(w.code) FROM ${AS_GUEST} JOIN watch_addresses w ON w.link_id = g.link_id WHERE g.link_id = o.link_id AND g.comes = 'watcher' AND a.person_id = :personId) AS watch_code
  FROM found JOIN occurrences o ON o.id = found.id ${BESIDE} JOIN class_periods c ON c.id = o.class_id
  WHERE l.state = 'live' AND o.status <> 'skipped' AND o.draft = 0
    AND ((l.shown = 1 AND ${meantAt(`'member'`)}) OR ${meantAt(`'joining-member'`)}
      OR EXISTS (SELECT 1 FROM ${AS_GUEST} WHERE g.link_id = o.link_id AND g.series_id IN (0, o.series_id) AND g.key_date IN ('', o.key_date) AND a.person_id = :personId)
      OR EXISTS (SELECT 1 FROM invited i WHERE i.occurrence_id = o.id AND i.person_id = :personId))
  ${IN_ORDER}`;

/** The sessions that a person is meant for, by a link's audience, with their class period at another's door, or as invited guest, on local dates from a day on; drafts are nobody's business. */
export const sessionsOfLearner = (
  db: Db,
  from: string,
  to: string,
  personId: number,
): Promise<LearnerRow[]> => db.rows<LearnerRow>(LEARNER_DAYS, { from, to, personId });
