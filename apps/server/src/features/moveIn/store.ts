import type { MoveInDraft } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { MovingInRow } from '../../db/models/MovingIn.js';

const ONLY_ROW = 1;

export const readStage = (db: Db): Promise<MovingInRow | null> =>
  db.models.MovingIn.findByPk(ONLY_ROW);

/** The same, held against others until the transaction ends. */
export const heldStage = (db: Db): Promise<MovingInRow | null> =>
  db.models.MovingIn.findByPk(ONLY_ROW, { lock: true });

/** Lets moving in go on by another address; what has been typed stays. */
export async function renewAddress(db: Db, tokenHash: string): Promise<void> {
  const row = await heldStage(db);
  if (row) await row.update({ token_hash: tokenHash });
  else await db.models.MovingIn.create({ id: ONLY_ROW, token_hash: tokenHash });
}

export const keepDraft = (row: MovingInRow, draft: MoveInDraft): Promise<MovingInRow> =>
  row.update({ draft, version: row.version + 1 });

/** The address is dead, and what was typed has become the school. */
export const noteMovedIn = (row: MovingInRow, at: string): Promise<MovingInRow> =>
  row.update({ token_hash: null, draft: {}, moved_in_at: at });
