import { Op, type InferAttributes } from 'sequelize';
import type {
  Occurrence,
  RuleLayer,
  SessionPlan,
  SessionWords,
  Standing,
  KeptRules,
} from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SeriesRow as SeriesModel } from '../../db/models/Series.js';
import { leftOutOf } from '../audience/store.js';
import { plain, type Plain } from '../../db/plain.js';
import { oneMore } from '../../db/versions.js';
import { classesHostedBy } from '../school/store.js';

export type SeriesRow = Plain<SeriesModel>;

const seriesOf = async (db: Db, id: number, lock: boolean): Promise<SeriesRow | undefined> => {
  const series = await db.models.Series.findByPk(id, { lock });
  return series ? plain(series) : undefined;
};

export const seriesById = (db: Db, id: number): Promise<SeriesRow | undefined> =>
  seriesOf(db, id, false);

/** The same, held against other changes. */
export const heldSeries = (db: Db, id: number): Promise<SeriesRow | undefined> =>
  seriesOf(db, id, true);

/** The same, also where it has been removed. */
export async function heldOrRemoved(db: Db, id: number): Promise<SeriesRow | undefined> {
  const series = await db.models.Series.unscoped().findByPk(id, { lock: true });
  return series ? plain(series) : undefined;
}

/** Takes a series off the books as if it had never been, or puts it back there. */
export async function setRemoved(db: Db, id: number, removed_at: string | null): Promise<void> {
  const isGoing = removed_at !== null;
  await db.models.Series.unscoped().update(
    { removed_at, ...(isGoing ? { version: oneMore('version') } : {}) },
    { where: { id } },
  );
}

/** A series as it is written: what it says and when it is held. */
export interface SeriesText {
  title: string;
  description: string;
  plan: SessionPlan;
  draft: boolean;
  undated?: boolean;
  words: Record<string, Partial<SessionWords>>;
  /** Entry rules of its own, and of single dates by key. */
  rules?: KeptRules;
  dateRules?: Record<string, KeptRules>;
}
export interface SeriesPlace {
  classId: number;
  linkId: number;
  by: number | null;
}

const columnsOfSeries = (s: SeriesText) => ({
  title: s.title,
  description: s.description,
  plan: s.plan,
  draft: s.draft,
  undated: s.undated ?? false,
  words: s.words,
  rules: s.rules ?? {},
  date_rules: s.dateRules ?? {},
});

export async function insertSeries(db: Db, place: SeriesPlace, text: SeriesText): Promise<number> {
  const { id } = await db.models.Series.create({
    class_id: place.classId,
    link_id: place.linkId,
    made_by: place.by,
    ...columnsOfSeries(text),
  });
  return id;
}

export async function updateSeries(db: Db, id: number, text: SeriesText): Promise<void> {
  await db.models.Series.update(
    { ...columnsOfSeries(text), version: oneMore('version') },
    { where: { id } },
  );
}

/** Those of some series, removed ones too, whose class periods go on and are hosted by a person, at links that are not others' alone. */
export async function seriesHostedBy(
  db: Db,
  personId: number,
  seriesIds: number[],
): Promise<{ id: number }[]> {
  const hosted = await classesHostedBy(db, personId);
  const series = await db.models.Series.unscoped().findAll({
    attributes: ['id', 'link_id'],
    where: { id: seriesIds, class_id: [...hosted] },
    include: [{ association: 'classPeriod', attributes: [], where: { put_away_at: null } }],
  });
  const out = await leftOutOf(
    db,
    personId,
    series.map((row) => row.link_id),
  );
  return series.filter((row) => !out.has(row.link_id)).map(({ id }) => ({ id }));
}

/** A change of a series as the audit log keeps it. `added`: a series that was cut off from it; `cutFrom`: the one it was cut off from. */
export interface SeriesChangeRow {
  before_state: (Omit<SeriesText, 'words'> & Partial<SeriesText>) | null;
  after_state: { version: number; added?: number; cutFrom?: number; freshLink?: number } | null;
}

/** The change that gave a series its present version. */
export async function lastChange(db: Db, seriesId: number): Promise<SeriesChangeRow | undefined> {
  const entry = await db.models.AuditEntry.findOne({
    where: { subject: `series:${seriesId}` },
    order: [['id', 'DESC']],
  });
  if (!entry) return undefined;
  // The log keeps what was said of anything; of a series it is this.
  const { before_state, after_state } = entry;
  return { before_state, after_state } as SeriesChangeRow;
}

export async function deleteSeries(db: Db, id: number): Promise<void> {
  await db.models.Series.destroy({ where: { id } });
}

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
  draft: boolean;
  /** Its door has been opened. */
  opened: boolean;
  layers: RuleLayer[] | null;
}

export async function occurrencesOfSeries(db: Db, seriesId: number): Promise<KeptOccurrence[]> {
  const rows = await db.models.Occurrence.findAll({
    where: { series_id: seriesId },
    include: [{ association: 'sitting', attributes: ['id'] }],
    order: ['key_date'],
  });
  return rows.map((row) => ({ ...plain(row), opened: row.sitting != null }));
}

/** Gives rows of a series, from a key on, to another. */
export async function giveOccurrences(
  db: Db,
  from: number,
  to: number,
  key: string,
): Promise<void> {
  await db.models.Occurrence.update(
    { series_id: to },
    { where: { series_id: from, key_date: { [Op.gte]: key } } },
  );
}

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

const columnsOf = (o: KeptAs) =>
  ({
    title: o.title,
    description: o.description,
    draft: o.draft,
    was_date: o.was?.date ?? null,
    was_time: o.was?.time ?? null,
    was_minutes: o.was?.minutes ?? null,
    key_date: o.key,
    local_date: o.date,
    local_time: o.time,
    minutes: o.minutes,
    start_at: o.start,
    end_at: o.end,
    status: o.status,
    why: o.why ?? null,
    layers: o.layers?.length ? o.layers : null,
  }) satisfies Partial<InferAttributes<OccurrenceRow>>;

export async function insertOccurrences(
  db: Db,
  series: { id: number; classId: number; linkId: number },
  rows: KeptAs[],
): Promise<void> {
  await db.models.Occurrence.bulkCreate(
    rows.map((o) => ({
      series_id: series.id,
      class_id: series.classId,
      link_id: series.linkId,
      ...columnsOf(o),
    })),
  );
}

const asText = (value: unknown): unknown =>
  typeof value === 'object' ? JSON.stringify(value) : value;

/** Whether a row says already what it is to say. */
export const isAsKept = (row: KeptOccurrence, o: KeptAs): boolean =>
  Object.entries(columnsOf(o)).every(
    ([column, value]) => asText(row[column as keyof KeptOccurrence]) === asText(value),
  );

export async function updateOccurrence(db: Db, id: number, o: KeptAs): Promise<void> {
  await db.models.Occurrence.update(columnsOf(o), { where: { id } });
}

/** The rules that a session adds to those of its link. */
export async function updateLayers(db: Db, id: number, layers: KeptAs['layers']): Promise<void> {
  await db.models.Occurrence.update({ layers }, { where: { id } });
}

/** Takes rows away, and who was invited to them; none of them may have been opened. */
export async function deleteOccurrences(db: Db, ids: number[]): Promise<void> {
  if (ids.length === 0) return;
  await db.models.Invited.destroy({ where: { occurrence_id: ids } });
  await db.models.Occurrence.destroy({ where: { id: ids } });
}

/** Of some sessions, those that a person hosts without hosting their class period: at their link alone, or with a class period of their own. */
export async function sessionsTutored(db: Db, personId: number, ids: number[]): Promise<number[]> {
  const { Occurrence, LinkPerson } = db.models;
  const rows = await Occurrence.findAll({
    attributes: ['id', 'link_id', 'series_id', 'key_date'],
    where: { id: ids },
  });
  const meant = await LinkPerson.findAll({
    where: {
      person_id: personId,
      link_id: rows.map((row) => row.link_id),
      as_what: ['tutor', 'joining-host'],
    },
  });
  return rows
    .filter((row) =>
      meant.some(
        (m) =>
          m.link_id === row.link_id &&
          [0, row.series_id].includes(m.series_id) &&
          ['', row.key_date].includes(m.key_date),
      ),
    )
    .map((row) => row.id);
}

/** The sessions, not ended, that have been handed over to a person. */
export async function sessionsActedIn(db: Db, personId: number): Promise<number[]> {
  const acting = await db.models.ActingHost.findAll({
    where: { person_id: personId },
    include: [{ association: 'sitting', where: { ended_at: null } }],
  });
  return acting.map(({ sitting }) => sitting!.occurrence_id);
}

/** Whether a series has a date of this key. */
export const hasDate = async (db: Db, seriesId: number, key: string): Promise<boolean> =>
  (await db.models.Occurrence.count({ where: { series_id: seriesId, key_date: key } })) > 0;

/** The series of a class period that have dates. */
export async function seriesOfClass(db: Db, classId: number): Promise<SeriesRow[]> {
  const series = await db.models.Series.findAll({
    where: { class_id: classId, undated: false },
    order: ['id'],
  });
  return series.map(plain);
}

/** What a class period has on the books after an instant and has not begun. Drafts without a date stand for nothing and stay. */
export async function toComeOf(db: Db, classId: number, now: string): Promise<number[]> {
  const rows = await db.models.Occurrence.findAll({
    attributes: ['id'],
    where: { class_id: classId, start_at: { [Op.gt]: now } },
    include: [
      { association: 'series', attributes: [], where: { undated: false } },
      { association: 'sitting', attributes: ['id'] },
    ],
  });
  return rows.filter((row) => row.sitting == null).map((row) => row.id);
}
