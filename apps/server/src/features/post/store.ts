import { classTitle, type TodayPost } from '@glen/core';
import { toSql, type Db, type Tx } from '../../db/connect.js';

export interface PostRow {
  id: number; class_id: number; link_id: number; words: string; link_words: string; due_at: string; withdrawn: number; version: number; by_name: string;
  placement_id: number; wanted_version: number; actual_version: number; out_since: string | null;
  job_state: 'queued' | 'running' | 'failed' | null; tries: number | null; last_error: string | null;
  class_ref: string; class_title: string; period: string | null; code: string;
}

const POST_SELECT = `
  SELECT p.*, u.name AS by_name, pl.id AS placement_id, pl.wanted_version, pl.actual_version, pl.out_since,
    o.state AS job_state, o.tries, o.last_error, c.ref AS class_ref, c.title AS class_title, c.period, l.code
  FROM posts p JOIN people u ON u.id = p.made_by JOIN placements pl ON pl.post_id = p.id
  JOIN class_periods c ON c.id = p.class_id JOIN links l ON l.id = p.link_id
  LEFT JOIN outbox o ON o.id = (SELECT MAX(x.id) FROM outbox x WHERE x.kind = 'placement' AND x.subject = CAST(pl.id AS CHAR CHARACTER SET ascii) COLLATE ascii_bin AND x.state <> 'done')`;

export const postsOfClass = (db: Db, classId: number): Promise<PostRow[]> =>
  db.rows<PostRow>(`${POST_SELECT} WHERE p.class_id = :classId ORDER BY p.due_at DESC, p.id DESC`, { classId });

export const postById = (db: Db, id: number): Promise<PostRow | undefined> => db.one<PostRow>(`${POST_SELECT} WHERE p.id = :id`, { id });

export const postByPlacement = (db: Db, placementId: number): Promise<PostRow | undefined> => db.one<PostRow>(`${POST_SELECT} WHERE pl.id = :placementId`, { placementId });

export async function insertPost(
  db: Db, post: { classId: number; linkId: number; by: number; words: string; linkWords: string; dueAt: string; place: string }, tx: Tx,
): Promise<{ id: number; placementId: number }> {
  const id = await db.insert('posts', { class_id: post.classId, link_id: post.linkId, made_by: post.by, words: post.words, link_words: post.linkWords, due_at: toSql(post.dueAt) }, tx);
  const placementId = await db.insert('placements', { post_id: id, place: post.place, wanted_version: 1 }, tx);
  return { id, placementId };
}

/** Posts of a link that are out or about to be. */
export const standingPosts = (db: Db, linkId: number): Promise<{ words: string; link_words: string }[]> =>
  db.rows('SELECT words, link_words FROM posts WHERE link_id = :linkId AND withdrawn = 0', { linkId });

/** Changes a post that still has the version its editor read; gives whether it had. */
export async function updatePost(
  db: Db, id: number, version: number, post: { words: string; linkWords: string; dueAt: string; withdrawn: boolean }, tx: Tx,
): Promise<boolean> {
  const count = await db.change(
    `UPDATE posts SET words = :words, link_words = :linkWords, due_at = :dueAt, withdrawn = :withdrawn, version = version + 1 WHERE id = :id AND version = :version`,
    { id, version, words: post.words, linkWords: post.linkWords, dueAt: toSql(post.dueAt), withdrawn: post.withdrawn ? 1 : 0 }, tx,
  );
  if (count === 0) return false;
  await db.change('UPDATE placements SET wanted_version = :wanted WHERE post_id = :id', { id, wanted: version + 1 }, tx);
  return true;
}

/** Notes what the place has confirmed. An older confirmation never overwrites a newer. */
export const notePlaced = (db: Db, placementId: number, version: number, outSince: string | null): Promise<number> =>
  db.change(
    `UPDATE placements SET actual_version = :version, out_since = ${outSince === null ? 'NULL' : 'COALESCE(out_since, :outSince)'} WHERE id = :placementId AND actual_version <= :version`,
    { placementId, version, outSince: outSince === null ? null : toSql(outSince) },
  );

export const stateOfPost = (row: PostRow): TodayPost['state'] => {
  if (row.withdrawn) return 'withdrawn';
  if (row.job_state === 'failed') return 'failed';
  return row.out_since === null ? 'queued' : 'out';
};

/** Where the links of one's class periods stand, or are about to, newest first. */
export const placementsOf = (db: Db, personId: number): Promise<PostRow[]> =>
  db.rows<PostRow>(`${POST_SELECT} JOIN class_staff cs ON cs.class_id = p.class_id AND cs.person_id = :personId WHERE p.withdrawn = 0 ORDER BY p.due_at DESC, p.id DESC`, { personId });

/** Posts of one's class periods that are not yet where they ought to be, for the day's notes. */
export async function postsToday(db: Db, personId: number): Promise<TodayPost[]> {
  const rows = await db.rows<PostRow>(
    `${POST_SELECT} JOIN class_staff cs ON cs.class_id = p.class_id AND cs.person_id = :personId AND cs.as_what <> 'presenter' WHERE pl.wanted_version <> pl.actual_version`, { personId },
  );
  return rows.map((row) => ({
    id: row.id, classTitle: classTitle({ title: row.class_title, period: row.period }),
    state: stateOfPost(row), error: row.last_error, tries: row.tries ?? 0,
  }));
}

/** The placements of a link's posts that stand or are about to, held against others. */
export const placementsToRenew = (db: Db, linkId: number, tx: Tx): Promise<{ id: number; due_at: string; out_since: string | null }[]> =>
  db.rows('SELECT pl.id, p.due_at, pl.out_since FROM posts p JOIN placements pl ON pl.post_id = p.id WHERE p.link_id = :linkId AND p.withdrawn = 0 FOR UPDATE', { linkId }, tx);

/** A placement ought to be brought in line again, though its post says the same: what it is rendered with has changed. */
export const renewPlacement = (db: Db, id: number, tx: Tx): Promise<number> =>
  db.change('UPDATE placements pl JOIN posts p ON p.id = pl.post_id SET p.version = p.version + 1, pl.wanted_version = p.version + 1 WHERE pl.id = :id', { id }, tx);
