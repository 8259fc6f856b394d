import type { RuleLayer } from '@glen/core';
import { toSql, type Db } from '../../db/connect.js';

export interface ShareRow {
  id: number;
  link_id: number;
  class_id: number;
  series_id: number | null;
  key_date: string | null;
  own_door: 'leads' | 'shut';
  title: string;
  period: string | null;
  pennant: { letters: string; pattern: string; hue: string };
  series_title: string | null;
}

export const sharesOf = (db: Db, linkId: number): Promise<ShareRow[]> =>
  db.rows<ShareRow>(
    `SELECT sh.*, c.title, c.period, c.pennant, s.title AS series_title FROM shares sh JOIN class_periods c ON c.id = sh.class_id LEFT JOIN series s ON s.id = sh.series_id WHERE sh.link_id = :linkId ORDER BY sh.id`,
    { linkId },
  );

/** Whoever brings class periods together holds this lock: what is looked at must not change before it is written. */
export const lockShares = (db: Db): Promise<{ id: number }[]> =>
  db.rows('SELECT id FROM school WHERE id = 1 FOR UPDATE', {});

/** Another class period that one of two is bound to already: `out` where the host goes to its door, else it comes to the joining one's. */
export const boundTo = (
  db: Db,
  hostId: number,
  joiningId: number,
): Promise<{ title: string; out: number } | undefined> =>
  db.one(
    `SELECT c.title, sh.class_id = :hostId AS \`out\` FROM shares sh JOIN links l ON l.id = sh.link_id JOIN class_periods c ON c.id = IF(sh.class_id = :hostId, l.class_id, sh.class_id)
     WHERE sh.class_id = :hostId OR l.class_id = :joiningId LIMIT 1`,
    { hostId, joiningId },
  );

export const sameShare = async (
  db: Db,
  s: { linkId: number; classId: number; seriesId: number | null; key: string | null },
): Promise<boolean> =>
  (await db.one(
    'SELECT id FROM shares WHERE link_id = :linkId AND class_id = :classId AND series_id <=> :seriesId AND key_date <=> :key',
    s,
  )) !== undefined;

export const shareById = (
  db: Db,
  id: number,
  linkId: number,
): Promise<
  | { class_id: number; series_id: number | null; key_date: string | null; own_door: string }
  | undefined
> =>
  db.one(
    'SELECT class_id, series_id, key_date, own_door FROM shares WHERE id = :id AND link_id = :linkId',
    { id, linkId },
  );

export const insertShare = (
  db: Db,
  s: {
    linkId: number;
    classId: number;
    seriesId: number | null;
    key: string | null;
    ownDoor: 'leads' | 'shut';
    by: number;
  },
): Promise<number> =>
  db.insert('shares', {
    link_id: s.linkId,
    class_id: s.classId,
    series_id: s.seriesId,
    key_date: s.key,
    own_door: s.ownDoor,
    made_by: s.by,
  });

export const deleteShare = (db: Db, id: number, linkId: number): Promise<number> =>
  db.change('DELETE FROM shares WHERE id = :id AND link_id = :linkId', { id, linkId });

/** The doors of others that a class period meets at. */
export const linksJoinedBy = async (db: Db, classId: number): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT DISTINCT link_id AS id FROM shares WHERE class_id = :classId',
      { classId },
    )
  ).map((row) => row.id);

/** Makes anew, date by date, which class periods that go on meet at a link's sessions, or at those of one series. */
export async function refreshJoined(
  db: Db,
  of: { linkId: number } | { seriesId: number },
): Promise<void> {
  const where = 'linkId' in of ? 'o.link_id = :id' : 'o.series_id = :id';
  const id = 'linkId' in of ? of.linkId : of.seriesId;
  await db.change(
    `DELETE j FROM joined j JOIN occurrences o ON o.id = j.occurrence_id WHERE ${where}`,
    { id },
  );
  // Of several that say something of one date the narrowest counts: that date, its series, always.
  await db.change(
    `INSERT IGNORE INTO joined (occurrence_id, class_id, own_door)
     SELECT o.id, sh.class_id, sh.own_door FROM occurrences o JOIN shares sh ON sh.link_id = o.link_id AND (sh.series_id IS NULL OR sh.series_id = o.series_id) AND (sh.key_date IS NULL OR sh.key_date = o.key_date)
     JOIN class_periods jc ON jc.id = sh.class_id AND jc.put_away_at IS NULL
     WHERE ${where} ORDER BY sh.key_date IS NULL, sh.series_id IS NULL, sh.id`,
    { id },
  );
}

/** The link that a series meets at, with the series held against other changes. */
export const heldLinkOfSeries = async (db: Db, seriesId: number): Promise<number | undefined> =>
  (
    await db.one<{ link_id: number }>(
      'SELECT link_id FROM series WHERE id = :seriesId FOR UPDATE',
      { seriesId },
    )
  )?.link_id;

export const seriesHasDate = async (db: Db, seriesId: number, key: string): Promise<boolean> =>
  (await db.one(
    'SELECT 1 AS here FROM occurrences WHERE series_id = :seriesId AND key_date = :key',
    { seriesId, key },
  )) !== undefined;

/** A series was cut before a key: what was said of all of it counts on both sides, what was said of later dates goes along. */
export async function cutShares(db: Db, from: number, to: number, key: string): Promise<void> {
  await db.change(
    'INSERT INTO shares (link_id, class_id, series_id, own_door, made_by) SELECT link_id, class_id, :to, own_door, made_by FROM shares WHERE series_id = :from AND key_date IS NULL',
    { from, to },
  );
  await db.change(
    'UPDATE shares SET series_id = :to WHERE series_id = :from AND key_date >= :key',
    { from, to, key },
  );
}

/** A series that was cut is whole again. */
export async function mergeShares(db: Db, from: number, to: number): Promise<void> {
  await db.change('DELETE FROM shares WHERE series_id = :from AND key_date IS NULL', { from });
  await db.change('UPDATE shares SET series_id = :to WHERE series_id = :from', { from, to });
}

export const dropShares = (db: Db, seriesId: number): Promise<number> =>
  db.change('DELETE FROM shares WHERE series_id = :seriesId', { seriesId });

/** A session that a class period holds at another's door. */
export interface JoinedRow {
  joining: number;
  own_door: 'leads' | 'shut';
  occurrence_id: number;
  link_id: number;
  code: string;
  class_title: string;
  period: string | null;
  title: string;
  start: string;
  end: string;
  status: 'planned' | 'moved';
  draft: number;
  layers: RuleLayer[] | null;
}

/** Of some class periods, what they hold at others' doors that still work and that ends after an instant. */
export const joinedOf = (db: Db, classIds: number[], since: string): Promise<JoinedRow[]> =>
  db.rows<JoinedRow>(
    `SELECT j.class_id AS joining, j.own_door, o.id AS occurrence_id, o.link_id, l.code, c.title AS class_title, c.period, o.title, o.start_at AS start, o.end_at AS end, o.status, o.draft, o.layers
     FROM joined j JOIN occurrences o ON o.id = j.occurrence_id JOIN links l ON l.id = o.link_id AND l.state = 'live' JOIN class_periods c ON c.id = o.class_id
     WHERE j.class_id IN (:classIds) AND o.end_at > :since AND o.status IN ('planned', 'moved') AND o.draft = 0 ORDER BY o.start_at, o.id`,
    { classIds: [0, ...classIds], since: toSql(since) },
  );

export const joiningTitles = (
  db: Db,
  occurrenceIds: number[],
): Promise<
  {
    occurrence_id: number;
    id: number;
    title: string;
    period: string | null;
    pennant: ShareRow['pennant'];
  }[]
> =>
  db.rows(
    'SELECT j.occurrence_id, c.id, c.title, c.period, c.pennant FROM joined j JOIN class_periods c ON c.id = j.class_id WHERE j.occurrence_id IN (:occurrenceIds) ORDER BY c.period, c.title',
    { occurrenceIds: [0, ...occurrenceIds] },
  );
