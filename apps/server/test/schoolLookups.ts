import { expect } from 'vitest';
import { PERSON_ROLES } from '@glen/core';
import type { RandomSchool } from './randomSchool.js';

type Key = string | number | boolean;

const compare = (a: Key, b: Key): number => (a === b ? 0 : a < b ? -1 : 1);

/** Rows by the first key that tells them apart. */
export const inOrder = <T>(rows: T[], keys: (row: T) => Key[]): T[] =>
  rows.toSorted((a, b) => {
    const others = keys(b);
    return keys(a).reduce<number>((found, key, i) => found || compare(key, others[i]!), 0);
  });

export const idsOf = (rows: { id: number }[]): number[] => rows.map((row) => row.id);

export const sortedIds = (rows: { id: number }[]): number[] => inOrder(idsOf(rows), (id) => [id]);

/** Some columns of a row, flags and counts as they are compared: numbers. */
export function columns<T extends object, K extends keyof T>(row: T, names: readonly K[]) {
  const told = (value: unknown): unknown => (typeof value === 'boolean' ? Number(value) : value);
  return Object.fromEntries(names.map((name) => [name, told(row[name])]));
}

export type Lookups = ReturnType<typeof lookupsOf>;

/** What the models' rows of a random school say, looked up the slow way. */
export function lookupsOf({ rows, seed }: RandomSchool) {
  const byId = <T extends { id: number }>(list: T[], id: number): T =>
    list.find((row) => row.id === id)!;

  const isForClass = (linkId: number, classId: number): boolean =>
    rows.LinkAudience.some((row) => row.link_id === linkId && row.class_id === classId);

  const staffAs = (classId: number, personId: number) =>
    rows.ClassStaff.find((row) => row.class_id === classId && row.person_id === personId)
      ?.as_what ?? null;

  const coverOf = (classId: number, personId: number): number | null =>
    rows.ClassStaff.find((row) => row.class_id === classId && row.person_id === personId)
      ?.cover_id ?? null;

  const hostsClass = (classId: number, personId: number): boolean =>
    ['host', 'co-teacher'].includes(staffAs(classId, personId) ?? 'presenter');

  /** Those who host a link alone, in order; nobody where its class period's teachers host it too. */
  const hostsAlone = (linkId: number): number[] => {
    const { hosted_by, class_id } = byId(rows.Link, linkId);
    const named = rows.LinkHost.filter((row) => row.link_id === linkId).map((row) => row.person_id);
    const isKept = named.some((id) => hostsClass(class_id, id));
    return hosted_by === 'named' && isKept ? inOrder(named, (id) => [id]) : [];
  };

  const isLeftOut = (linkId: number, personId: number): boolean => {
    const alone = linkId === 0 ? [] : hostsAlone(linkId);
    return alone.length > 0 && !alone.includes(personId);
  };

  const isOnRoll = (classId: number, personId: number): boolean =>
    rows.RollEntry.some((row) => row.class_id === classId && row.person_id === personId);

  const firstHost = (classId: number) =>
    inOrder(
      rows.ClassStaff.filter((row) => row.class_id === classId && row.as_what === 'host'),
      (row) => [row.person_id],
    ).map((row) => byId(rows.Person, row.person_id))[0];

  const meantAt = (linkId: number, personId: number, as: readonly string[]) =>
    rows.LinkPerson.filter(
      (row) => row.link_id === linkId && row.person_id === personId && as.includes(row.as_what),
    );

  /** The link that a class period goes by. */
  const mainLink = (classId: number) =>
    inOrder(
      rows.Link.filter((link) => link.class_id === classId),
      (link) => [!isForClass(link.id, classId), link.state === 'retired', link.place, link.id],
    )[0];

  const sittingOf = (occurrenceId: number) =>
    rows.Sitting.find((row) => row.occurrence_id === occurrenceId);

  const rolesOf = (personId: number): string | null => {
    const roles = rows.PersonRole.filter((row) => row.person_id === personId);
    const inTurn = inOrder(roles, (row) => [PERSON_ROLES.indexOf(row.role)]).map((row) => row.role);
    return inTurn.length === 0 ? null : inTurn.join(',');
  };

  /** Holds an answer against what it should be; a failure says how to draw the same school again. */
  const same = (answer: unknown, wanted: unknown, asked: string): void =>
    expect(answer, `${asked}; GLEN_SEED=${seed}`).toEqual(wanted);

  return {
    byId,
    isForClass,
    staffAs,
    coverOf,
    hostsClass,
    isOnRoll,
    firstHost,
    hostsAlone,
    isLeftOut,
    meantAt,
    mainLink,
    sittingOf,
    rolesOf,
    same,
  };
}
