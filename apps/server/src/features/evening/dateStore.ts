import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SittingRow } from '../../db/models/Sitting.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import type { OfDate } from '../programme/programmeStore.js';

/** A session that is on the books. */
export const dateOf = (db: Db, { seriesId, key }: OfDate): Promise<OccurrenceRow | null> =>
  db.models.Occurrence.findOne({
    where: { series_id: seriesId, key_date: key, status: ['planned', 'moved', 'cancelled'] },
  });

/** What runs behind its door, where anything does. */
export const sittingOf = (db: Db, occurrenceId: number): Promise<SittingRow | null> =>
  db.models.Sitting.findOne({ where: { occurrence_id: occurrenceId, ended_at: null } });

/** Whoever is inside. */
export const insideOf = (db: Db, sittingId: number): Promise<VisitorRow[]> =>
  db.models.Visitor.findAll({ where: { sitting_id: sittingId, inside: true } });
