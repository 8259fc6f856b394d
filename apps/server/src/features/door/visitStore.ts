import { col, fn } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { toSql } from '../../db/sqlTime.js';

/** One person's place behind a door, as a video service's event finds it. */
interface Seat {
  visitor_id: number;
  sitting_id: number;
  role: string;
}

interface SeatAtDoor extends Seat {
  state: string;
  link_id: number;
  class_id: number;
}

export async function heldSeat(
  db: Db,
  room: string,
  visitorId: number,
): Promise<SeatAtDoor | undefined> {
  const visitor = await db.models.Visitor.findOne({
    where: { id: visitorId },
    include: [{ association: 'sitting', where: { room }, include: ['link'] }],
    lock: true,
  });
  if (!visitor) return undefined;
  const { id, sitting_id, role, state, sitting } = visitor;
  const { link_id, link } = sitting!;
  return { visitor_id: id, sitting_id, role, state, link_id, class_id: link!.class_id };
}

/** Somebody is in: by the room's word, or, where the room tells nothing, by having passed the door. */
export async function arrive(db: Db, seat: Seat, at: string): Promise<void> {
  const { Visit, Visitor, Sitting } = db.models;
  const open = await Visit.count({ where: { visitor_id: seat.visitor_id, left_at: null } });
  if (open === 0) await Visit.create({ visitor_id: seat.visitor_id, arrived_at: at });
  await Visitor.update({ inside: true, left_at: null }, { where: { id: seat.visitor_id } });
  if (seat.role === 'host')
    await Sitting.update({ host_left_at: null }, { where: { id: seat.sitting_id } });
}

/** Nobody leaves before they came, whatever clocks say. */
const leftAt = (at: string) => fn('GREATEST', col('arrived_at'), toSql(at));

/** Somebody has left; where it was the last host, the door remembers since when. */
export async function leave(db: Db, seat: Seat, at: string): Promise<void> {
  const { Visit, Visitor, Sitting } = db.models;
  await Visit.update(
    { left_at: leftAt(at) },
    { where: { visitor_id: seat.visitor_id, left_at: null } },
  );
  await Visitor.update(
    { inside: false, left_at: at, ticket_until: null },
    { where: { id: seat.visitor_id, inside: true } },
  );
  if (seat.role !== 'host') return;
  const hosts = await Visitor.count({
    where: { sitting_id: seat.sitting_id, inside: true, role: 'host' },
  });
  if (hosts === 0) await Sitting.update({ host_left_at: at }, { where: { id: seat.sitting_id } });
}

/** Everyone of a sitting is out: at its end, or when its room is gone. */
export async function everyoneOut(db: Db, sittingId: number, at: string): Promise<void> {
  const { Visit, Visitor } = db.models;
  const visitors = await Visitor.findAll({
    attributes: ['id'],
    where: { sitting_id: sittingId },
  });
  await Visit.update(
    { left_at: leftAt(at) },
    { where: { visitor_id: visitors.map((visitor) => visitor.id), left_at: null } },
  );
  await Visitor.update(
    { inside: false, left_at: at },
    { where: { sitting_id: sittingId, inside: true } },
  );
  await Visitor.update({ ticket_until: null }, { where: { sitting_id: sittingId } });
}

interface SittingOfRoom {
  id: number;
  link_id: number;
  class_id: number;
}

export async function heldSittingOfRoom(db: Db, room: string): Promise<SittingOfRoom | undefined> {
  const sitting = await db.models.Sitting.findOne({
    where: { room },
    include: ['link'],
    lock: true,
  });
  return sitting
    ? { id: sitting.id, link_id: sitting.link_id, class_id: sitting.link!.class_id }
    : undefined;
}

export async function forgetRoom(db: Db, sittingId: number): Promise<void> {
  await db.models.Sitting.update({ room: null, room_ready: false }, { where: { id: sittingId } });
}

/** Notes that an event was taken; refused by the database where it was before. */
export async function noteWebhook(db: Db, id: string, at: string): Promise<void> {
  await db.models.WebhookSeen.create({ id, at });
}
