import { visitsFromWords, type RoomWord, type Stay } from '@glen/core';
import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** One person's place behind a door, as a video service's event finds it. */
interface Seat {
  visitor_id: number;
  sitting_id: number;
  role: string;
  /** Which of the sitting's rooms; left out: the one that it has now. */
  room?: number;
  /** Which of what the service tells; left out where Glen itself says so. */
  nth?: number | undefined;
}

interface SeatAtDoor extends Seat {
  state: string;
  link_id: number;
  class_id: number;
}

/** Whose room it is by its name, and which of theirs, also when it has been given up since. */
export function readRoom(name: string): { sitting: number; room: number } {
  const [, sitting, room] = /^g(\d+)-(\d+)$/.exec(name) ?? [];
  return { sitting: Number(sitting ?? 0), room: Number(room ?? 0) };
}

export async function heldSeat(
  db: Db,
  room: string,
  visitorId: number,
): Promise<SeatAtDoor | undefined> {
  const told = readRoom(room);
  const visitor = await db.models.Visitor.findOne({
    where: { id: visitorId, sitting_id: told.sitting },
    include: [{ association: 'sitting', include: ['link'] }],
    lock: true,
  });
  if (!visitor) return undefined;
  const { id, sitting_id, role, state, sitting } = visitor;
  const { link_id, link } = sitting!;
  const { class_id } = link!;
  return { visitor_id: id, sitting_id, role, room: told.room, state, link_id, class_id };
}

interface Told {
  sitting_id: number;
  /** Null: all who are in. */
  visitor_id: number | null;
  room?: number;
  nth?: number | undefined;
}

/** Keeps a word as it was told. */
async function keep(
  db: Db,
  { sitting_id, visitor_id, room, nth }: Told,
  word: Pick<RoomWord, 'at' | 'kind'>,
): Promise<void> {
  const { Sitting, RoomWord: Words } = db.models;
  const of = room ?? (await Sitting.findByPk(sitting_id))!.rooms_made;
  await Words.create({ sitting_id, visitor_id, room: of, nth: nth ?? null, ...word });
}

/** What was told of some visitors of a sitting, each with what was told of all who are in. */
async function wordsOf(
  db: Db,
  sittingId: number,
  visitorIds: number[],
): Promise<Map<number, RoomWord[]>> {
  const rows = await db.models.RoomWord.findAll({
    where: { sitting_id: sittingId, visitor_id: { [Op.or]: [visitorIds, null] } },
  });
  const byVisitor = new Map<number | null, RoomWord[]>();
  for (const row of rows)
    byVisitor.set(row.visitor_id, [...(byVisitor.get(row.visitor_id) ?? []), row]);
  const ofAll = byVisitor.get(null) ?? [];
  return new Map(visitorIds.map((id) => [id, [...(byVisitor.get(id) ?? []), ...ofAll]]));
}

async function storedStays(db: Db, visitorIds: number[]): Promise<Map<number, Stay[]>> {
  const rows = await db.models.Visit.findAll({
    where: { visitor_id: visitorIds },
    order: ['arrived_at'],
  });
  const stays = new Map<number, Stay[]>();
  for (const { visitor_id: id, arrived_at: from, left_at: to } of rows)
    stays.set(id, [...(stays.get(id) ?? []), { from, to }]);
  return stays;
}

const areSame = (some: Stay[], others: Stay[]): boolean =>
  some.length === others.length &&
  some.every(({ from, to }, i) => from === others[i]!.from && to === others[i]!.to);

/** Whether they are in, and since when they are out, by their last stays: all who are alike at once. */
async function noteWhere(db: Db, stays: Map<number, Stay[]>): Promise<void> {
  const alike = new Map<string | null | undefined, number[]>();
  for (const [id, all] of stays) {
    const leftAt = all.at(-1)?.to;
    alike.set(leftAt, [...(alike.get(leftAt) ?? []), id]);
  }
  for (const [leftAt, ids] of alike)
    await db.models.Visitor.update(
      { inside: leftAt === null, left_at: leftAt ?? null },
      { where: { id: ids } },
    );
}

/** Works the stays of some visitors out anew from all that was told of them. */
async function workOut(db: Db, sittingId: number, visitorIds: number[]): Promise<void> {
  const [words, stored] = await Promise.all([
    wordsOf(db, sittingId, visitorIds),
    storedStays(db, visitorIds),
  ]);
  const all = [...words].map(([id, told]): [number, Stay[]] => [id, visitsFromWords(told)]);
  const changed = new Map(all.filter(([id, stays]) => !areSame(stays, stored.get(id) ?? [])));
  if (changed.size === 0) return;
  const { Visit } = db.models;
  await Visit.destroy({ where: { visitor_id: [...changed.keys()] } });
  await Visit.bulkCreate(
    [...changed].flatMap(([id, stays]) =>
      stays.map(({ from, to }) => ({ visitor_id: id, arrived_at: from, left_at: to })),
    ),
  );
  await noteWhere(db, changed);
}

const hostsInside = (db: Db, sittingId: number): Promise<number> =>
  db.models.Visitor.count({ where: { sitting_id: sittingId, inside: true, role: 'host' } });

/** Somebody is in: by the room's word, or, where the room tells nothing, by having passed the door. */
export async function arrive(db: Db, seat: Seat, at: string): Promise<void> {
  await keep(db, seat, { at, kind: 'came' });
  await workOut(db, seat.sitting_id, [seat.visitor_id]);
  if (seat.role === 'host' && (await hostsInside(db, seat.sitting_id)) > 0)
    await db.models.Sitting.update({ host_left_at: null }, { where: { id: seat.sitting_id } });
}

/** Somebody has left; where it was the last host, the door remembers since when. */
export async function leave(db: Db, seat: Seat, at: string): Promise<void> {
  const { Visitor, Sitting } = db.models;
  const whoIsIn = { id: seat.visitor_id, inside: true };
  const wasIn = (await Visitor.count({ where: whoIsIn })) > 0;
  await keep(db, seat, { at, kind: 'left' });
  await workOut(db, seat.sitting_id, [seat.visitor_id]);
  const isOut = wasIn && (await Visitor.count({ where: whoIsIn })) === 0;
  if (!isOut) return;
  await Visitor.update({ ticket_until: null }, { where: { id: seat.visitor_id } });
  if (seat.role === 'host' && (await hostsInside(db, seat.sitting_id)) === 0)
    await Sitting.update({ host_left_at: at }, { where: { id: seat.sitting_id } });
}

/** Everyone of a sitting is out: at its end, or when one of its rooms is gone. */
export async function everyoneOut(
  db: Db,
  sittingId: number,
  at: string,
  told: { room: number; nth?: number | undefined } | Record<string, never> = {},
): Promise<void> {
  const { Visitor } = db.models;
  const visitors = await Visitor.findAll({ attributes: ['id'], where: { sitting_id: sittingId } });
  await keep(db, { sitting_id: sittingId, visitor_id: null, ...told }, { at, kind: 'left' });
  await workOut(
    db,
    sittingId,
    visitors.map((visitor) => visitor.id),
  );
  await Visitor.update({ ticket_until: null }, { where: { sitting_id: sittingId } });
}

interface SittingOfRoom {
  id: number;
  link_id: number;
  class_id: number;
  /** Its room now, where it has one. */
  room: string | null;
}

export async function heldSittingOfRoom(db: Db, room: string): Promise<SittingOfRoom | undefined> {
  const sitting = await db.models.Sitting.findOne({
    where: { id: readRoom(room).sitting },
    include: ['link'],
    lock: true,
  });
  return sitting
    ? {
        id: sitting.id,
        link_id: sitting.link_id,
        class_id: sitting.link!.class_id,
        room: sitting.room,
      }
    : undefined;
}

export async function forgetRoom(db: Db, sittingId: number): Promise<void> {
  await db.models.Sitting.update({ room: null, room_ready: false }, { where: { id: sittingId } });
}

/** Notes that an event was taken; refused by the database where it was before. */
export async function noteWebhook(db: Db, id: string, at: string): Promise<void> {
  await db.models.WebhookSeen.create({ id, at });
}
