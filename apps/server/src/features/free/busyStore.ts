import type { PersonRole } from '@glen/core';
import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { LinkPersonRow, MeantAs } from '../../db/models/LinkPerson.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';

/** Whoever takes over only while no host is in has planned nothing. */
const NOT_PLANNED: MeantAs[] = ['takes-over'];

/** At which links people are meant. */
export const meantAt = (db: Db, personIds: number[]): Promise<LinkPersonRow[]> =>
  db.models.LinkPerson.findAll({
    where: { person_id: personIds, as_what: { [Op.notIn]: NOT_PLANNED } },
  });

type Held = Pick<
  OccurrenceRow,
  'id' | 'link_id' | 'series_id' | 'key_date' | 'start_at' | 'end_at' | 'status'
>;

/** What is held on some links between two local dates. */
export const heldOn = (
  db: Db,
  linkIds: number[],
  { from, to }: { from: string; to: string },
): Promise<Held[]> =>
  db.models.Occurrence.findAll({
    attributes: ['id', 'link_id', 'series_id', 'key_date', 'start_at', 'end_at', 'status'],
    where: {
      link_id: linkIds,
      local_date: { [Op.between]: [from, to] },
      status: ['planned', 'moved'],
      draft: false,
    },
  });

/** Those of some links whose sessions people come to as they like. */
export async function dropInLinks(db: Db, linkIds: number[]): Promise<Set<number>> {
  const links = await db.models.Link.findAll({
    attributes: ['id'],
    where: { id: linkIds, kind: 'help' },
  });
  return new Set(links.map(({ id }) => id));
}

/** The places in the timetable of the class periods that people teach or are taught in. */
export async function placesInTimetable(
  db: Db,
  personIds: number[],
): Promise<{ personId: number; period: string }[]> {
  const of = { where: { person_id: personIds }, include: ['classPeriod'] };
  const [taught, learned] = await Promise.all([
    db.models.ClassStaff.findAll(of),
    db.models.RollEntry.findAll(of),
  ]);
  return [...taught, ...learned].flatMap(({ person_id: personId, classPeriod }) =>
    classPeriod && classPeriod.period !== null && classPeriod.put_away_at === null
      ? [{ personId, period: classPeriod.period }]
      : [],
  );
}

/** The names of people who are there still. */
export async function namesOf(db: Db, personIds: number[]): Promise<Map<number, string>> {
  const people = await db.models.Person.findAll({
    attributes: ['id', 'name'],
    where: { id: personIds, retired_at: null },
  });
  return new Map(people.map(({ id, name }) => [id, name]));
}

/** What people are to the school. */
export async function rolesOfPeople(
  db: Db,
  personIds: number[],
): Promise<Map<number, PersonRole[]>> {
  const rows = await db.models.PersonRole.findAll({ where: { person_id: personIds } });
  const roles = new Map<number, PersonRole[]>();
  for (const { person_id: id, role } of rows) roles.set(id, [...(roles.get(id) ?? []), role]);
  return roles;
}

/** Those of some people who stand on the roll of a class period that somebody teaches. */
export async function studentsTaughtBy(
  db: Db,
  by: number,
  personIds: number[],
): Promise<Set<number>> {
  if (personIds.length === 0) return new Set();
  const taught = await db.models.ClassStaff.findAll({ where: { person_id: by } });
  const rolls = await db.models.RollEntry.findAll({
    where: { person_id: personIds, class_id: taught.map((row) => row.class_id) },
  });
  return new Set(rolls.map((row) => row.person_id));
}
