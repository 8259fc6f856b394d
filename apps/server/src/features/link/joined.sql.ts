import type { RuleLayer } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { toSql } from '../../db/sqlTime.js';

// `joined`: what the shares come to, date by date. It is made for whole series at once and asked for with their doors.

type Of = { linkId: number } | { seriesId: number };

const whereOf = (of: Of): { sql: string; id: number } =>
  'linkId' in of
    ? { sql: 'o.link_id = :id', id: of.linkId }
    : { sql: 'o.series_id = :id', id: of.seriesId };

/** Makes anew, date by date, which class periods that go on meet at a link's sessions, or at those of one series. */
export async function refreshJoined(db: Db, of: Of): Promise<void> {
  const { sql, id } = whereOf(of);
  await db.change(
    `DELETE j FROM joined j JOIN occurrences o ON o.id = j.occurrence_id WHERE ${sql}`,
    { id },
  );
  // Of several that say something of one date the narrowest counts: that date, its series, always.
  await db.change(
    `INSERT IGNORE INTO joined (occurrence_id, class_id, own_door)
     SELECT o.id, sh.class_id, sh.own_door FROM occurrences o
     JOIN shares sh ON sh.link_id = o.link_id AND (sh.series_id IS NULL OR sh.series_id = o.series_id) AND (sh.key_date IS NULL OR sh.key_date = o.key_date)
     JOIN class_periods jc ON jc.id = sh.class_id AND jc.put_away_at IS NULL
     WHERE ${sql} ORDER BY sh.key_date IS NULL, sh.series_id IS NULL, sh.id`,
    { id },
  );
}

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

interface JoiningClass {
  occurrence_id: number;
  id: number;
  title: string;
  period: string | null;
  pennant: Pennant;
}

/** Which class periods join some occurrences. */
export async function joiningTitles(db: Db, occurrenceIds: number[]): Promise<JoiningClass[]> {
  const joined = await db.models.Joined.findAll({
    where: { occurrence_id: occurrenceIds },
    include: [{ association: 'classPeriod', attributes: ['id', 'title', 'period', 'pennant'] }],
    order: [
      ['classPeriod', 'period', 'ASC'],
      ['classPeriod', 'title', 'ASC'],
    ],
  });
  return joined.map(({ occurrence_id, classPeriod }) => {
    const { id, title, period, pennant } = classPeriod!;
    return { occurrence_id, id, title, period, pennant };
  });
}
