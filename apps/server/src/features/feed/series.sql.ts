import type { SessionPlan, SessionWords, KeptRules } from '@glen/core';
import type { Db, Values } from '../../db/connect.js';

// Series and single dates for calendar feeds: asked for by other programs every few hours, for everybody. A person's begin
// from the links that mean them.

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
  link_id: number;
  rules: KeptRules;
  /** Whether its link is for all of its class period. */
  for_class: number;
}

const FOR_CLASS =
  'EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = s.link_id AND fa.class_id = s.class_id)';

const series = (db: Db, from: string, where: string, values: Values): Promise<FeedSeriesRow[]> =>
  db.rows<FeedSeriesRow>(
    `SELECT s.id, s.class_id, s.title, s.description, s.plan, s.words, s.version, s.changed_at, s.rules, l.id AS link_id, l.code, ${FOR_CLASS} AS for_class
     FROM ${from} JOIN links l ON l.id = s.link_id WHERE ${where} ORDER BY s.id`,
    values,
  );

const GOES_OUT = `l.state = 'live' AND s.draft = 0 AND s.undated = 0 AND s.removed_at IS NULL`;

/** What all of a class period is meant for: its own series, and those that it holds at another's door. */
export const seriesOfClass = (db: Db, classId: number): Promise<FeedSeriesRow[]> =>
  series(
    db,
    `(SELECT own.id FROM series own WHERE own.class_id = :classId
       UNION SELECT there.id FROM shares sh JOIN series there ON there.link_id = sh.link_id AND (sh.series_id IS NULL OR sh.series_id = there.id)
       WHERE sh.class_id = :classId AND sh.key_date IS NULL) found JOIN series s ON s.id = found.id`,
    `${GOES_OUT} AND (s.class_id <> :classId OR ${FOR_CLASS})`,
    { classId },
  );

/** Somebody, by their school account or as who they are at home. */
interface Asked {
  personId: number;
  asStaff: boolean;
}

/** What people are to a link whom it is for, and who come with a class period. */
const NOT_STAFF = `('member', 'joining-member')`;

/** What a person is meant for by a link's audience or with a class period of their own, and as staff also what they teach, visit or are host of. */
export const seriesOfPerson = (db: Db, { personId, asStaff }: Asked): Promise<FeedSeriesRow[]> =>
  series(
    db,
    `(SELECT DISTINCT own.id FROM link_people lp JOIN links ol ON ol.id = lp.link_id
       JOIN series own ON own.link_id = lp.link_id AND lp.key_date = '' AND lp.series_id IN (0, own.id)
       WHERE lp.person_id = :personId AND (lp.as_what <> 'member' OR ol.shown = 1) ${asStaff ? '' : `AND lp.as_what IN ${NOT_STAFF}`}) found JOIN series s ON s.id = found.id`,
    GOES_OUT,
    { personId },
  );

/** One series, whatever it is; for a file of it. */
export const seriesForFile = async (db: Db, seriesId: number): Promise<FeedSeriesRow | undefined> =>
  (await series(db, 'series s', 's.id = :seriesId AND s.removed_at IS NULL', { seriesId }))[0];

/** A date that stands alone in a file. */
export interface SharedDate {
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
}

const LEARNED = 'SELECT class_id FROM roll WHERE person_id = :personId';
const TAUGHT = 'SELECT class_id FROM class_staff WHERE person_id = :personId';

const classesOfAsked = (of: Asked | { classId: number }): string => {
  if ('classId' in of) return ':classId';
  return of.asStaff ? `${TAUGHT} UNION ${LEARNED}` : LEARNED;
};

/** Single dates that class periods hold at another's door, of series that are not theirs otherwise. */
export const sharedDates = (db: Db, of: Asked | { classId: number }): Promise<SharedDate[]> =>
  db.rows<SharedDate>(
    `SELECT DISTINCT o.id, o.series_id, o.title, o.description, o.local_date, o.local_time, o.minutes, s.version, s.changed_at, l.code
     FROM shares sh JOIN occurrences o ON o.series_id = sh.series_id AND o.key_date = sh.key_date AND o.status IN ('planned', 'moved') AND o.draft = 0
     JOIN series s ON s.id = o.series_id JOIN links l ON l.id = o.link_id AND l.state = 'live'
     WHERE sh.class_id IN (${classesOfAsked(of)}) ORDER BY o.id`,
    { ...('classId' in of ? { classId: of.classId } : { personId: of.personId }) },
  );

/** The dates, by series, that class periods hold at another's door instead of their own. */
export const datesHeldElsewhere = (
  db: Db,
  seriesIds: number[],
): Promise<{ series_id: number; key_date: string }[]> =>
  db.rows(
    `SELECT DISTINCT o.series_id, o.key_date FROM occurrences o JOIN joined j ON j.class_id = o.class_id
     JOIN occurrences x ON x.id = j.occurrence_id AND x.id <> o.id JOIN links xl ON xl.id = x.link_id AND xl.state = 'live'
     WHERE o.series_id IN (:seriesIds) AND o.status IN ('planned', 'moved') AND x.status IN ('planned', 'moved') AND x.draft = 0 AND x.start_at < o.end_at AND o.start_at < x.end_at`,
    { seriesIds: [0, ...seriesIds] },
  );
