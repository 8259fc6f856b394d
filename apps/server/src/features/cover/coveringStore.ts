import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { passPosts } from '../post/store.js';
import { addActingHost } from '../door/actingStore.js';

// Whoever covers is host by rows of their own that say by which cover: in class periods and at links.

/** Somebody is host somewhere for a cover: of a class period or of a link, by its number. */
export interface Place {
  at: number;
  personId: number;
  coverId: number;
}

/** Who hosts which class periods, or links, by themselves. */
interface Hosting {
  at: number;
  personId: number;
}

export async function classesHosted(db: Db, personIds: number[]): Promise<Hosting[]> {
  const rows = await db.models.ClassStaff.findAll({
    where: { person_id: personIds, as_what: ['host', 'co-teacher'], cover_id: null },
  });
  return rows.map((row) => ({ at: row.class_id, personId: row.person_id }));
}

export async function linksHosted(db: Db, personIds: number[]): Promise<Hosting[]> {
  const rows = await db.models.LinkHost.findAll({
    where: { person_id: personIds, cover_id: null },
  });
  return rows.map((row) => ({ at: row.link_id, personId: row.person_id }));
}

const FOR_COVERS = { cover_id: { [Op.ne]: null } };

/** Where anybody is host for a cover. */
export async function placesCovered(db: Db): Promise<{ classes: Place[]; links: Place[] }> {
  const { ClassStaff, LinkHost } = db.models;
  const classes = await ClassStaff.findAll({ where: FOR_COVERS });
  const links = await LinkHost.findAll({ where: FOR_COVERS });
  return {
    classes: classes.map((row) => ({
      at: row.class_id,
      personId: row.person_id,
      coverId: row.cover_id!,
    })),
    links: links.map((row) => ({
      at: row.link_id,
      personId: row.person_id,
      coverId: row.cover_id!,
    })),
  };
}

/** Somebody teaches a class period for a cover; whoever only presents there hosts meanwhile. */
export async function beginInClass(
  db: Db,
  { at: class_id, personId: person_id, coverId: cover_id }: Place,
): Promise<void> {
  const { ClassStaff } = db.models;
  const own = await ClassStaff.findOne({ where: { class_id, person_id } });
  const was = own?.as_what === 'presenter' ? own.as_what : null;
  if (own) await own.update({ as_what: 'co-teacher', cover_id, was });
  else await ClassStaff.create({ class_id, person_id, as_what: 'co-teacher', cover_id });
}

/** A cover has ended in a class period; whoever presented there before does so again. What they posted goes on in its host's name. */
export async function endInClass(
  db: Db,
  { at: class_id, personId: person_id }: Place,
): Promise<void> {
  const { ClassStaff } = db.models;
  const row = await ClassStaff.findOne({ where: { class_id, person_id, ...FOR_COVERS } });
  const own = await ClassStaff.findOne({
    where: { class_id, as_what: 'host', cover_id: null },
    order: ['person_id'],
  });
  if (own) await passPosts(db, class_id, { from: person_id, to: own.person_id });
  if (row?.was) await row.update({ as_what: row.was, cover_id: null, was: null });
  else await row?.destroy();
}

export async function beginAtLink(db: Db, { at, personId, coverId }: Place): Promise<void> {
  await db.models.LinkHost.create({ link_id: at, person_id: personId, cover_id: coverId });
}

export async function endAtLink(db: Db, { at, personId }: Place): Promise<void> {
  await db.models.LinkHost.destroy({ where: { link_id: at, person_id: personId, ...FOR_COVERS } });
}

/** Whoever is in as host while their cover ends stays so until that session's end. */
export async function keepInside(
  db: Db,
  personId: number,
  where: { class_id: number } | { id: number },
): Promise<void> {
  const inside = await db.models.Visitor.findAll({
    attributes: ['sitting_id'],
    where: { person_id: personId, inside: true, role: 'host' },
    include: [
      {
        association: 'sitting',
        required: true,
        where: { ended_at: null },
        include: [{ association: 'link', required: true, where }],
      },
    ],
  });
  for (const { sitting_id: sittingId } of inside)
    await addActingHost(db, { sittingId, personId, by: personId });
}

/** Where somebody hosts by themselves. */
export async function hostedPlaces(
  db: Db,
  personId: number,
): Promise<{ classes: Set<number>; links: Set<number> }> {
  const [classes, links] = [await classesHosted(db, [personId]), await linksHosted(db, [personId])];
  return {
    classes: new Set(classes.map((one) => one.at)),
    links: new Set(links.map((one) => one.at)),
  };
}

/** What class periods are called. */
export async function classTitlesOf(
  db: Db,
  ids: number[],
): Promise<Map<number, { title: string; period: string | null }>> {
  const classes = await db.models.ClassPeriod.findAll({
    attributes: ['id', 'title', 'period'],
    where: { id: [...new Set(ids)] },
  });
  return new Map(classes.map(({ id, title, period }) => [id, { title, period }]));
}
