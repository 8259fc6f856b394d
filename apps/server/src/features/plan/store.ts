import type {
  EntryRules,
  Occurrence,
  RuleLayer,
  SessionPlan,
  SessionWords,
  Standing,
} from '@glen/core';
import type { Pennant } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';
import { hostsJoined, inAudience, inJoined } from '../audience/fragments.sql.js';

export interface SeriesRow {
  id: number;
  class_id: number;
  link_id: number;
  title: string;
  description: string;
  plan: SessionPlan;
  draft: number;
  version: number;
  words: Record<string, Partial<SessionWords>>;
  undated: number;
  rules: Partial<EntryRules>;
  date_rules: Record<string, Partial<EntryRules>>;
}

export interface SessionRow extends Omit<SeriesRow, 'id' | 'words' | 'rules' | 'date_rules'> {
  id: number;
  series_id: number;
  key_date: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  why: string | null;
  was_date: string | null;
  was_time: string | null;
  was_minutes: number | null;
  sitting_id: number | null;
  opened_at: string | null;
  ended_at: string | null;
  inside: number;
  came: number;
  layers: RuleLayer[] | null;
  link_label: string;
  link_code: string;
  for_class: number;
}

export const seriesById = (db: Db, id: number): Promise<SeriesRow | undefined> =>
  db.one<SeriesRow>('SELECT * FROM series WHERE id = :id', { id });

/** The same, held against other changes. */
export const heldSeries = (db: Db, id: number): Promise<SeriesRow | undefined> =>
  db.one<SeriesRow>('SELECT * FROM series WHERE id = :id FOR UPDATE', { id });

/** A series as it is written: what it says and when it is held. */
export interface SeriesText {
  title: string;
  description: string;
  plan: SessionPlan;
  draft: boolean;
  undated?: boolean;
  words: Record<string, Partial<SessionWords>>;
  /** Entry rules of its own, and of single dates by key. */
  rules?: Partial<EntryRules>;
  dateRules?: Record<string, Partial<EntryRules>>;
}
export interface SeriesPlace {
  classId: number;
  linkId: number;
  by: number | null;
}

const columnsOfSeries = (s: SeriesText) => ({
  title: s.title,
  description: s.description,
  plan: JSON.stringify(s.plan),
  draft: s.draft ? 1 : 0,
  undated: s.undated ? 1 : 0,
  words: JSON.stringify(s.words),
  rules: JSON.stringify(s.rules ?? {}),
  date_rules: JSON.stringify(s.dateRules ?? {}),
});

export const insertSeries = (db: Db, place: SeriesPlace, text: SeriesText): Promise<number> =>
  db.insert('series', {
    class_id: place.classId,
    link_id: place.linkId,
    made_by: place.by,
    ...columnsOfSeries(text),
  });

export async function updateSeries(db: Db, id: number, text: SeriesText): Promise<void> {
  await db.change(
    'UPDATE series SET title = :title, description = :description, plan = :plan, draft = :draft, undated = :undated, words = :words, rules = :rules, date_rules = :date_rules, version = version + 1 WHERE id = :id',
    { id, ...columnsOfSeries(text) },
  );
}

/** Those of some series whose class periods go on and are hosted by a person. */
export const seriesHostedBy = (
  db: Db,
  personId: number,
  seriesIds: number[],
): Promise<{ id: number }[]> =>
  db.rows<{ id: number }>(
    `SELECT s.id FROM series s JOIN class_staff cs ON cs.class_id = s.class_id AND cs.person_id = :personId AND cs.as_what IN ('host', 'co-teacher') JOIN class_periods c ON c.id = s.class_id AND c.put_away_at IS NULL WHERE s.id IN (:seriesIds)`,
    { personId, seriesIds },
  );

/** A change of a series as the audit log keeps it. `added`: a series that was cut off from it; `cutFrom`: the one it was cut off from. */
export interface SeriesChangeRow {
  before_state: (Omit<SeriesText, 'words'> & Partial<SeriesText>) | null;
  after_state: { version: number; added?: number; cutFrom?: number; freshLink?: number } | null;
}

/** The change that gave a series its present version. */
export const lastChange = (db: Db, seriesId: number): Promise<SeriesChangeRow | undefined> =>
  db.one<SeriesChangeRow>(
    'SELECT before_state, after_state FROM audit_log WHERE subject = :subject ORDER BY id DESC LIMIT 1',
    { subject: `series:${seriesId}` },
  );

export const deleteSeries = (db: Db, id: number): Promise<number> =>
  db.change('DELETE FROM series WHERE id = :id', { id });

export interface KeptOccurrence {
  id: number;
  key_date: string;
  title: string;
  description: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  why: string | null;
  was_date: string | null;
  was_time: string | null;
  was_minutes: number | null;
  draft: number;
  opened: number;
  layers: RuleLayer[] | null;
}

export const occurrencesOfSeries = (db: Db, seriesId: number): Promise<KeptOccurrence[]> =>
  db.rows<KeptOccurrence>(
    `SELECT o.id, o.key_date, o.title, o.description, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.why, o.was_date, o.was_time, o.was_minutes, o.draft, o.layers, m.id IS NOT NULL AS opened
     FROM occurrences o LEFT JOIN sittings m ON m.occurrence_id = o.id WHERE o.series_id = :seriesId ORDER BY o.key_date`,
    { seriesId },
  );

/** Gives rows of a series, from a key on, to another. */
export const giveOccurrences = (db: Db, from: number, to: number, key: string): Promise<number> =>
  db.change('UPDATE occurrences SET series_id = :to WHERE series_id = :from AND key_date >= :key', {
    from,
    to,
    key,
  });

/** Where a row's session stood before it was moved. */
export const wasOf = (
  row: Pick<KeptOccurrence, 'was_date' | 'was_time' | 'was_minutes'>,
): Standing | null =>
  row.was_date === null
    ? null
    : { date: row.was_date, time: row.was_time!, minutes: row.was_minutes! };

/** An occurrence as its row keeps it; `was` comes with it, from the plan or from where the row stood before. */
export type KeptAs = Omit<Occurrence, 'was'> &
  SessionWords & { draft: boolean; was?: Standing | null; layers?: RuleLayer[] | null };

const columnsOf = (o: KeptAs) => ({
  title: o.title,
  description: o.description,
  draft: o.draft ? 1 : 0,
  was_date: o.was?.date ?? null,
  was_time: o.was?.time ?? null,
  was_minutes: o.was?.minutes ?? null,
  key_date: o.key,
  local_date: o.date,
  local_time: o.time,
  minutes: o.minutes,
  start_at: toSql(o.start),
  end_at: toSql(o.end),
  status: o.status,
  why: o.why ?? null,
  layers: o.layers?.length ? JSON.stringify(o.layers) : null,
});

export const insertOccurrences = (
  db: Db,
  series: { id: number; classId: number; linkId: number },
  rows: KeptAs[],
): Promise<void> =>
  db.insertAll(
    'occurrences',
    rows.map((o) => ({
      series_id: series.id,
      class_id: series.classId,
      link_id: series.linkId,
      ...columnsOf(o),
    })),
  );

/** What a row says in a column, as it is written there. */
function writtenIn(row: KeptOccurrence, column: string): unknown {
  if (column.endsWith('_at')) return toSql(row[column as 'start_at']);
  if (column === 'layers') return row.layers && JSON.stringify(row.layers);
  return row[column as keyof KeptOccurrence];
}

/** Whether a row says already what it is to say. */
export const isAsKept = (row: KeptOccurrence, o: KeptAs): boolean =>
  Object.entries(columnsOf(o)).every(([column, value]) => writtenIn(row, column) === value);

export async function updateOccurrence(db: Db, id: number, o: KeptAs): Promise<void> {
  const columns = columnsOf(o);
  await db.change(
    `UPDATE occurrences SET ${Object.keys(columns)
      .map((c) => `${c} = :${c}`)
      .join(', ')} WHERE id = :id`,
    { id, ...columns },
  );
}

/** Takes rows away, and who was invited to them; none of them may have been opened. */
export async function deleteOccurrences(db: Db, ids: number[]): Promise<void> {
  if (ids.length === 0) return;
  await db.change('DELETE FROM invited WHERE occurrence_id IN (:ids)', { ids });
  await db.change('DELETE FROM occurrences WHERE id IN (:ids)', { ids });
}

const SESSION_SELECT = `
  SELECT o.*, s.plan, s.version, s.undated, k.label AS link_label, k.code AS link_code, EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = o.link_id AND fa.class_id = o.class_id) AS for_class, m.id AS sitting_id, m.opened_at, m.ended_at,
    (SELECT COUNT(*) FROM visitors v WHERE v.sitting_id = m.id AND v.inside = 1) AS inside,
    (SELECT COUNT(DISTINCT COALESCE(v.taken_for, v.person_id)) FROM visitors v WHERE v.sitting_id = m.id AND (v.on_roll = 1 OR v.taken_for IS NOT NULL) AND EXISTS (SELECT 1 FROM visits t WHERE t.visitor_id = v.id)) AS came
  FROM occurrences o JOIN series s ON s.id = o.series_id JOIN links k ON k.id = o.link_id LEFT JOIN sittings m ON m.occurrence_id = o.id`;

/** Sessions that a person teaches, visits or hosts, at their class periods' own doors, at a link of theirs or at another's door, on local dates `from ≤ date ≤ to`, those moved away from there too; skipped ones left out. */
export const sessionsBetween = (
  db: Db,
  from: string,
  to: string,
  personId: number,
): Promise<SessionRow[]> =>
  db.rows<SessionRow>(
    `${SESSION_SELECT} LEFT JOIN class_staff cs ON cs.class_id = o.class_id AND cs.person_id = :personId
     WHERE (o.local_date BETWEEN :from AND :to OR o.was_date BETWEEN :from AND :to) AND o.status <> 'skipped'
       AND (cs.as_what <> 'presenter' OR (o.draft = 0 AND (cs.person_id IS NOT NULL OR EXISTS (SELECT 1 FROM link_hosts lh WHERE lh.link_id = o.link_id AND lh.person_id = :personId) OR ${hostsJoined('o.id', ':personId')}))) ORDER BY o.start_at, o.id`,
    { from, to, personId },
  );

export const sessionRowsOfClass = (db: Db, classId: number): Promise<SessionRow[]> =>
  db.rows<SessionRow>(`${SESSION_SELECT} WHERE o.class_id = :classId ORDER BY o.start_at, o.id`, {
    classId,
  });

/** A date of a series by its key; without one the next that is not over at an instant, else the last. */
export const sessionRowOfSeries = (
  db: Db,
  seriesId: number,
  { key, now }: { key?: string | undefined; now: string },
): Promise<SessionRow | undefined> =>
  db.one<SessionRow>(
    `${SESSION_SELECT} WHERE o.series_id = :seriesId ${key ? 'AND o.key_date = :key' : ''}
     ORDER BY o.status = 'skipped', o.end_at <= :now, ABS(TIMESTAMPDIFF(SECOND, o.start_at, :now)), o.id LIMIT 1`,
    { seriesId, key: key ?? null, now: toSql(now) },
  );

export const sessionRowById = (db: Db, id: number): Promise<SessionRow | undefined> =>
  db.one<SessionRow>(`${SESSION_SELECT} WHERE o.id = :id`, { id });

/** The sessions that a person is meant for, by a link's audience, with their class period at another's door, or as invited guest, on local dates from a day on; drafts are nobody's business. */
export const sessionsOfLearner = (
  db: Db,
  from: string,
  to: string,
  personId: number,
): Promise<
  (SessionRow & {
    code: string;
    class_title: string;
    period: string | null;
    pennant: Pennant;
    host_name: string | null;
  })[]
> =>
  db.rows(
    `${SESSION_SELECT.replace(
      'SELECT o.*,',
      `SELECT o.*, l.code, c.title AS class_title, c.period, c.pennant,
      (SELECT hp.name FROM class_staff hcs JOIN people hp ON hp.id = hcs.person_id WHERE hcs.class_id = c.id AND hcs.as_what = 'host' ORDER BY hp.id LIMIT 1) AS host_name,`,
    )}
     JOIN class_periods c ON c.id = o.class_id JOIN links l ON l.id = o.link_id AND l.state = 'live'
     WHERE (o.local_date BETWEEN :from AND :to OR o.was_date BETWEEN :from AND :to) AND o.status <> 'skipped' AND o.draft = 0
       AND ((l.shown = 1 AND ${inAudience('o.link_id', ':personId')}) OR ${inJoined('o.id', ':personId')} OR EXISTS (SELECT 1 FROM invited i WHERE i.occurrence_id = o.id AND i.person_id = :personId))
     ORDER BY o.start_at, o.id`,
    { from, to, personId },
  );

/** Of some sessions, those that a person hosts without hosting their class period: at their link alone, or with a class period of their own. */
export const sessionsTutored = async (db: Db, personId: number, ids: number[]): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      `SELECT o.id FROM occurrences o WHERE o.id IN (:ids) AND (EXISTS (SELECT 1 FROM link_hosts lh WHERE lh.link_id = o.link_id AND lh.person_id = :personId) OR ${hostsJoined('o.id', ':personId')})`,
      { personId, ids: [0, ...ids] },
    )
  ).map((row) => row.id);

/** The sessions, not ended, that have been handed over to a person. */
export const sessionsActedIn = async (db: Db, personId: number): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      'SELECT m.occurrence_id AS id FROM acting_hosts ah JOIN sittings m ON m.id = ah.sitting_id WHERE ah.person_id = :personId AND m.ended_at IS NULL',
      { personId },
    )
  ).map((row) => row.id);

/** Whether a series has a date of this key. */
export const hasDate = async (db: Db, seriesId: number, key: string): Promise<boolean> =>
  (await db.one(
    'SELECT 1 AS here FROM occurrences WHERE series_id = :seriesId AND key_date = :key',
    { seriesId, key },
  )) !== undefined;
