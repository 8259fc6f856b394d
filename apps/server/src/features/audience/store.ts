import { Op, col, fn } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { writeStandingGuests, type StandingGuest } from './guestStore.js';
import { followLinks } from './linkPeople.js';

interface Named {
  id: number;
  name: string;
}

/** Which rows of `link_people` hold at one date of a series. */
const atDate = ({ series_id, key_date }: { series_id: number; key_date: string }) => ({
  series_id: [0, series_id],
  key_date: ['', key_date],
});

/** Who joins a link's members at one occurrence. */
async function joiningAt(db: Db, occurrenceId: number) {
  const occurrence = await db.models.Occurrence.findByPk(occurrenceId, {
    attributes: ['series_id', 'key_date'],
  });
  return occurrence ? [{ as_what: 'joining-member' as const, ...atDate(occurrence) }] : [];
}

/** Everyone whom a link is for, by name; at one occurrence with those who join it. Guests without an account are none of them. */
export async function peopleOfLink(
  db: Db,
  linkId: number,
  occurrenceId?: number,
): Promise<Named[]> {
  const joining = occurrenceId === undefined ? [] : await joiningAt(db, occurrenceId);
  const rows = await db.models.LinkPerson.findAll({
    where: { link_id: linkId, [Op.or]: [{ as_what: 'member' }, ...joining] },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  const people = new Map(rows.map(({ person }) => [person!.id, person!.name]));
  return [...people].map(([id, name]) => ({ id, name }));
}

/** Those of some links that are for people by name alone: neither for a class period nor for a group of one. */
export async function linksForNamedAlone(db: Db, linkIds: number[]): Promise<Set<number>> {
  const parts = await db.models.LinkAudience.findAll({
    attributes: ['link_id', 'class_id', 'group_id'],
    where: { link_id: linkIds },
  });
  const guests = await db.models.Guest.findAll({
    attributes: ['link_id'],
    where: { link_id: linkIds },
  });
  const named = new Set([...parts, ...guests].map((part) => part.link_id));
  for (const part of parts)
    if (part.class_id !== null || part.group_id !== null) named.delete(part.link_id);
  return named;
}

/** Those of some links at which a person is meant: as host, as presenter, or by its audience. */
export async function linksMeaning(
  db: Db,
  linkIds: number[],
  personId: number,
): Promise<Set<number>> {
  const meant = await db.models.LinkPerson.findAll({
    attributes: ['link_id'],
    where: { link_id: linkIds, person_id: personId },
  });
  return new Set(meant.map((row) => row.link_id));
}

/** How many people each of some links is for. */
export async function audienceSizes(db: Db, linkIds: number[]): Promise<Map<number, number>> {
  const rows = await db.models.LinkPerson.findAll({
    attributes: ['link_id', [fn('COUNT', col('person_id')), 'size']],
    where: { link_id: linkIds, as_what: 'member' },
    group: ['link_id'],
  });
  return new Map(rows.map((row) => [row.link_id, Number(row.get('size'))]));
}

export interface AudienceRow {
  link_id: number;
  class_id: number | null;
  class_title: string | null;
  period: string | null;
  class_size: number | null;
  group_id: number | null;
  group_name: string | null;
  group_size: number | null;
  person_id: number | null;
  person_name: string | null;
}

type Sizes = Map<number, number>;

async function rollSizes(db: Db, classIds: number[]): Promise<Sizes> {
  const rows = await db.models.RollEntry.findAll({
    attributes: ['class_id', [fn('COUNT', col('person_id')), 'size']],
    where: { class_id: classIds },
    group: ['class_id'],
  });
  return new Map(rows.map((row) => [row.class_id, Number(row.get('size'))]));
}

async function groupSizes(db: Db, groupIds: number[]): Promise<Sizes> {
  const rows = await db.models.GroupMember.findAll({
    attributes: ['group_id', [fn('COUNT', col('person_id')), 'size']],
    where: { group_id: groupIds },
    group: ['group_id'],
  });
  return new Map(rows.map((row) => [row.group_id, Number(row.get('size'))]));
}

const numbers = (ids: (number | null)[]): number[] => [
  ...new Set(ids.filter((id): id is number => id !== null)),
];

const sizeOf = (sizes: Sizes, id: number | null): number | null =>
  id === null ? null : (sizes.get(id) ?? 0);

/** Whom of the school links are for, part by part as it was said. */
export async function audienceOf(db: Db, linkIds: number[]): Promise<AudienceRow[]> {
  const rows = await db.models.LinkAudience.findAll({
    where: { link_id: linkIds },
    include: [
      { association: 'classPeriod', attributes: ['title', 'period'] },
      { association: 'group', attributes: ['name'] },
      { association: 'person', attributes: ['name'] },
    ],
    order: [['id', 'ASC']],
  });
  const classes = await rollSizes(db, numbers(rows.map((row) => row.class_id)));
  const groups = await groupSizes(db, numbers(rows.map((row) => row.group_id)));
  return rows.map((row) => ({
    link_id: row.link_id,
    class_id: row.class_id,
    class_title: row.classPeriod?.title ?? null,
    period: row.classPeriod?.period ?? null,
    class_size: sizeOf(classes, row.class_id),
    group_id: row.group_id,
    group_name: row.group?.name ?? null,
    group_size: sizeOf(groups, row.group_id),
    person_id: row.person_id,
    person_name: row.person?.name ?? null,
  }));
}

/** Who hosts links beside their class periods' teachers, by name. Whoever covers is none of them. */
export async function linkHostsOf(
  db: Db,
  linkIds: number[],
): Promise<(Named & { link_id: number })[]> {
  const rows = await db.models.LinkHost.findAll({
    where: { link_id: linkIds, cover_id: null },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  return rows.map(({ link_id, person }) => ({ link_id, id: person!.id, name: person!.name }));
}

export interface Audience {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  /** Those from outside the school whom it is for at any time. */
  guests: StandingGuest[];
}

/** Has a link be for these and nobody else. `now`: by machine time. */
export async function writeAudience(
  db: Db,
  { linkId, now }: { linkId: number; now: string },
  { classIds, groupIds, personIds, guests }: Audience,
): Promise<void> {
  const { LinkAudience } = db.models;
  await LinkAudience.destroy({ where: { link_id: linkId } });
  await LinkAudience.bulkCreate([
    ...classIds.map((class_id) => ({ link_id: linkId, class_id })),
    ...groupIds.map((group_id) => ({ link_id: linkId, group_id })),
    ...personIds.map((person_id) => ({ link_id: linkId, person_id })),
  ]);
  await writeStandingGuests(db, { linkId, now }, guests);
  await followLinks(db, [linkId]);
}

/** Who hosts a link beside its class period's teachers, or instead of them. */
export interface LinkHosts {
  hostIds: number[];
  hostedBy: 'class' | 'named';
}

export async function writeHosts(
  db: Db,
  linkId: number,
  { hostIds, hostedBy }: LinkHosts,
): Promise<void> {
  const { Link, LinkHost } = db.models;
  await Link.update({ hosted_by: hostedBy }, { where: { id: linkId } });
  // Whoever covers goes on.
  await LinkHost.destroy({
    where: { link_id: linkId, [Op.or]: [{ cover_id: null }, { person_id: hostIds }] },
  });
  await LinkHost.bulkCreate(hostIds.map((person_id) => ({ link_id: linkId, person_id })));
  await followLinks(db, [linkId]);
}

/** Whether a link is for all of a class period. */
export const isForAllOf = async (db: Db, linkId: number, classId: number): Promise<boolean> =>
  (await db.models.LinkAudience.count({ where: { link_id: linkId, class_id: classId } })) > 0;

/** Who hosts a link at any time, and who presents there by the class period, by name. */
export async function hostsAndPresenters(
  db: Db,
  linkId: number,
): Promise<(Named & { presents: boolean })[]> {
  const rows = await db.models.LinkPerson.findAll({
    where: { link_id: linkId, as_what: ['host', 'tutor', 'presenter'] },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'id', 'ASC']],
  });
  const people = new Map<number, Named & { presents: boolean }>();
  for (const { person, as_what } of rows) {
    const presents = as_what === 'presenter' && (people.get(person!.id)?.presents ?? true);
    people.set(person!.id, { id: person!.id, name: person!.name, presents });
  }
  return [...people.values()];
}

/** Those of some links that others host alone, as `LEFT_OUT` says it: its class period's teachers are meant by none of them. */
export async function leftOutOf(db: Db, personId: number, linkIds: number[]): Promise<Set<number>> {
  const { Link, LinkPerson } = db.models;
  const named = await Link.findAll({
    attributes: ['id'],
    where: { id: linkIds, hosted_by: 'named' },
  });
  const out = new Set(named.map((link) => link.id));
  const hosts = await LinkPerson.findAll({
    where: { link_id: [...out], as_what: ['host', 'tutor'] },
  });
  for (const { link_id, person_id, as_what } of hosts)
    if (as_what === 'host' || person_id === personId) out.delete(link_id);
  return out;
}
