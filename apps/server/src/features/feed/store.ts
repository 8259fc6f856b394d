import type { SessionPlan, SessionWords } from '@glen/core';
import { toSql, type Db } from '../../db/connect.js';
import { inAudience } from '../audience/fragments.sql.js';

interface FeedRow {
  id: number;
  token: string;
  person_id: number | null;
  class_id: number | null;
}

export const feedByToken = (db: Db, token: string): Promise<FeedRow | undefined> =>
  db.one<FeedRow>('SELECT id, token, person_id, class_id FROM feeds WHERE token = :token', {
    token,
  });

export const feedOf = (
  db: Db,
  of: { personId: number } | { classId: number },
): Promise<FeedRow | undefined> =>
  'personId' in of
    ? db.one<FeedRow>('SELECT * FROM feeds WHERE person_id = :id', { id: of.personId })
    : db.one<FeedRow>('SELECT * FROM feeds WHERE class_id = :id', { id: of.classId });

/** Makes a feed's address, or puts a new one in the place of the old, which is gone from then on. */
export async function putFeed(
  db: Db,
  of: { personId: number } | { classId: number },
  token: string,
  madeAt: string,
): Promise<void> {
  const [personId, classId] = 'personId' in of ? [of.personId, null] : [null, of.classId];
  await db.change(
    'INSERT INTO feeds (token, person_id, class_id, made_at) VALUES (:token, :personId, :classId, :madeAt) ON DUPLICATE KEY UPDATE token = VALUES(token), made_at = VALUES(made_at)',
    { token, personId, classId, madeAt: toSql(madeAt) },
  );
}

export interface FeedSeriesRow {
  id: number;
  class_id: number;
  title: string;
  description: string;
  plan: SessionPlan;
  words: Record<string, Partial<SessionWords>>;
  version: number;
  changed_at: string;
  code: string;
  /** Whether its link is for all of its class period. */
  for_class: number;
}

const FOR_CLASS =
  'EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = s.link_id AND fa.class_id = s.class_id)';
const SERIES = `SELECT s.id, s.class_id, s.title, s.description, s.plan, s.words, s.version, s.changed_at, l.code, ${FOR_CLASS} AS for_class FROM series s JOIN links l ON l.id = s.link_id AND l.state = 'live' WHERE s.draft = 0 AND s.undated = 0`;

/** The class periods that a person is in: teaching, visiting, or on the roll. */
const ONES_OWN =
  'SELECT class_id FROM class_staff WHERE person_id = :personId UNION SELECT class_id FROM roll WHERE person_id = :personId';

/** What all of a class period is meant for: its own series, and those that it holds at another's door. */
export const seriesOfClass = (db: Db, classId: number): Promise<FeedSeriesRow[]> =>
  db.rows<FeedSeriesRow>(
    `${SERIES} AND ((s.class_id = :classId AND ${FOR_CLASS})
       OR EXISTS (SELECT 1 FROM shares sh WHERE sh.link_id = s.link_id AND sh.class_id = :classId AND sh.key_date IS NULL AND (sh.series_id IS NULL OR sh.series_id = s.id))) ORDER BY s.id`,
    { classId },
  );

/** What a person teaches, visits, is host of, or is meant for by a link's audience or with a class period of their own. */
export const seriesOfPerson = (db: Db, personId: number): Promise<FeedSeriesRow[]> =>
  db.rows<FeedSeriesRow>(
    `${SERIES} AND (EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = s.class_id AND cs.person_id = :personId) OR EXISTS (SELECT 1 FROM link_hosts lh WHERE lh.link_id = s.link_id AND lh.person_id = :personId)
       OR (l.shown = 1 AND ${inAudience('s.link_id', ':personId')})
       OR EXISTS (SELECT 1 FROM shares sh WHERE sh.link_id = s.link_id AND sh.key_date IS NULL AND (sh.series_id IS NULL OR sh.series_id = s.id) AND sh.class_id IN (${ONES_OWN}))) ORDER BY s.id`,
    { personId },
  );

/** Single dates that class periods hold at another's door, of series that are not theirs otherwise. */
export const sharedDates = (db: Db, of: { personId: number } | { classId: number }) =>
  db.rows<{
    id: number;
    series_id: number;
    title: string;
    description: string;
    local_date: string;
    local_time: string;
    minutes: number;
    version: number;
    changed_at: string;
    code: string;
  }>(
    `SELECT DISTINCT o.id, o.series_id, o.title, o.description, o.local_date, o.local_time, o.minutes, s.version, s.changed_at, l.code
     FROM shares sh JOIN occurrences o ON o.series_id = sh.series_id AND o.key_date = sh.key_date AND o.status IN ('planned', 'moved') AND o.draft = 0 JOIN series s ON s.id = o.series_id JOIN links l ON l.id = o.link_id AND l.state = 'live'
     WHERE sh.class_id IN (${'personId' in of ? ONES_OWN : ':classId'}) ORDER BY o.id`,
    of,
  );

/** The dates, by series, that class periods hold at another's door instead of their own. */
export const datesHeldElsewhere = (
  db: Db,
  seriesIds: number[],
): Promise<{ series_id: number; key_date: string }[]> =>
  db.rows(
    `SELECT DISTINCT o.series_id, o.key_date FROM occurrences o JOIN joined j ON j.class_id = o.class_id JOIN occurrences x ON x.id = j.occurrence_id AND x.id <> o.id JOIN links xl ON xl.id = x.link_id AND xl.state = 'live'
     WHERE o.series_id IN (:seriesIds) AND o.status IN ('planned', 'moved') AND x.status IN ('planned', 'moved') AND x.draft = 0 AND x.start_at < o.end_at AND o.start_at < x.end_at`,
    { seriesIds: [0, ...seriesIds] },
  );

export const seriesForFile = (db: Db, seriesId: number): Promise<FeedSeriesRow | undefined> =>
  db.one(
    `SELECT s.id, s.class_id, s.title, s.description, s.plan, s.words, s.version, s.changed_at, l.code, 0 AS for_class FROM series s JOIN links l ON l.id = s.link_id WHERE s.id = :seriesId`,
    { seriesId },
  );
