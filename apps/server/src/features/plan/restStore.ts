import { toSql, type Db } from '../../db/connect.js';
import type { SeriesRow } from './store.js';

/** What a class period has on the books after an instant and has not begun. Drafts without a date stand for nothing and stay. */
export const toComeOf = async (db: Db, classId: number, now: string): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      `SELECT o.id FROM occurrences o JOIN series s ON s.id = o.series_id AND s.undated = 0
       WHERE o.class_id = :classId AND o.start_at > :now AND NOT EXISTS (SELECT 1 FROM sittings m WHERE m.occurrence_id = o.id)`,
      { classId, now: toSql(now) },
    )
  ).map((row) => row.id);

/** The series of a class period that have dates. */
export const seriesOfClass = (db: Db, classId: number): Promise<SeriesRow[]> =>
  db.rows<SeriesRow>('SELECT * FROM series WHERE class_id = :classId AND undated = 0 ORDER BY id', {
    classId,
  });
