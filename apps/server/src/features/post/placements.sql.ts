import type { Db, Values } from '../../db/connect.js';
import type { PlacementRow as PlacementModel } from '../../db/models/Placement.js';
import type { Plain } from '../../db/plain.js';

/** What stands at a place, with the job that brings it in line, if one waits, runs or has failed. */
export interface PlacementRow extends Omit<Plain<PlacementModel>, 'dropped'> {
  dropped: number;
  class_id: number;
  class_ref: string;
  job_state: 'queued' | 'running' | 'failed' | null;
  tries: number | null;
  last_error: string | null;
}

/** The job is found by its subject, the latest that is not done: an index step for each placement, which no mapper asks for. */
const placements = (db: Db, where: string, values: Values): Promise<PlacementRow[]> =>
  db.rows<PlacementRow>(
    `SELECT pl.*, c.id AS class_id, c.ref AS class_ref, o.state AS job_state, o.tries, o.last_error
     FROM placements pl JOIN post_places pp ON pp.id = pl.place_id JOIN class_periods c ON c.id = pp.class_id
     LEFT JOIN outbox o ON o.id = (SELECT MAX(x.id) FROM outbox x
       WHERE x.kind = 'placement' AND x.subject = CAST(pl.id AS CHAR CHARACTER SET ascii) COLLATE ascii_bin AND x.state <> 'done')
     WHERE ${where} ORDER BY pl.id`,
    values,
  );

export const placementsOf = (db: Db, postIds: number[]): Promise<PlacementRow[]> =>
  placements(db, 'pl.post_id IN (:postIds)', { postIds: [0, ...postIds] });

export const placementById = async (db: Db, id: number): Promise<PlacementRow | undefined> =>
  (await placements(db, 'pl.id = :id', { id }))[0];
