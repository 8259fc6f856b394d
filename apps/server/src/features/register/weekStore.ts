import { Op, col, fn, literal, type InferAttributes, type WhereOptions } from 'sequelize';
import type { RuleLayer } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';

/** Sessions of whom: the whole school, or those that somebody hosts; perhaps of some class periods alone. */
export interface OfWhom {
  /** Null: the whole school. */
  hostId: number | null;
  classIds?: number[] | undefined;
  /** Of these series alone. */
  seriesIds?: number[];
}

/** Between two days of the school, both among them. */
export interface Days {
  from: string;
  until: string;
}

/** A session that was to be held, or was. */
interface DateRow {
  id: number;
  class_id: number;
  link_id: number;
  series_id: number;
  key_date: string;
  title: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: OccurrenceRow['status'];
  /** Rules of its own. */
  layers: RuleLayer[] | string | null;
  sitting: { id: number | null; opened_at: string | null };
}

type Stands = 'present' | 'partly' | 'absent' | 'excused';

/** One session of a week, with what is settled of who came to it. */
export interface WeekDateRow extends DateRow {
  settled_at: string | null;
  /** Settled, and not for want of anybody who came. */
  held: boolean;
  guests: number;
  counts: Record<Stands, number> & { late: number };
}

/** Which class periods somebody teaches, and at which links they are host: by themselves, or with a class period that joins. */
async function hostedBy(db: Db, personId: number) {
  const [links, staff] = await Promise.all([
    db.models.LinkPerson.findAll({
      attributes: ['link_id', 'as_what'],
      where: { person_id: personId, as_what: ['host', 'tutor', 'joining-host'] },
      raw: true,
    }),
    db.models.ClassStaff.findAll({
      attributes: ['class_id'],
      where: { person_id: personId, as_what: ['host', 'co-teacher'] },
      raw: true,
    }),
  ]);
  const own = links.filter((row) => row.as_what !== 'joining-host').map((row) => row.link_id);
  return {
    linkIds: [...new Set(links.map((row) => row.link_id))],
    own: new Set(own),
    classes: new Set(staff.map((row) => row.class_id)),
  };
}

const COLUMNS = [
  'id',
  'class_id',
  'link_id',
  'series_id',
  'key_date',
  'title',
  'local_date',
  'local_time',
  'minutes',
  'start_at',
  'end_at',
  'status',
  'layers',
] as const;

const wasMeant = ({ status, sitting }: DateRow): boolean =>
  status === 'planned' || status === 'moved' || sitting.opened_at !== null;

/**
 * The sessions of some days that were to be held, or were, in order. A teacher's begin from the links at which they are
 * host, so that a week costs them the same in a school of ten and of a thousand.
 */
export async function datesOf(
  db: Db,
  { from, until }: Days,
  { hostId, classIds, seriesIds }: OfWhom,
): Promise<DateRow[]> {
  const hosted = hostId === null ? null : await hostedBy(db, hostId);
  const where: WhereOptions<InferAttributes<OccurrenceRow>> = {
    local_date: { [Op.between]: [from, until] },
    draft: false,
    ...(hosted && { link_id: hosted.linkIds }),
    ...(classIds && { class_id: classIds }),
    ...(seriesIds && { series_id: seriesIds }),
  };
  const rows = (await db.models.Occurrence.findAll({
    attributes: [...COLUMNS],
    where,
    include: [{ association: 'sitting', attributes: ['id', 'opened_at'] }],
    order: ['start_at', 'id'],
    raw: true,
    nest: true,
  })) as unknown as DateRow[];
  return rows
    .filter(wasMeant)
    .filter((row) => !hosted || hosted.own.has(row.link_id) || hosted.classes.has(row.class_id));
}

type OfDate = Pick<DateRow, 'series_id' | 'key_date'>;

export const dateKey = ({ series_id, key_date }: OfDate): string => `${series_id} ${key_date}`;

/** Where registers of some dates are found; of other dates of the same series, too. */
const near = (dates: readonly OfDate[]) => ({
  series_id: [...new Set(dates.map((date) => date.series_id))],
  key_date: [...new Set(dates.map((date) => date.key_date))],
});

interface Counted extends OfDate {
  stands: Stands;
  many: number | string;
  late: number | string;
}

/** How many stood as what at some dates whose registers are settled. */
async function countsAt(db: Db, dates: readonly OfDate[]): Promise<Counted[]> {
  const rows: unknown = await db.models.RegisterRow.findAll({
    attributes: [
      'series_id',
      'key_date',
      'stands',
      [fn('COUNT', col('person_id')), 'many'],
      [fn('SUM', literal('late AND stands = status')), 'late'],
    ],
    where: near(dates),
    group: ['series_id', 'key_date', 'stands'],
    raw: true,
  });
  return rows as Counted[];
}

const NONE = { present: 0, partly: 0, excused: 0, absent: 0, late: 0 };

/** The sessions of some days, in order, each with how many counted as what where its register is settled. */
export async function weekDates(db: Db, days: Days, of: OfWhom): Promise<WeekDateRow[]> {
  const dates = await datesOf(db, days, of);
  const [registers, counted] = await Promise.all([
    db.models.Register.findAll({ where: near(dates), raw: true }),
    countsAt(db, dates),
  ]);
  const settled = new Map(registers.map((row) => [dateKey(row), row]));
  const counts = new Map<string, WeekDateRow['counts']>();
  for (const row of counted) {
    const so = counts.get(dateKey(row)) ?? NONE;
    const late = so.late + Number(row.late);
    counts.set(dateKey(row), { ...so, [row.stands]: Number(row.many), late });
  }
  return dates.map((date) => {
    const register = settled.get(dateKey(date));
    return {
      ...date,
      settled_at: register?.settled_at ?? null,
      held: Boolean(register?.held),
      guests: register?.guests ?? 0,
      counts: counts.get(dateKey(date)) ?? NONE,
    };
  });
}

/** How one person stood at one session whose register is settled. */
export interface PersonAtDate {
  date: DateRow;
  personId: number;
  status: Exclude<Stands, 'excused'>;
  stands: Stands;
  late: boolean;
  leftEarly: boolean;
  minutes: number;
  /** Why a host says so, where one does. */
  reason: string | null;
}

/** How each, or one, stood at the settled sessions of some days that were held. */
export async function peopleOfDays(
  db: Db,
  dates: readonly DateRow[],
  personId?: number,
): Promise<PersonAtDate[]> {
  const where = { ...near(dates), ...(personId === undefined ? {} : { person_id: personId }) };
  const [registers, rows, said] = await Promise.all([
    db.models.Register.findAll({ where: { ...near(dates), held: true }, raw: true }),
    db.models.RegisterRow.findAll({ where, raw: true }),
    db.models.Correction.findAll({ where, raw: true }),
  ]);
  const byKey = new Map(dates.map((date) => [dateKey(date), date]));
  const held = new Set(registers.map(dateKey));
  const reasons = new Map(said.map((row) => [`${dateKey(row)} ${row.person_id}`, row.reason]));
  return rows.flatMap((row) => {
    const date = byKey.get(dateKey(row));
    if (!date || !held.has(dateKey(row))) return [];
    const { status, stands, minutes } = row;
    const asMeasured = stands === status;
    return [
      {
        ...{ date, personId: row.person_id, status, stands, minutes },
        late: Boolean(row.late) && asMeasured,
        leftEarly: Boolean(row.left_early) && asMeasured,
        reason: reasons.get(`${dateKey(row)} ${row.person_id}`) ?? null,
      },
    ];
  });
}

/** In which series somebody stands in registers that are settled. */
export async function seriesOfPerson(db: Db, personId: number): Promise<number[]> {
  const rows = await db.models.RegisterRow.findAll({
    attributes: ['series_id'],
    where: { person_id: personId },
    group: ['series_id'],
    raw: true,
  });
  return rows.map((row) => row.series_id);
}

/** So many settled lessons are looked through for those missed in a row. */
const LOOKED_THROUGH = 60;

/** How some stood at the last lessons of a class period up to an instant that were held, the latest first; excused ones left out. */
export async function lastStands(
  db: Db,
  { personIds, classId, until }: { personIds: number[]; classId: number; until: string },
): Promise<Map<number, Stands[]>> {
  const dates = await db.models.Occurrence.findAll({
    attributes: ['series_id', 'key_date'],
    where: { class_id: classId, settled: true, start_at: { [Op.lte]: until } },
    order: [['start_at', 'DESC']],
    limit: LOOKED_THROUGH,
    raw: true,
  });
  const [registers, rows] = await Promise.all([
    db.models.Register.findAll({ where: { ...near(dates), held: true }, raw: true }),
    db.models.RegisterRow.findAll({ where: { ...near(dates), person_id: personIds }, raw: true }),
  ]);
  const held = new Set(registers.map(dateKey));
  const known = new Map(rows.map((row) => [`${dateKey(row)} ${row.person_id}`, row.stands]));
  return new Map(
    personIds.map((id) => [
      id,
      dates
        .filter((date) => held.has(dateKey(date)))
        .flatMap((date) => known.get(`${dateKey(date)} ${id}`) ?? [])
        .filter((stands) => stands !== 'excused'),
    ]),
  );
}
