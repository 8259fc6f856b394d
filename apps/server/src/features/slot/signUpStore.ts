import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import { oneMore } from '../../db/versions.js';

/** A date of a series, by the day on which the pattern has it. */
interface OfDate {
  seriesId: number;
  key: string;
}

const of = ({ seriesId, key }: OfDate) => ({ series_id: seriesId, key_date: key });

/** Those who have signed up for a session, in the order in which they did. */
export const signUpsOf = (db: Db, date: OfDate): Promise<SignUpRow[]> =>
  db.models.SignUp.findAll({ where: of(date), include: ['person', 'group'], order: ['id'] });

/** The same of some series, from a day on. */
export const signUpsFrom = (db: Db, seriesIds: number[], from: string): Promise<SignUpRow[]> =>
  db.models.SignUp.findAll({
    where: { series_id: seriesIds, key_date: { [Op.gte]: from } },
    include: ['person', 'group'],
    order: ['id'],
  });

export const signUpById = (db: Db, id: number): Promise<SignUpRow | null> =>
  db.models.SignUp.findByPk(id, { include: ['person', 'group'] });

type NewSignUp = Pick<
  SignUpRow,
  | 'nth'
  | 'person_id'
  | 'group_id'
  | 'about'
  | 'address'
  | 'known_begin'
  | 'since'
  | 'made_by'
  | 'made_at'
>;

export async function addSignUp(db: Db, date: OfDate, signUp: NewSignUp): Promise<number> {
  return (await db.models.SignUp.create({ ...of(date), ...signUp })).id;
}

type Change = Partial<
  Pick<
    SignUpRow,
    | 'series_id'
    | 'key_date'
    | 'nth'
    | 'missed_nth'
    | 'group_id'
    | 'about'
    | 'address'
    | 'known_begin'
    | 'since'
  >
>;

export async function changeSignUp(db: Db, id: number, change: Change): Promise<void> {
  await db.models.SignUp.update({ ...change, version: oneMore('version') }, { where: { id } });
}

/** Notes when somebody thinks that theirs begins: told, it is still the sign-up that others have read. */
export async function noteKnown(db: Db, id: number, begin: string | null): Promise<void> {
  await db.models.SignUp.update({ known_begin: begin }, { where: { id } });
}

export async function dropSignUps(db: Db, ids: number[]): Promise<void> {
  await db.models.SignUp.destroy({ where: { id: ids } });
}

/** Dates of some series that are not drafts, from a day on by their pattern, in order. */
export const datesFrom = (db: Db, seriesIds: number[], from: string): Promise<OccurrenceRow[]> =>
  db.models.Occurrence.findAll({
    where: { series_id: seriesIds, key_date: { [Op.gte]: from }, draft: false },
    order: ['start_at', 'id'],
  });

/** The series of a class period whose sessions are cut into slots, or for which somebody has signed up; removed ones too. */
export async function seriesWithSlots(db: Db, classId: number): Promise<number[]> {
  const series = await db.models.Series.unscoped().findAll({
    attributes: ['id'],
    where: { class_id: classId },
    raw: true,
  });
  const ids = series.map(({ id }) => id);
  const [cut, signed] = await Promise.all([
    db.models.SlotWays.findAll({ attributes: ['series_id'], where: { series_id: ids } }),
    db.models.SignUp.findAll({
      attributes: ['series_id'],
      where: { series_id: ids },
      group: ['series_id'],
    }),
  ]);
  return [...new Set([...cut, ...signed].map((row) => row.series_id))];
}

/** The class period of a series, removed ones among them; null: there is no such series. */
export const classOfSeries = async (db: Db, seriesId: number): Promise<number | null> =>
  (await db.models.Series.unscoped().findByPk(seriesId, { attributes: ['class_id'] }))?.class_id ??
  null;

/** Dates of a series stand for other days of its pattern now: whoever has signed up for one goes along. */
export async function followKeys(
  db: Db,
  seriesId: number,
  moved: { from: string; to: string }[],
): Promise<void> {
  for (const { from, to } of moved)
    await db.models.SignUp.update({ key_date: to }, { where: of({ seriesId, key: from }) });
}

/** The series of a link, and which of them are cut into slots. */
export async function slottedSeries(db: Db, linkIds: number[]): Promise<number[]> {
  const series = await db.models.Series.findAll({
    attributes: ['id'],
    where: { link_id: linkIds, draft: false },
    raw: true,
  });
  const cut = await db.models.SlotWays.findAll({
    attributes: ['series_id'],
    where: { series_id: series.map(({ id }) => id) },
  });
  return cut.map((row) => row.series_id);
}

/** The groups that somebody is in. */
export async function groupsOfPerson(db: Db, personId: number): Promise<Set<number>> {
  const rows = await db.models.GroupMember.findAll({ where: { person_id: personId } });
  return new Set(rows.map((row) => row.group_id));
}

/** Every series that is cut into slots. */
export async function allWithSlots(db: Db): Promise<number[]> {
  const cut = await db.models.SlotWays.findAll({ attributes: ['series_id'] });
  return cut.map((row) => row.series_id);
}
