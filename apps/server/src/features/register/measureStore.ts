import { holdsAt } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { grouped } from '../../db/grouped.js';

/** One date of a series, as much of it as a register is made from. */
export interface DateToMeasure {
  /** The occurrence’s. */
  id: number;
  seriesId: number;
  key: string;
  classId: number;
  linkId: number;
  /** Wall clock of the school. */
  date: string;
  /** Instants. */
  start: string;
  end: string;
  sittingId: number | null;
}

const distinct = (ids: number[]): number[] => [...new Set(ids)];

/** Links that are for the whole of a class period, which whoever leaves its roll leaves too. */
async function linksForAll(db: Db, dates: readonly DateToMeasure[]): Promise<Set<string>> {
  const rows = await db.models.LinkAudience.findAll({
    attributes: ['link_id', 'class_id'],
    where: {
      link_id: distinct(dates.map(({ linkId }) => linkId)),
      class_id: distinct(dates.map(({ classId }) => classId)),
    },
    raw: true,
  });
  return new Set(rows.map((row) => `${row.link_id} ${row.class_id}`));
}

/** Those taken off the rolls of some class periods. */
const leftRolls = (db: Db, classIds: number[]) =>
  db.models.RollLeft.findAll({
    attributes: ['class_id', 'person_id', 'left_at'],
    where: { class_id: classIds },
    raw: true,
  });

const membersOf = (db: Db, linkIds: number[]) =>
  db.models.LinkPerson.findAll({
    attributes: ['link_id', 'person_id', 'series_id', 'key_date'],
    where: { link_id: linkIds, as_what: ['member', 'joining-member'] },
    raw: true,
  });

/** Whom some dates are for, by the occurrences’ ids: the members of their links, and those who were as they began. */
export async function rollsAt(
  db: Db,
  dates: readonly DateToMeasure[],
): Promise<Map<number, number[]>> {
  const [members, left, forAll] = await Promise.all([
    membersOf(db, distinct(dates.map(({ linkId }) => linkId))),
    leftRolls(db, distinct(dates.map(({ classId }) => classId))),
    linksForAll(db, dates),
  ]);
  const [byLink, byClass] = [
    grouped(members, (row) => row.link_id),
    grouped(left, (row) => row.class_id),
  ];
  return new Map(
    dates.map((date) => {
      const { id, seriesId, key, linkId, classId, start } = date;
      const own = (byLink.get(linkId) ?? []).filter((row) =>
        holdsAt({ seriesId: row.series_id, key: row.key_date }, { seriesId, key }),
      );
      const gone = forAll.has(`${linkId} ${classId}`)
        ? (byClass.get(classId) ?? []).filter((row) => row.left_at > start)
        : [];
      return [id, distinct([...own, ...gone].map((row) => row.person_id))];
    }),
  );
}

/** What people are called, by their ids. */
export async function namesOf(db: Db, personIds: number[]): Promise<Map<number, string>> {
  const people = await db.models.Person.findAll({
    attributes: ['id', 'name'],
    where: { id: personIds },
    raw: true,
  });
  return new Map(people.map(({ id, name }) => [id, name]));
}

/** What those at the door of a sitting called themselves, by their places there. */
export async function namesAtDoor(db: Db, sittingId: number): Promise<Map<number, string>> {
  const visitors = await db.models.Visitor.findAll({
    attributes: ['id', 'name'],
    where: { sitting_id: sittingId },
    raw: true,
  });
  return new Map(visitors.map(({ id, name }) => [id, name]));
}

/** What hosts say of people at some dates, by the occurrences’ ids. */
export async function correctedAt(db: Db, dates: readonly DateToMeasure[]) {
  const rows = await db.models.Correction.findAll({
    where: {
      series_id: distinct(dates.map(({ seriesId }) => seriesId)),
      key_date: [...new Set(dates.map(({ key }) => key))],
    },
    include: ['maker'],
  });
  return new Map(
    dates.map(({ id, seriesId, key }) => [
      id,
      rows.filter((row) => row.series_id === seriesId && row.key_date === key),
    ]),
  );
}
