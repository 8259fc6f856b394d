import { toSql, type Db } from '../../db/connect.js';

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

export const heldSeat = (db: Db, room: string, visitor: string): Promise<SeatAtDoor | undefined> =>
  db.one<SeatAtDoor>(
    `SELECT v.id AS visitor_id, v.sitting_id, v.role, v.state, m.link_id, l.class_id FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN links l ON l.id = m.link_id
     WHERE m.room = :room AND v.id = :visitor FOR UPDATE`,
    { room, visitor },
  );

/** Somebody is in: by the room's word, or, where the room tells nothing, by having passed the door. */
export async function arrive(db: Db, seat: Seat, at: string): Promise<void> {
  const open = await db.one('SELECT id FROM visits WHERE visitor_id = :id AND left_at IS NULL', {
    id: seat.visitor_id,
  });
  if (!open) await db.insert('visits', { visitor_id: seat.visitor_id, arrived_at: toSql(at) });
  await db.change('UPDATE visitors SET inside = 1, left_at = NULL WHERE id = :id', {
    id: seat.visitor_id,
  });
  if (seat.role === 'host')
    await db.change('UPDATE sittings SET host_left_at = NULL WHERE id = :id', {
      id: seat.sitting_id,
    });
}

/** Somebody has left; where it was the last host, the door remembers since when. */
export async function leave(db: Db, seat: Seat, at: string): Promise<void> {
  await db.change(
    'UPDATE visits SET left_at = GREATEST(arrived_at, :at) WHERE visitor_id = :id AND left_at IS NULL',
    { id: seat.visitor_id, at: toSql(at) },
  );
  await db.change('UPDATE visitors SET inside = 0, left_at = :at WHERE id = :id AND inside = 1', {
    id: seat.visitor_id,
    at: toSql(at),
  });
  if (seat.role !== 'host') return;
  await db.change(
    `UPDATE sittings m SET m.host_left_at = :at WHERE m.id = :id AND NOT EXISTS (SELECT 1 FROM visitors x WHERE x.sitting_id = :id AND x.inside = 1 AND x.role = 'host')`,
    { id: seat.sitting_id, at: toSql(at) },
  );
}

/** Everyone of a sitting is out: at its end, or when its room is gone. */
export async function everyoneOut(db: Db, sittingId: number, at: string): Promise<void> {
  await db.change(
    'UPDATE visits t JOIN visitors v ON v.id = t.visitor_id SET t.left_at = GREATEST(t.arrived_at, :at) WHERE v.sitting_id = :sittingId AND t.left_at IS NULL',
    { sittingId, at: toSql(at) },
  );
  await db.change(
    'UPDATE visitors SET inside = 0, left_at = :at WHERE sitting_id = :sittingId AND inside = 1',
    { sittingId, at: toSql(at) },
  );
}

export const heldSittingOfRoom = (
  db: Db,
  room: string,
): Promise<{ id: number; link_id: number; class_id: number } | undefined> =>
  db.one(
    'SELECT m.id, m.link_id, l.class_id FROM sittings m JOIN links l ON l.id = m.link_id WHERE m.room = :room FOR UPDATE',
    { room },
  );

export const forgetRoom = (db: Db, sittingId: number): Promise<number> =>
  db.change('UPDATE sittings SET room = NULL, room_ready = 0 WHERE id = :sittingId', { sittingId });

/** Notes that an event was taken; refused by the database where it was before. */
export const noteWebhook = (db: Db, id: string, at: string): Promise<number> =>
  db.insert('webhooks_seen', { id, at: toSql(at) });
