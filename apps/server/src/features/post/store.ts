import type { Occurrence, PostTiming, RichText, RuleLayer } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';

export type Words = string | RichText;

export interface PostRow {
  id: number;
  class_id: number;
  made_by: number;
  by_name: string;
  words: Words;
  link_words: string;
  about: 'link' | 'sessions';
  on_date: string | null;
  timing: PostTiming;
  afterwards: 'stay' | 'down' | 'strike';
  pinned: number;
  early: number[];
  withdrawn: number;
  version: number;
}

/** What a place is like, beside where it is. */
export interface PlaceShape {
  readers: 'class' | 'audience' | { groupId: number };
  words: Words | null;
  title: string;
  section: { key: string } | { title: string } | null;
  position: number;
  inText: boolean;
  newTab: boolean;
  name: string;
}
export type PlaceKind = 'stream' | 'item' | 'calendar' | 'by-hand';
export interface PlaceRow {
  id: number;
  post_id: number;
  class_id: number;
  link_id: number;
  kind: PlaceKind;
  shape: PlaceShape;
  removed: number;
  class_ref: string;
  class_title: string;
  period: string | null;
  pennant: Pennant;
  code: string;
  link_label: string;
  link_state: 'live' | 'retired';
  lost: number;
  mine: number;
}

export interface PostOccurrenceRow {
  id: number;
  link_id: number;
  title: string;
  description: string;
  key_date: string;
  local_date: string;
  local_time: string;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  layers: RuleLayer[] | null;
  ended_at: string | null;
}

const POST_SELECT = 'SELECT p.*, u.name AS by_name FROM posts p JOIN people u ON u.id = p.made_by';
const read = (row: PostRow): PostRow => ({
  ...row,
  words: JSON.parse(row.words as string) as Words,
});

export const postsById = async (db: Db, ids: number[]): Promise<PostRow[]> =>
  (
    await db.rows<PostRow>(`${POST_SELECT} WHERE p.id IN (:ids) ORDER BY p.id DESC`, {
      ids: [0, ...ids],
    })
  ).map(read);

/** A post, held against other changes of it. */
export const heldPost = async (db: Db, id: number): Promise<PostRow | undefined> => {
  const row = await db.one<PostRow>(`${POST_SELECT} WHERE p.id = :id FOR UPDATE`, { id });
  return row && read(row);
};

/** Posts that go to some class periods. */
export const postIdsOf = async (db: Db, classIds: number[]): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT DISTINCT post_id AS id FROM post_places WHERE removed = 0 AND class_id IN (:classIds) ORDER BY post_id DESC',
      { classIds: [0, ...classIds] },
    )
  ).map((row) => row.id);

/** The posts that bear a link and are not withdrawn. */
export const postIdsOfLink = async (db: Db, linkId: number): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT DISTINCT p.id FROM posts p JOIN post_places pp ON pp.post_id = p.id AND pp.removed = 0 WHERE pp.link_id = :linkId AND p.withdrawn = 0 ORDER BY p.id DESC',
      { linkId },
    )
  ).map((row) => row.id);

/** Posts, not withdrawn, that go to a class period or bear a link of its. */
export const postIdsTouching = async (db: Db, classId: number): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT DISTINCT p.id FROM posts p JOIN post_places pp ON pp.post_id = p.id JOIN links l ON l.id = pp.link_id WHERE p.withdrawn = 0 AND (pp.class_id = :classId OR l.class_id = :classId)',
      { classId },
    )
  ).map((row) => row.id);

export const postIdsInForce = async (db: Db): Promise<number[]> =>
  (await db.rows<{ id: number }>('SELECT id FROM posts WHERE withdrawn = 0', {})).map(
    (row) => row.id,
  );

export const placesOf = (db: Db, postIds: number[], personId = 0): Promise<PlaceRow[]> =>
  db.rows<PlaceRow>(
    `SELECT pp.id, pp.post_id, pp.class_id, pp.link_id, pp.kind, pp.shape, c.ref AS class_ref, c.title AS class_title, c.period, c.pennant, l.code, l.label AS link_label, l.state AS link_state, pp.removed OR c.put_away_at IS NOT NULL AS removed,
       NOT EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = pp.class_id AND cs.person_id = p.made_by AND cs.as_what <> 'presenter') AS lost,
       EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = pp.class_id AND cs.person_id = :personId AND cs.as_what <> 'presenter') AS mine
     FROM post_places pp JOIN posts p ON p.id = pp.post_id JOIN class_periods c ON c.id = pp.class_id JOIN links l ON l.id = pp.link_id
     WHERE pp.post_id IN (:postIds) ORDER BY pp.id`,
    { postIds: [0, ...postIds], personId },
  );

/** Every date of some links that a post may speak of; drafts are nobody's business. */
export const occurrencesOfLinks = (db: Db, linkIds: number[]): Promise<PostOccurrenceRow[]> =>
  db.rows<PostOccurrenceRow>(
    `SELECT o.id, o.link_id, o.title, o.description, o.key_date, o.local_date, o.local_time, o.start_at, o.end_at, o.status, o.layers, m.ended_at
     FROM occurrences o LEFT JOIN sittings m ON m.occurrence_id = o.id WHERE o.link_id IN (:linkIds) AND o.draft = 0 AND o.status <> 'skipped' ORDER BY o.start_at, o.id`,
    { linkIds: [0, ...linkIds] },
  );

export const hostNames = async (db: Db, classIds: number[]): Promise<Map<number, string>> =>
  new Map(
    (
      await db.rows<{ class_id: number; name: string }>(
        `SELECT cs.class_id, MIN(p.name) AS name FROM class_staff cs JOIN people p ON p.id = cs.person_id WHERE cs.as_what = 'host' AND cs.class_id IN (:classIds) GROUP BY cs.class_id`,
        { classIds: [0, ...classIds] },
      )
    ).map((row) => [row.class_id, row.name]),
  );

/** A class period as its course site knows it. */
export const siteOfClass = (
  db: Db,
  classId: number,
): Promise<{ id: number; ref: string } | undefined> =>
  db.one('SELECT id, ref FROM class_periods WHERE id = :classId', { classId });

/** A link, and whether a person hosts its class period and so may post it. */
export const linkForPost = (
  db: Db,
  id: number,
  by: number,
): Promise<{ state: 'live' | 'retired'; host: number } | undefined> =>
  db.one(
    `SELECT l.state, EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = l.class_id AND cs.person_id = :by AND cs.as_what <> 'presenter') AS host FROM links l WHERE l.id = :id`,
    { id, by },
  );

/** Places as they would be, for a post that is not saved. */
export async function wouldBePlaces(db: Db, places: PlaceText[]): Promise<PlaceRow[]> {
  const rows = await db.rows<
    Omit<PlaceRow, 'id' | 'post_id' | 'kind' | 'shape' | 'removed' | 'lost' | 'mine'>
  >(
    `SELECT c.id AS class_id, l.id AS link_id, c.ref AS class_ref, c.title AS class_title, c.period, c.pennant, l.code, l.label AS link_label, l.state AS link_state
     FROM class_periods c JOIN links l WHERE c.id IN (:classIds) AND l.id IN (:linkIds)`,
    {
      classIds: [0, ...places.map((p) => p.classId)],
      linkIds: [0, ...places.map((p) => p.linkId)],
    },
  );
  return places.flatMap((p, i) => {
    const row = rows.find((r) => r.class_id === p.classId && r.link_id === p.linkId);
    return row
      ? [
          {
            ...row,
            id: i + 1,
            post_id: 0,
            kind: p.kind,
            shape: p.shape,
            removed: 0,
            lost: 0,
            mine: 1,
          },
        ]
      : [];
  });
}

export const hostedOf = async (
  db: Db,
  personId: number,
  classIds: number[],
): Promise<Set<number>> =>
  new Set(
    (
      await db.rows<{ class_id: number }>(
        `SELECT class_id FROM class_staff WHERE person_id = :personId AND as_what <> 'presenter' AND class_id IN (:classIds)`,
        { personId, classIds: [0, ...classIds] },
      )
    ).map((row) => row.class_id),
  );

/** Who did what to a post, the newest first. */
export const historyOf = (
  db: Db,
  id: number,
): Promise<{ at: string; by_name: string | null; action: string }[]> =>
  db.rows(
    `SELECT a.at, u.name AS by_name, a.action FROM audit_log a LEFT JOIN people u ON u.id = a.person_id WHERE a.subject = :subject ORDER BY a.id DESC LIMIT 200`,
    { subject: `post:${id}` },
  );

export interface PostText {
  words: Words;
  linkWords: string;
  about: 'link' | 'sessions';
  onDate: string | null;
  timing: PostTiming;
  afterwards: PostRow['afterwards'];
  pinned: boolean;
  withdrawn: boolean;
}
const columnsOf = (p: PostText) => ({
  words: JSON.stringify(p.words),
  link_words: p.linkWords,
  about: p.about,
  on_date: p.onDate,
  timing: JSON.stringify(p.timing),
  afterwards: p.afterwards,
  pinned: p.pinned ? 1 : 0,
  withdrawn: p.withdrawn ? 1 : 0,
});

export const insertPost = (
  db: Db,
  at: { classId: number; by: number },
  post: PostText,
): Promise<number> =>
  db.insert('posts', { class_id: at.classId, made_by: at.by, ...columnsOf(post) });

/** Changes a post that still has the version its editor read; gives whether it had. */
export async function updatePost(
  db: Db,
  id: number,
  version: number,
  post: PostText,
): Promise<boolean> {
  const columns = columnsOf(post);
  return (
    (await db.change(
      `UPDATE posts SET ${Object.keys(columns)
        .map((c) => `${c} = :${c}`)
        .join(', ')}, version = version + 1 WHERE id = :id AND version = :version`,
      { id, version, ...columns },
    )) > 0
  );
}

export interface PlaceText {
  id?: number;
  classId: number;
  linkId: number;
  kind: PlaceKind;
  shape: PlaceShape;
}

/** Whether a session is one that a post could speak of: held at a link that it bears. */
export const isOfPost = async (db: Db, id: number, occurrenceId: number): Promise<boolean> =>
  (await db.one(
    'SELECT o.id FROM occurrences o JOIN post_places pp ON pp.link_id = o.link_id AND pp.removed = 0 WHERE pp.post_id = :id AND o.id = :occurrenceId LIMIT 1',
    { id, occurrenceId },
  )) !== undefined;

/** The post about one session is asked for before its time. */
export const hurryPost = (db: Db, id: number, early: number[]): Promise<number> =>
  db.change('UPDATE posts SET early = :early WHERE id = :id', { id, early: JSON.stringify(early) });

/** Gives a post these places: those that it has already by their ids, the others new; what is left out goes. A place never changes its class period or kind. */
export async function writePlaces(db: Db, postId: number, places: PlaceText[]): Promise<void> {
  const there = await db.rows<{ id: number; class_id: number; kind: PlaceKind }>(
    'SELECT id, class_id, kind FROM post_places WHERE post_id = :postId',
    { postId },
  );
  const isKept = (p: PlaceText): boolean =>
    there.some((t) => t.id === p.id && t.class_id === p.classId && t.kind === p.kind);
  await db.change(
    'UPDATE post_places SET removed = 1 WHERE post_id = :postId AND id NOT IN (:kept)',
    { postId, kept: [0, ...places.filter(isKept).map((p) => p.id!)] },
  );
  for (const p of places) {
    const columns = { link_id: p.linkId, shape: JSON.stringify(p.shape) };
    if (isKept(p))
      await db.change(
        'UPDATE post_places SET link_id = :link_id, shape = :shape, removed = 0 WHERE id = :id',
        { ...columns, id: p.id! },
      );
    else
      await db.insert('post_places', {
        post_id: postId,
        class_id: p.classId,
        kind: p.kind,
        ...columns,
      });
  }
}
