import { toSql, type Db } from '../../db/connect.js';
import type { Thing } from '../../outside/courseSite.js';

/** What a place that is filled by hand is given. */
export interface Hand {
  kind: 'hand';
  html: string;
  text: string;
  markdown: string;
}
export type Body = Thing | Hand;

export interface PlacementRow {
  id: number;
  post_id: number;
  place_id: number;
  part: 'thing' | 'section';
  occurrence_id: number;
  wish: 'out' | 'struck' | 'gone';
  body: Body;
  due_at: string;
  revision: number;
  code: string;
  sent_revision: number;
  sent_body: Body | null;
  sent_code: string | null;
  out_since: string | null;
  dropped: number;
  missing_since: string | null;
  job_state: 'queued' | 'running' | 'failed' | null;
  tries: number | null;
  last_error: string | null;
}

const PLACEMENT_SELECT = `
  SELECT pl.*, o.state AS job_state, o.tries, o.last_error FROM placements pl
  LEFT JOIN outbox o ON o.id = (SELECT MAX(x.id) FROM outbox x WHERE x.kind = 'placement' AND x.subject = CAST(pl.id AS CHAR CHARACTER SET ascii) COLLATE ascii_bin AND x.state <> 'done')`;

export const placementsOf = (db: Db, postIds: number[]): Promise<PlacementRow[]> =>
  db.rows<PlacementRow>(`${PLACEMENT_SELECT} WHERE pl.post_id IN (:postIds) ORDER BY pl.id`, {
    postIds: [0, ...postIds],
  });

export const placementById = (
  db: Db,
  id: number,
): Promise<(PlacementRow & { class_id: number; class_ref: string }) | undefined> =>
  db.one(
    `SELECT f.*, c.id AS class_id, c.ref AS class_ref FROM (${PLACEMENT_SELECT} WHERE pl.id = :id) f JOIN post_places pp ON pp.id = f.place_id JOIN class_periods c ON c.id = pp.class_id`,
    { id },
  );

export interface Wished {
  placeId: number;
  part: 'thing' | 'section';
  occurrenceId: number;
  wish: PlacementRow['wish'];
  body: Body;
  code: string;
  dueAt: string;
}

export const insertPlacement = (db: Db, postId: number, w: Wished): Promise<number> =>
  db.insert('placements', {
    post_id: postId,
    place_id: w.placeId,
    part: w.part,
    occurrence_id: w.occurrenceId,
    wish: w.wish,
    body: JSON.stringify(w.body),
    code: w.code,
    due_at: toSql(w.dueAt),
  });

export const updatePlacement = (
  db: Db,
  id: number,
  w: Pick<Wished, 'wish' | 'body' | 'code'>,
): Promise<number> =>
  db.change(
    'UPDATE placements SET wish = :wish, body = :body, code = :code, revision = revision + 1 WHERE id = :id',
    { id, wish: w.wish, body: JSON.stringify(w.body), code: w.code },
  );

/** Notes what the place has confirmed. An older confirmation never overwrites a newer. */
export const notePlaced = (
  db: Db,
  {
    id,
    revision,
    wish,
    body,
    code,
  }: Pick<PlacementRow, 'id' | 'revision' | 'wish' | 'body' | 'code'>,
  now: string,
): Promise<number> =>
  db.change(
    `UPDATE placements SET sent_revision = :revision, sent_body = :body, sent_code = :code, missing_since = NULL, out_since = ${wish === 'gone' ? 'NULL' : 'COALESCE(out_since, :now)'} WHERE id = :id AND sent_revision <= :revision`,
    {
      id,
      revision,
      body: wish === 'gone' ? null : JSON.stringify(body),
      code: wish === 'gone' ? null : code,
      now: toSql(now),
    },
  );

/** A person says that they have not done it after all. */
export const unplace = (db: Db, id: number): Promise<number> =>
  db.change(
    'UPDATE placements SET sent_revision = 0, sent_body = NULL, sent_code = NULL, out_since = NULL WHERE id = :id',
    { id },
  );

export const dropPlacement = (db: Db, id: number, dropped: boolean): Promise<number> =>
  db.change('UPDATE placements SET dropped = :dropped WHERE id = :id', {
    id,
    dropped: dropped ? 1 : 0,
  });

/** It ought to be sent once more, though it says the same. */
export const renewPlacement = (db: Db, id: number): Promise<number> =>
  db.change('UPDATE placements SET revision = revision + 1, missing_since = NULL WHERE id = :id', {
    id,
  });

export const noteMissing = (db: Db, ids: number[], now: string): Promise<number> =>
  db.change(
    'UPDATE placements SET missing_since = :now WHERE id IN (:ids) AND missing_since IS NULL',
    { ids: [0, ...ids], now: toSql(now) },
  );

/** What a class period's site has confirmed and ought to list. */
export const confirmedOf = (db: Db, classId: number): Promise<{ id: number }[]> =>
  db.rows(
    `SELECT pl.id FROM placements pl JOIN post_places pp ON pp.id = pl.place_id WHERE pp.class_id = :classId AND pp.kind <> 'by-hand' AND pl.out_since IS NOT NULL AND pl.wish <> 'gone'`,
    { classId },
  );
