import { Op } from 'sequelize';
import type { Occurrence } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { SittingRow } from '../../db/models/Sitting.js';
import type { OccurrenceLayers } from '../entry/store.js';
import { dropTickets } from '../door/keptOutStore.js';
import type { RoomNow } from '../entry/alone.js';

/** A room that no host is in. */
export interface RoomWithoutHost extends RoomNow {
  sitting_id: number;
  link_id: number;
  class_id: number;
  room: string;
  start: string;
  end: string;
  status: Occurrence['status'];
  layers: OccurrenceLayers;
}

/** How many are in each of some sittings: of all, or of hosts. */
async function insideOf(db: Db, sittingIds: number[], role?: 'host'): Promise<Map<number, number>> {
  const visitors = await db.models.Visitor.findAll({
    attributes: ['sitting_id'],
    where: { sitting_id: sittingIds, inside: true, ...(role === undefined ? {} : { role }) },
  });
  const counts = new Map<number, number>();
  for (const { sitting_id: id } of visitors) counts.set(id, (counts.get(id) ?? 0) + 1);
  return counts;
}

function roomOf(sitting: SittingRow, inside: number): RoomWithoutHost {
  const { id, link, occurrence } = sitting;
  const { link_id, room, room_address, host_left_at, ended_at } = sitting;
  return {
    ...{ link_id, room_address, host_left_at, ended_at, inside },
    sitting_id: id,
    class_id: link!.class_id,
    room: room!,
    hosts_inside: 0,
    start: occurrence!.start_at,
    end: occurrence!.end_at,
    status: occurrence!.status,
    layers: occurrence!.layers,
  };
}

/** Every room there is that no host is in, or whether one of them is. Those that have ended have none. */
export async function roomsWithoutHost(db: Db, sittingId?: number): Promise<RoomWithoutHost[]> {
  const sittings = await db.models.Sitting.findAll({
    where: {
      ...(sittingId === undefined ? {} : { id: sittingId }),
      room: { [Op.ne]: null },
      ended_at: null,
    },
    include: [
      { association: 'link', attributes: ['class_id'] },
      { association: 'occurrence', attributes: ['start_at', 'end_at', 'status', 'layers'] },
    ],
  });
  const ids = sittings.map((sitting) => sitting.id);
  const hosted = await insideOf(db, ids, 'host');
  const without = sittings.filter((sitting) => !hosted.has(sitting.id));
  const inside = await insideOf(
    db,
    without.map((sitting) => sitting.id),
  );
  return without.map((sitting) => roomOf(sitting, inside.get(sitting.id) ?? 0));
}

/** A room is gone before its time: whoever comes next is at a door that nobody has opened. */
export async function takeRoomAway(db: Db, sittingId: number): Promise<void> {
  await db.models.Sitting.update(
    { room: null, room_ready: false, room_address: null, opened_at: null, host_left_at: null },
    { where: { id: sittingId } },
  );
  await dropTickets(db, sittingId);
}
