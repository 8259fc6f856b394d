import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { isDuplicate } from '../../db/errors.js';
import type { CheckInRow } from '../../db/models/CheckIn.js';
import type { VisitorRow } from '../../db/models/Visitor.js';

interface NewCheckIn {
  sittingId: number;
  code: string;
  token: string;
  question: string;
  opens: string;
  closes: string;
  by: number;
}

export const keepCheckIn = (db: Db, wish: NewCheckIn): Promise<CheckInRow> =>
  db.models.CheckIn.create({
    sitting_id: wish.sittingId,
    code: wish.code,
    token: wish.token,
    question: wish.question,
    opened_at: wish.opens,
    closes_at: wish.closes,
    made_by: wish.by,
  });

/** The last check-in of a sitting. */
export const lastCheckIn = (db: Db, sittingId: number): Promise<CheckInRow | null> =>
  db.models.CheckIn.findOne({ where: { sitting_id: sittingId }, order: [['id', 'DESC']] });

/** Ends those of a sitting that are open, or one of them; whether any was. */
export async function closeCheckIns(
  db: Db,
  { sittingId, now, id }: { sittingId: number; now: string; id?: number },
): Promise<boolean> {
  const [count] = await db.models.CheckIn.update(
    { closes_at: now },
    {
      where: {
        sitting_id: sittingId,
        closes_at: { [Op.gt]: now },
        ...(id === undefined ? {} : { id }),
      },
    },
  );
  return count > 0;
}

export const checkInByToken = (db: Db, token: string): Promise<CheckInRow | null> =>
  db.models.CheckIn.findOne({ where: { token } });

/** The same, held against others until the transaction ends. */
export const heldCheckIn = (db: Db, token: string): Promise<CheckInRow | null> =>
  db.models.CheckIn.findOne({ where: { token }, lock: true });

/** Whoever asks, by what their places at doors are kept under and by their person. */
export interface Asker {
  key: string;
  personId: number | null;
}

const placesOf = ({ key, personId }: Asker) =>
  personId === null
    ? { visitor_key: key }
    : { [Op.or]: [{ visitor_key: key }, { person_id: personId }] };

/** Where somebody has been let in at the door of a sitting: with whatever account of theirs. */
export const letInPlaces = (db: Db, sittingId: number, asker: Asker): Promise<VisitorRow[]> =>
  db.models.Visitor.findAll({
    where: { sitting_id: sittingId, state: 'let-in', ...placesOf(asker) },
    order: ['id'],
  });

/** The check-ins with a code that are open at sittings where somebody has been let in, the latest first. */
export async function openByCode(
  db: Db,
  { code, now, asker }: { code: string; now: string; asker: Asker },
): Promise<CheckInRow | null> {
  const open = await db.models.CheckIn.findAll({
    where: { code, closes_at: { [Op.gt]: now } },
    order: [['id', 'DESC']],
  });
  for (const one of open) if ((await letInPlaces(db, one.sitting_id, asker)).length > 0) return one;
  return null;
}

export interface Given {
  checkInId: number;
  visitorId: number;
  /** Who of the school they are: by their account, or as a host says. */
  personId: number | null;
  name: string;
  at: string;
  answer: string;
  browser: string;
}

/** Who has given the signs that some check-ins ask for, in order. */
export async function givenOf(db: Db, checkInIds: number[]): Promise<Given[]> {
  const rows = await db.models.CheckedIn.findAll({
    where: { check_in_id: checkInIds },
    include: ['visitor'],
    order: ['at', 'visitor_id'],
  });
  return rows.map(({ check_in_id, visitor_id, at, answer, browser, visitor }) => ({
    checkInId: check_in_id,
    visitorId: visitor_id,
    personId: visitor!.taken_for ?? visitor!.person_id,
    name: visitor!.name,
    at,
    answer,
    browser,
  }));
}

/** Whether one of some visitors has given a sign. */
export async function hasGiven(db: Db, checkInId: number, visitorIds: number[]): Promise<boolean> {
  const where = { check_in_id: checkInId, visitor_id: visitorIds };
  return (await db.models.CheckedIn.count({ where })) > 0;
}

/** Keeps a sign; whether it was not there. */
export async function keepGiven(db: Db, given: Omit<Given, 'name' | 'personId'>): Promise<boolean> {
  try {
    await db.models.CheckedIn.create({
      check_in_id: given.checkInId,
      visitor_id: given.visitorId,
      at: given.at,
      answer: given.answer,
      browser: given.browser,
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** All that were asked for at a sitting, in order. */
export const checkInsOf = (db: Db, sittingId: number): Promise<CheckInRow[]> =>
  db.models.CheckIn.findAll({ where: { sitting_id: sittingId }, order: ['id'] });

/** How many are in at a sitting, hosts aside. */
export const peopleInside = (db: Db, sittingId: number): Promise<number> =>
  db.models.Visitor.count({
    where: { sitting_id: sittingId, inside: true, role: { [Op.ne]: 'host' } },
  });

/** Of which class period's door a sitting is. */
export async function doorOfSitting(
  db: Db,
  sittingId: number,
): Promise<{ linkId: number; classId: number; endedAt: string | null }> {
  const sitting = await db.models.Sitting.findByPk(sittingId, { include: ['link'] });
  const { link_id: linkId, link, ended_at: endedAt } = sitting!;
  return { linkId, classId: link!.class_id, endedAt };
}
