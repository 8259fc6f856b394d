import { fittingWord, toldBy } from '@glen/core';
import type {
  ClockHours,
  DateOrder,
  EntryRules,
  RegisterWays,
  RuleField,
  SchoolCalendar,
} from '@glen/core';
import type { Account } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';
import { notMovedIn } from '../../http/problem.js';

interface School {
  name: string;
  calendar: SchoolCalendar;
  rules: EntryRules;
  locked: RuleField[];
  /** Whom students ask when something technical fails. */
  help: string;
  classes_by: 'teachers' | 'office';
  alone: boolean;
  date_order: DateOrder;
  hours: ClockHours;
  registers: Partial<RegisterWays>;
}

/** The one school of this installation; before anybody has moved in, a problem that says so. */
export async function readSchool(db: Db): Promise<School> {
  const school = await db.models.School.findByPk(1);
  if (!school) throw notMovedIn();
  return school;
}

interface KeptCalendar {
  calendar: SchoolCalendar;
  version: number;
  region: string | null;
}

const keptCalendar = async (db: Db, lock: boolean): Promise<KeptCalendar> => {
  const { calendar, version, region } = (await db.models.School.findByPk(1, { lock }))!;
  return { calendar, version, region };
};

export const readCalendar = (db: Db): Promise<KeptCalendar> => keptCalendar(db, false);

/** The same, held against other edits. */
export const heldCalendar = (db: Db): Promise<KeptCalendar> => keptCalendar(db, true);

export async function writeCalendar(
  db: Db,
  calendar: SchoolCalendar,
  region: string | null,
): Promise<void> {
  await db.models.School.update(
    { calendar, region, version: oneMore('version') },
    { where: { id: 1 } },
  );
}

/** Tells somebody what others changed; whoever wishes to hear nothing of that is left in peace. Whether they were told. */
export async function insertNotice(
  db: Db,
  notice: {
    personId: number;
    title: string;
    text: string;
    madeAt: string;
    mailed?: boolean;
    urgent?: boolean;
  },
): Promise<boolean> {
  const { Person, Notice, School } = db.models;
  const [person, school] = await Promise.all([
    Person.findByPk(notice.personId, { attributes: ['told'] }),
    School.findByPk(1, { attributes: ['told'] }),
  ]);
  if (toldBy('changes', person?.told ?? {}, school?.told) === 'none') return false;
  await Notice.create({
    person_id: notice.personId,
    ...fittingWord(notice),
    made_at: notice.madeAt,
    mailed: notice.mailed ?? false,
    urgent: notice.urgent ?? false,
  });
  return true;
}

interface UnseenNotice {
  id: number;
  title: string;
  text: string;
}

export async function noticesOf(db: Db, personId: number): Promise<UnseenNotice[]> {
  const notices = await db.models.Notice.findAll({
    where: { person_id: personId, seen: false },
    order: [['id', 'DESC']],
    limit: 5,
  });
  return notices.map(({ id, title, text }) => ({ id, title, text }));
}

/** Somebody has read a notice of theirs; whether it is one. */
export async function markSeen(db: Db, id: number, personId: number): Promise<boolean> {
  const [met] = await db.models.Notice.update(
    { seen: true },
    { where: { id, person_id: personId } },
  );
  return met > 0;
}

export const schoolExists = async (db: Db): Promise<boolean> =>
  (await db.models.School.count()) > 0;

interface NewSchool extends Pick<School, 'name' | 'calendar' | 'rules' | 'locked'> {
  region: string | null;
  dateOrder?: DateOrder;
  hours?: ClockHours;
  /** Whom students ask when something technical fails. */
  help?: string;
  alone?: boolean;
}

/** Makes the school of this installation. */
export async function writeSchool(
  db: Db,
  { dateOrder = 'dmy', hours = '24', help = '', alone = false, ...school }: NewSchool,
): Promise<void> {
  await db.models.School.create({
    id: 1,
    ...school,
    date_order: dateOrder,
    hours,
    help,
    alone,
  });
}

interface StaffMember {
  id: number;
  name: string;
  as: 'host' | 'co-teacher' | 'presenter';
  /** Whom they cover there, and until when; nothing where they teach it by themselves. */
  covers: { name: string; until: string; own: 'presenter' | null } | null;
}

/** Who teaches a class period, whoever covers too, by what they are there and by name. */
export async function staffOf(db: Db, classId: number): Promise<StaffMember[]> {
  const staff = await db.models.ClassStaff.findAll({
    where: { class_id: classId },
    include: [
      { association: 'person', attributes: ['id', 'name'] },
      { association: 'cover', include: [{ association: 'absent', attributes: ['name'] }] },
    ],
    order: ['as_what', ['person', 'name', 'ASC']],
  });
  return staff.map(({ person, as_what, cover, was }) => ({
    id: person!.id,
    name: person!.name,
    as: as_what,
    covers: cover ? { name: cover.absent!.name, until: cover.last_date, own: was } : null,
  }));
}

/** Whether somebody teaches a class period for a cover alone. */
export async function onlyCovers(db: Db, classId: number, personId: number): Promise<boolean> {
  const where = { class_id: classId, person_id: personId };
  const row = await db.models.ClassStaff.findOne({ attributes: ['cover_id'], where });
  return row !== null && row.cover_id !== null;
}

/** The class periods that somebody hosts, put away or not. */
export async function classesHostedBy(db: Db, personId: number): Promise<Set<number>> {
  const hosted = await db.models.ClassStaff.findAll({
    attributes: ['class_id'],
    where: { person_id: personId, as_what: ['host', 'co-teacher'] },
  });
  return new Set(hosted.map((row) => row.class_id));
}

/** Who is on a roll, by name. */
export async function rollOf(db: Db, classId: number): Promise<{ id: number; name: string }[]> {
  const roll = await db.models.RollEntry.findAll({
    where: { class_id: classId },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  return roll.map(({ person }) => ({ id: person!.id, name: person!.name }));
}

/** The accounts of a class period's people, on the roll or teaching. */
export async function accountsOfClass(
  db: Db,
  classId: number,
): Promise<(Account & { person_id: number })[]> {
  const { RollEntry, ClassStaff, Account } = db.models;
  const where = { class_id: classId };
  const people = [
    ...(await RollEntry.findAll({ where })),
    ...(await ClassStaff.findAll({ where })),
  ];
  const accounts = await Account.findAll({
    where: { person_id: people.map((row) => row.person_id) },
    order: ['kind', 'id'],
  });
  return accounts.map(({ id, kind, email, person_id }) => ({ id, kind, email, person_id }));
}
