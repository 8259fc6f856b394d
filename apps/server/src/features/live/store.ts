import { Op } from 'sequelize';
import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';

interface ChangeRow extends Pick<LiveChange, 'thing'> {
  id: number;
  topic: string;
  thing_id: number;
}

const MOST_CHANGES = 5000;

export async function insertChange(
  db: Db,
  clock: Clock,
  topic: string,
  change: LiveChange,
): Promise<void> {
  await db.models.Change.create({
    topic,
    thing: change.thing,
    thing_id: change.id,
    at: clock.machine(),
  });
}

export const lastChangeId = async (db: Db): Promise<number> =>
  (await db.models.Change.findOne({ attributes: ['id'], order: [['id', 'DESC']] }))?.id ?? 0;

export const changesAfter = (db: Db, id: number): Promise<ChangeRow[]> =>
  db.models.Change.findAll({
    attributes: ['id', 'topic', 'thing', 'thing_id'],
    where: { id: { [Op.gt]: id } },
    order: ['id'],
    limit: MOST_CHANGES,
    raw: true,
  });

/** The class periods of which a teacher hears: their own, those in which they host one link, and those they meet with. */
export async function classesHeardOf(db: Db, personId: number): Promise<number[]> {
  const { ClassStaff, LinkPerson, Link } = db.models;
  const own = await ClassStaff.findAll({ where: { person_id: personId } });
  const meant = await LinkPerson.findAll({
    attributes: ['link_id'],
    where: {
      person_id: personId,
      as_what: ['tutor', 'joining-host', 'joining-presenter'],
    },
  });
  const links = await Link.findAll({
    attributes: ['class_id'],
    where: { id: [...new Set(meant.map((row) => row.link_id))] },
  });
  return [...new Set([...own, ...links].map((row) => row.class_id))];
}

/** The links of some codes, their own or to watch at. */
export async function linksByCode(db: Db, codes: string[]): Promise<number[]> {
  const { Link, WatchAddress } = db.models;
  const links = await Link.findAll({ attributes: ['id'], where: { code: codes } });
  if (links.length === codes.length) return links.map((link) => link.id);
  const watched = await WatchAddress.findAll({ where: { code: codes } });
  return [...links.map((link) => link.id), ...watched.map((row) => row.link_id)];
}
