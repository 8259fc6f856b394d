import { plusMinutes } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { toSql } from '../../db/sqlTime.js';
import { LEFT_OUT } from '../../http/accessStore.sql.js';
import { MAIN_LINK } from '../school/classes.sql.js';
import type { LinkRow } from './store.js';

export interface ListedLink extends LinkRow {
  class_title: string;
  period: string | null;
  pennant: Pennant;
  put_away_at: string | null;
  as_what: 'host' | 'co-teacher' | 'presenter' | null;
  last_used: string | null;
  main_id: number;
  /** Hosted by those alone who are named at it, and whoever asks is none of them. */
  left_out: number;
}

/** Which links: those of all class periods that one teaches or visits and those that one hosts alone; a class period's; one. */
export type WhichLinks = { ofPerson: true } | { classId: number } | { linkId: number };

const OWN_THAT_GO_ON = `c.put_away_at IS NULL AND l.id IN (
  SELECT lp.link_id FROM link_people lp WHERE lp.person_id = :personId AND lp.as_what IN ('host', 'presenter', 'tutor'))`;

function conditionOf(which: WhichLinks): { sql: string; values: Record<string, number> } {
  if ('classId' in which) return { sql: 'l.class_id = :classId', values: { ...which } };
  if ('linkId' in which) return { sql: 'l.id = :linkId', values: { ...which } };
  return { sql: OWN_THAT_GO_ON, values: {} };
}

/** Links with their class periods, by class and order, as a person sees them. */
export function listLinks(db: Db, personId: number, which: WhichLinks): Promise<ListedLink[]> {
  const { sql, values } = conditionOf(which);
  return db.rows<ListedLink>(
    `SELECT l.*, c.title AS class_title, c.period, c.pennant, c.put_away_at, cs.as_what, ${LEFT_OUT} AS left_out, ${MAIN_LINK} AS main_id,
       (SELECT MAX(v.knocked_at) FROM sittings m JOIN visitors v ON v.sitting_id = m.id WHERE m.link_id = l.id) AS last_used
     FROM links l JOIN class_periods c ON c.id = l.class_id
     LEFT JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :personId
     WHERE ${sql} ORDER BY c.period IS NULL, c.period, c.title, c.id, l.state = 'retired', l.place, l.id`,
    { personId, ...values },
  );
}

interface NextDate {
  link_id: number;
  local_date: string;
  local_time: string;
  title: string;
}

/** No session is longer than a day, in minutes; with it the index by start finds those that still run. */
const LONGEST = 24 * 60;

/** The next date of each link that is still ahead, or running and not ended at an instant. */
export function nextOfLinks(db: Db, linkIds: number[], now: string): Promise<NextDate[]> {
  const ahead = (o: string): string =>
    `${o}.end_at > :now AND ${o}.draft = 0 AND ${o}.status IN ('planned', 'moved') AND NOT EXISTS (SELECT 1 FROM sittings m WHERE m.occurrence_id = ${o}.id AND m.ended_at IS NOT NULL)`;
  return db.rows<NextDate>(
    `SELECT o.link_id, o.local_date, o.local_time, o.title FROM occurrences o
     JOIN (SELECT f.link_id, MIN(f.start_at) AS start_at FROM occurrences f WHERE f.link_id IN (:linkIds) AND f.start_at > :longAgo AND ${ahead('f')} GROUP BY f.link_id) n ON n.link_id = o.link_id AND n.start_at = o.start_at
     WHERE ${ahead('o')}`,
    { linkIds: [0, ...linkIds], now: toSql(now), longAgo: toSql(plusMinutes(now, -LONGEST)) },
  );
}
