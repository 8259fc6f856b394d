import { Op } from 'sequelize';
import type { ToldWishes } from '@glen/core';
import { isDuplicate } from '../../db/errors.js';
import type { Db } from '../../db/connect.js';

/** Notes that people are told of a day, in the transaction that has it done; whether nobody had noted it. */
export async function noteMorning(db: Db, day: string): Promise<boolean> {
  try {
    await db.models.Morning.create({ day });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

export const isMorningNoted = async (db: Db, day: string): Promise<boolean> =>
  (await db.models.Morning.findByPk(day)) !== null;

interface Told {
  id: number;
  told: ToldWishes;
  isStaff: boolean;
}

/** Some people at a time in the order of their numbers, with what they wish for. */
export async function peopleAfter(db: Db, after: number, most: number): Promise<Told[]> {
  const people = await db.models.Person.findAll({
    attributes: ['id', 'told'],
    where: { id: { [Op.gt]: after }, retired_at: null },
    order: ['id'],
    limit: most,
  });
  const staff = await db.models.ClassStaff.findAll({
    attributes: ['person_id'],
    where: { person_id: people.map((person) => person.id) },
  });
  const teaching = new Set(staff.map((row) => row.person_id));
  return people.map(({ id, told }) => ({ id, told, isStaff: teaching.has(id) }));
}
