import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';
import { followClasses } from '../audience/linkPeople.js';
import { passPosts } from '../post/store.js';
import type { NamedClass } from './places.sql.js';

/** A class period that somebody hosts by themselves, with how much in it is theirs by name. */
export interface Hosted extends NamedClass {
  /** `links`: of single links there alone, or of groups' tutor. */
  as: 'host' | 'co-teacher' | 'links';
  /** Links that they host by name. */
  links: number;
  /** Groups that they are tutor of. */
  groups: number;
  /** Nobody else hosts it. */
  isOnlyHost: boolean;
}

const counted = <Row>(rows: Row[], classOf: (row: Row) => number): Map<number, number> => {
  const counts = new Map<number, number>();
  for (const row of rows) counts.set(classOf(row), (counts.get(classOf(row)) ?? 0) + 1);
  return counts;
};

/** What somebody hosts by themselves and goes on, by periods. */
export async function hostedBy(db: Db, personId: number): Promise<Hosted[]> {
  const { ClassStaff, LinkHost, ClassGroup } = db.models;
  const own = { person_id: personId, cover_id: null };
  const rows = await ClassStaff.findAll({
    where: { ...own, as_what: ['host', 'co-teacher'] },
    include: [{ association: 'classPeriod', where: { put_away_at: null } }],
    order: [
      ['classPeriod', 'listed', 'ASC'],
      ['class_id', 'ASC'],
    ],
  });
  const links = await LinkHost.findAll({ where: own, include: ['link'] });
  const linksIn = counted(links, (row) => row.link!.class_id);
  const groups = await ClassGroup.findAll({ where: { tutor_id: personId } });
  const groupsIn = counted(groups, (row) => row.class_id);
  const classIds = rows.map((row) => row.class_id);
  const hosted = await hostedByOthers(db, classIds, personId);
  const inPart = (id: number) => ({ links: linksIn.get(id) ?? 0, groups: groupsIn.get(id) ?? 0 });
  const whole = rows.map(({ class_id: id, as_what, classPeriod }) => ({
    ...titled(classPeriod!),
    ...inPart(id),
    as: as_what as Hosted['as'],
    isOnlyHost: as_what === 'host' && !hosted.has(id),
  }));
  const others = await db.models.ClassPeriod.findAll({
    where: {
      put_away_at: null,
      id: [...linksIn.keys(), ...groupsIn.keys()].filter((id) => !classIds.includes(id)),
    },
    order: ['listed', 'id'],
  });
  const parts = others.map((row) => ({
    ...titled(row),
    ...inPart(row.id),
    as: 'links' as const,
    isOnlyHost: false,
  }));
  return [...whole, ...parts];
}

const titled = ({ id, title, period }: NamedClass): NamedClass => ({ id, title, period });

/** Which of some class periods somebody else hosts, by themselves. */
async function hostedByOthers(db: Db, classIds: number[], personId: number): Promise<Set<number>> {
  const rows = await db.models.ClassStaff.findAll({
    where: { class_id: classIds, as_what: 'host', person_id: { [Op.ne]: personId } },
  });
  return new Set(rows.map((row) => row.class_id));
}

interface HandingOver {
  classId: number;
  from: number;
  to: number;
  as: Hosted['as'];
}

/** They teach it instead; whoever hosts it already stays host. */
async function passTeaching(db: Db, { classId, from, to, as }: HandingOver): Promise<void> {
  const { ClassStaff } = db.models;
  const theirs = await ClassStaff.findOne({ where: { class_id: classId, person_id: to } });
  const isHost = as === 'host' || (theirs?.as_what === 'host' && theirs.cover_id === null);
  const as_what = isHost ? ('host' as const) : ('co-teacher' as const);
  await ClassStaff.destroy({ where: { class_id: classId, person_id: from } });
  if (theirs) await theirs.update({ as_what, cover_id: null, was: null });
  else await ClassStaff.create({ class_id: classId, person_id: to, as_what });
}

/** Somebody is in a class period what another was: host of it, of the other's links there, tutor of the other's groups. */
export async function handOverClass(db: Db, { classId, from, to, as }: HandingOver): Promise<void> {
  const { ClassPeriod, ClassGroup, Link, LinkHost } = db.models;
  if (as !== 'links') await passTeaching(db, { classId, from, to, as });
  await passPosts(db, classId, { from, to });
  const links = await Link.findAll({ attributes: ['id'], where: { class_id: classId } });
  const own = { person_id: from, link_id: links.map((link) => link.id) };
  const named = await LinkHost.findAll({ where: { ...own, cover_id: null } });
  await LinkHost.destroy({ where: own });
  const linkIds = named.map((row) => row.link_id);
  await LinkHost.destroy({ where: { person_id: to, link_id: linkIds } });
  await LinkHost.bulkCreate(linkIds.map((link_id) => ({ link_id, person_id: to })));
  await ClassGroup.update({ tutor_id: to }, { where: { class_id: classId, tutor_id: from } });
  await ClassPeriod.update(
    { version: oneMore('version'), groups_version: oneMore('groups_version') },
    { where: { id: classId } },
  );
  await Link.update({ version: oneMore('version') }, { where: { id: linkIds } });
  await followClasses(db, [classId]);
}
