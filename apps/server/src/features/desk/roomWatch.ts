import { areHostsGone, doorFor } from '@glen/core';
import type { Glen } from '../../glen.js';
import { hostsGoneAt, rulesOfLinks, rulesOfSession } from '../entry/layers.js';
import { Ticker } from '../../operating/ticker.js';
import { lockLinkById } from '../door/store.js';
import { everyoneOut } from '../door/visitStore.js';
import { isToClose, type WhenAlone } from '../entry/alone.js';
import { roomsWithoutHost, takeRoomAway, type RoomWithoutHost } from './aloneStore.js';
import { endSitting } from './store.js';
import { takeOver } from './takeOver.js';

/** How often rooms are looked after. */
const EVERY_MS = 3000;

/** When rooms close by themselves, by the rules in force at their links and sessions. */
async function whenAlone(glen: Glen, rooms: RoomWithoutHost[]): Promise<Map<number, WhenAlone>> {
  const links = await rulesOfLinks(
    glen.db,
    rooms.map((room) => room.link_id),
  );
  return new Map(
    rooms.map((room) => {
      const link = links.get(room.link_id)!;
      const rules = rulesOfSession(link, room);
      const { closes } = doorFor(room, rules);
      const { withoutHost } = rules;
      return [room.sitting_id, { closes, withoutHost, minutes: hostsGoneAt(link, room) }];
    }),
  );
}

/** Puts everybody out of one room: past its time for good, before it until a host opens again. */
async function close(glen: Glen, room: RoomWithoutHost, isOver: boolean): Promise<void> {
  const now = glen.clock.school();
  const { sitting_id: sittingId, link_id: linkId, class_id: classId } = room;
  await everyoneOut(glen.db, sittingId, now);
  if (isOver) await endSitting(glen.db, sittingId, now);
  else await takeRoomAway(glen.db, sittingId);
  if (room.room_address === null) await glen.enqueue({ kind: 'end-room', subject: room.room });
  await glen.audit({
    by: null,
    action: 'close-by-itself',
    subject: `sitting:${sittingId}`,
    after: { inside: room.inside, hostLeftAt: room.host_left_at },
  });
  await glen.announce(`class:${classId}`, { thing: 'desk', id: linkId });
  await glen.announce(`door:${linkId}`, { thing: 'door', id: linkId });
}

/** Closes a room if it is still to be closed, under its link's lock, and only once whoever else looks after it. */
async function closeIfDue(glen: Glen, { sitting_id, link_id }: RoomWithoutHost): Promise<void> {
  await glen.db.transaction(async () => {
    await lockLinkById(glen.db, link_id);
    const [room] = await roomsWithoutHost(glen.db, sitting_id);
    if (!room) return;
    const when = (await whenAlone(glen, [room])).get(sitting_id)!;
    const now = glen.clock.school();
    if (isToClose(room, when, now)) await close(glen, room, when.closes <= now);
  });
  glen.nudge();
}

/**
 * Looks after rooms that no host is in: closes them when their time has come, and tells those who host as hosts have been
 * gone for a while. It goes by what is kept, so that nothing is missed while no server runs; any number of processes may.
 */
export class RoomWatch {
  private readonly ticker: Ticker;
  /** Of which rooms it has been told, by since when their hosts are gone. */
  private told = new Map<number, string>();

  constructor(private readonly glen: Glen) {
    const complaint = 'rooms cannot be looked after now';
    this.ticker = new Ticker(glen, EVERY_MS, () => this.look(), complaint);
  }

  start(): void {
    this.ticker.start();
  }

  stop(): Promise<void> {
    return this.ticker.stop();
  }

  async look(): Promise<void> {
    const rooms = await roomsWithoutHost(this.glen.db);
    const when = await whenAlone(this.glen, rooms);
    const now = this.glen.clock.school();
    // One that cannot be closed just now holds up no other.
    for (const room of rooms)
      await this.lookAfter(room, when.get(room.sitting_id)!, now).catch((error: unknown) =>
        this.glen.log.warn({ err: error, sitting: room.sitting_id }, 'a room stays as it is'),
      );
    const alive = new Set(rooms.map((room) => room.sitting_id));
    for (const id of this.told.keys()) if (!alive.has(id)) this.told.delete(id);
  }

  private async lookAfter(room: RoomWithoutHost, when: WhenAlone, now: string): Promise<void> {
    const areGone = areHostsGone(
      { hostsInside: room.hosts_inside, hostLeftAt: room.host_left_at },
      now,
    );
    if (areGone && (await takeOver(this.glen, room))) return;
    if (isToClose(room, when, now)) await closeIfDue(this.glen, room);
    else if (areGone) await this.tell(room);
  }

  private async tell(room: RoomWithoutHost): Promise<void> {
    const { sitting_id, host_left_at: hostLeftAt } = room;
    if (room.inside === 0) return;
    if (this.told.get(sitting_id) === hostLeftAt) return;
    this.told.set(sitting_id, hostLeftAt!);
    await this.glen.announce(`class:${room.class_id}`, { thing: 'desk', id: room.link_id });
  }
}
