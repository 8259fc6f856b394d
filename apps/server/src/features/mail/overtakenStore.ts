import type { Db } from '../../db/connect.js';
import type { LetterRow } from '../../db/models/Letter.js';

/** `reminder:SERIES:DATE:START:PERSON`, and the same of evenings: what reminds of a session names it. */
const REMINDS = /^(?:reminder|evening):(\d+):(\d{4}-\d\d-\d\d):(.+):\d+$/;

/** Whether a letter that waited reminds of a session that has been moved or called off since: another tells of that. */
export async function isOvertaken(db: Db, { once }: Pick<LetterRow, 'once'>): Promise<boolean> {
  const [, seriesId, key, start] = REMINDS.exec(once) ?? [];
  if (seriesId === undefined) return false;
  const held = await db.models.Occurrence.count({
    where: {
      series_id: Number(seriesId),
      key_date: key!,
      start_at: start!,
      status: ['planned', 'moved'],
    },
  });
  return held === 0;
}
