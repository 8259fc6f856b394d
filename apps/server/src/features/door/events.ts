import { plusMinutes } from '@glen/core';
import type { Body } from '@glen/contract';
import { isDuplicate, toSql } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';

interface Place {
  visitor_id: number;
  sitting_id: number;
  role: string;
  link_id: number;
  class_id: number;
  state: string;
}

const placeOf = (glen: Glen, room: string, visitor: string): Promise<Place | undefined> =>
  glen.db.one<Place>(
    `SELECT v.id AS visitor_id, v.sitting_id, v.role, v.state, m.link_id, l.class_id FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN links l ON l.id = m.link_id
     WHERE m.room = :room AND v.id = :visitor FOR UPDATE`,
    { room, visitor },
  );

/** Somebody is in: by the room's word, or, where the room tells nothing, by having passed the door. */
export async function arrive(
  glen: Glen,
  place: Pick<Place, 'visitor_id' | 'sitting_id' | 'role'>,
  at: string,
): Promise<void> {
  const open = await glen.db.one(
    'SELECT id FROM visits WHERE visitor_id = :id AND left_at IS NULL',
    { id: place.visitor_id },
  );
  if (!open)
    await glen.db.insert('visits', { visitor_id: place.visitor_id, arrived_at: toSql(at) });
  await glen.db.change('UPDATE visitors SET inside = 1, left_at = NULL WHERE id = :id', {
    id: place.visitor_id,
  });
  if (place.role === 'host')
    await glen.db.change('UPDATE sittings SET host_left_at = NULL WHERE id = :id', {
      id: place.sitting_id,
    });
}

export async function leave(
  glen: Glen,
  place: Pick<Place, 'visitor_id' | 'sitting_id' | 'role'>,
  at: string,
): Promise<void> {
  await glen.db.change(
    'UPDATE visits SET left_at = GREATEST(arrived_at, :at) WHERE visitor_id = :id AND left_at IS NULL',
    { id: place.visitor_id, at: toSql(at) },
  );
  await glen.db.change(
    'UPDATE visitors SET inside = 0, left_at = :at WHERE id = :id AND inside = 1',
    { id: place.visitor_id, at: toSql(at) },
  );
  if (place.role !== 'host') return;
  await glen.db.change(
    `UPDATE sittings m SET m.host_left_at = :at WHERE m.id = :id AND NOT EXISTS (SELECT 1 FROM visitors x WHERE x.sitting_id = :id AND x.inside = 1 AND x.role = 'host')`,
    { id: place.sitting_id, at: toSql(at) },
  );
}

/** Everyone of a sitting is out: at its end, or when its room is gone. */
export async function everyoneOut(glen: Glen, sittingId: number, at: string): Promise<void> {
  await glen.db.change(
    'UPDATE visits t JOIN visitors v ON v.id = t.visitor_id SET t.left_at = GREATEST(t.arrived_at, :at) WHERE v.sitting_id = :sittingId AND t.left_at IS NULL',
    { sittingId, at: toSql(at) },
  );
  await glen.db.change(
    'UPDATE visitors SET inside = 0, left_at = :at WHERE sitting_id = :sittingId AND inside = 1',
    { sittingId, at: toSql(at) },
  );
}

/** The service says that a room is gone: whoever comes next gets a new one. */
async function roomGone(glen: Glen, room: string, at: string): Promise<void> {
  const sitting = await glen.db.one<{ id: number; link_id: number; class_id: number }>(
    'SELECT m.id, m.link_id, l.class_id FROM sittings m JOIN links l ON l.id = m.link_id WHERE m.room = :room FOR UPDATE',
    { room },
  );
  if (!sitting) return;
  await everyoneOut(glen, sitting.id, at);
  await glen.db.change('UPDATE sittings SET room = NULL, room_ready = 0 WHERE id = :id', {
    id: sitting.id,
  });
  await glen.announce(`class:${sitting.class_id}`, { thing: 'desk', id: sitting.link_id });
}

const secondsSince = (instant: string, earlier: string): number =>
  (Date.parse(instant) - Date.parse(earlier)) / 1000;

/** Takes an event of the video service once: a forged or late one is refused and noted, a repeated one changes nothing. */
export async function takeVideoEvent(
  glen: Glen,
  headers: { time: string | undefined; signature: string | undefined },
  rawBody: Buffer | undefined,
  event: Body<'videoEvent'>,
): Promise<void> {
  if (!rawBody || !glen.video.isSigned(headers, rawBody)) {
    await glen.audit({
      by: null,
      action: 'refused-webhook',
      subject: 'video',
      after: { why: 'forged or late', id: event.id },
    });
    throw new HttpProblem(401, 'The signature does not fit.');
  }
  // The service knows machine time only; what it tells of belongs to school time.
  const lag = Math.max(0, secondsSince(glen.clock.machine(), event.at));
  const at = plusMinutes(glen.clock.school(-lag), 0);
  await glen.db.transaction(async () => {
    try {
      await glen.db.insert('webhooks_seen', { id: event.id, at: toSql(glen.clock.machine()) });
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      await glen.audit({
        by: null,
        action: 'repeated-webhook',
        subject: 'video',
        after: { id: event.id },
      });
      return;
    }
    if (event.type === 'ended') return roomGone(glen, event.room, at);
    const place =
      event.visitor && /^\d+$/.test(event.visitor)
        ? await placeOf(glen, event.room, event.visitor)
        : undefined;
    if (!place) return;
    if (event.type === 'arrived') await arrive(glen, place, at);
    else await leave(glen, place, at);
    await glen.announce(`class:${place.class_id}`, { thing: 'desk', id: place.link_id });
    if (place.role === 'host')
      await glen.announce(`door:${place.link_id}`, { thing: 'door', id: place.link_id });
  });
}
