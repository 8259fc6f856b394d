import { Op } from 'sequelize';
import { areStaff, type KnownPerson, type PennantMark, type KeptRules } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { ClassPeriodRow } from '../../db/models/ClassPeriod.js';
import { changeAsRead, oneMore } from '../../db/versions.js';
import { followClasses } from '../audience/linkPeople.js';
import { ownStaff } from '../school/ownStaff.js';
import type { ClassStaffRow } from '../../db/models/ClassStaff.js';

/** The pennants that class periods fly, those put away too. */
export const pennantsTaken = async (db: Db): Promise<PennantMark[]> =>
  (await db.models.ClassPeriod.findAll({ attributes: ['pennant'] })).map((c) => c.pennant);

export const whoMakesClasses = async (db: Db): Promise<'teachers' | 'office'> =>
  (await db.models.School.findByPk(1, { attributes: ['classes_by'] }))!.classes_by;

/** A class period, hosted by whoever makes it; its link is made by the link service in the same transaction. */
export async function insertOwnClass(
  db: Db,
  hostId: number,
  row: Pick<
    ClassPeriodRow,
    'ref' | 'title' | 'kind' | 'period' | 'pennant' | 'rules' | 'knock_until_roll'
  >,
): Promise<number> {
  const { id } = await db.models.ClassPeriod.create(row);
  await db.models.ClassStaff.create({ class_id: id, person_id: hostId, as_what: 'host' });
  return id;
}

/** Everybody who has one of these addresses or bears one of these names. */
export async function knownBy(
  db: Db,
  { emails, names }: { emails: string[]; names: string[] },
): Promise<KnownPerson[]> {
  const { Person, Account } = db.models;
  const owners = await Account.findAll({ attributes: ['person_id'], where: { email: emails } });
  const namesakes = await Person.findAll({ attributes: ['id'], where: { name: names } });
  const ids = [...new Set([...owners.map((a) => a.person_id), ...namesakes.map((p) => p.id)])];
  const people = await Person.findAll({
    where: { id: ids, merged_into: null },
    include: [
      { model: Account, as: 'accounts', attributes: ['email'] },
      { association: 'roles', attributes: ['role'] },
    ],
  });
  return people.map(({ id, name, roles, accounts, retired_at }) => ({
    id,
    name,
    emails: accounts!.map((a) => a.email),
    isStudent: !areStaff(roles!.map((r) => r.role)),
    isRetired: retired_at !== null,
  }));
}

export const rollIds = async (db: Db, classId: number): Promise<number[]> =>
  (await db.models.RollEntry.findAll({ where: { class_id: classId } })).map((r) => r.person_id);

interface OwnRules {
  rules: KeptRules;
  /** Some of them count only until the roll is filled. */
  isKnocking: boolean;
}

/** A class period's own rules, held against others until the transaction ends. */
export async function heldRules(db: Db, classId: number): Promise<OwnRules> {
  const { rules, knock_until_roll: isKnocking } = (await db.models.ClassPeriod.findByPk(classId, {
    attributes: ['rules', 'knock_until_roll'],
    lock: true,
  }))!;
  return { rules, isKnocking };
}

export async function writeRules(
  db: Db,
  classId: number,
  { rules, isKnocking }: OwnRules,
): Promise<void> {
  await db.models.ClassPeriod.update(
    { rules, knock_until_roll: isKnocking, version: oneMore('version') },
    { where: { id: classId } },
  );
}

/** Puts people on a roll; who is there already stays. */
export async function putOnRoll(db: Db, classId: number, personIds: number[]): Promise<void> {
  await db.models.RollEntry.bulkCreate(
    personIds.map((personId) => ({ class_id: classId, person_id: personId })),
    { ignoreDuplicates: true },
  );
  await followClasses(db, [classId]);
}

export async function takeOff(db: Db, classId: number, personIds: number[]): Promise<void> {
  await db.models.RollEntry.destroy({ where: { class_id: classId, person_id: personIds } });
  await followClasses(db, [classId]);
}

interface AccountOfPerson {
  id: number;
  person_id: number;
  email: string;
  password_hash: string | null;
  person: { name: string };
}

/** The school accounts of people, with what they are called. */
export async function schoolAccountsOf(db: Db, personIds: number[]): Promise<AccountOfPerson[]> {
  const { Account, Person } = db.models;
  const found = await Account.findAll({
    where: { person_id: personIds, kind: 'school' },
    include: [{ model: Person, as: 'person', attributes: ['name'] }],
    order: [['id', 'ASC']],
  });
  return found.map(({ id, person_id, email, password_hash, person }) => ({
    id,
    person_id,
    email,
    password_hash,
    person: { name: person!.name },
  }));
}

export type ClassColumns = Partial<
  Pick<ClassPeriodRow, 'title' | 'period' | 'pennant' | 'put_away_at'>
>;

/** Writes a class period's own row if it still has this version; whether it had. */
export const bumpClass = (
  db: Db,
  classId: number,
  version: number,
  columns: ClassColumns,
): Promise<boolean> => changeAsRead(db.models.ClassPeriod, { id: classId, version }, columns);

type StaffEntry = Pick<ClassStaffRow, 'person_id' | 'as_what'>;

/** Who teaches a class period by themselves; who covers is none of them. */
export const staffEntries = async (db: Db, classId: number): Promise<StaffEntry[]> =>
  (await db.models.ClassStaff.findAll({ where: { class_id: classId } })).flatMap((row) =>
    ownStaff(row).map(({ as_what }) => ({ person_id: row.person_id, as_what })),
  );

/** Who teaches a class period, all of them anew. Whoever covers goes on. */
export async function writeStaff(db: Db, classId: number, staff: StaffEntry[]): Promise<void> {
  const { ClassStaff } = db.models;
  const rows = await ClassStaff.findAll({
    where: { class_id: classId, cover_id: { [Op.ne]: null } },
  });
  await ClassStaff.destroy({ where: { class_id: classId } });
  await ClassStaff.bulkCreate(staff.map((entry) => ({ class_id: classId, ...entry })));
  for (const { person_id, cover_id } of rows) {
    const own = staff.find((entry) => entry.person_id === person_id)?.as_what ?? null;
    if (own === null || own === 'presenter')
      await ClassStaff.upsert({
        class_id: classId,
        person_id,
        as_what: 'co-teacher',
        cover_id,
        was: own,
      });
  }
  await followClasses(db, [classId]);
}
