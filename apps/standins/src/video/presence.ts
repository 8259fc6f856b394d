import type { Response } from 'express';
import type { Notices } from './notices.js';
import type { Rooms, Seat } from './store.js';

/** A reload takes a moment; somebody counts as gone only after it. */
const GONE_AFTER_MS = 1500;

/** Who is connected to which room, and telling everyone inside when anything changes. */
export class Presence {
  private readonly streams = new Map<number, Set<Response>>();
  private readonly leaving = new Map<number, NodeJS.Timeout>();

  constructor(
    private readonly rooms: Rooms,
    private readonly notices: Notices,
  ) {}

  /** After a restart nobody is connected: whoever comes back arrives again. */
  async reset(): Promise<void> {
    for (const seat of await this.rooms.hereAtAll()) await this.gone(seat);
  }

  async connect(seat: Seat, stream: Response): Promise<void> {
    clearTimeout(this.leaving.get(seat.id));
    this.leaving.delete(seat.id);
    const own = this.streams.get(seat.id) ?? new Set();
    own.add(stream);
    this.streams.set(seat.id, own);
    stream.on('close', () => {
      own.delete(stream);
      if (own.size > 0) return;
      this.streams.delete(seat.id);
      this.leaving.set(
        seat.id,
        setTimeout(() => {
          this.leaving.delete(seat.id);
          void this.gone(seat).catch(() => {});
        }, GONE_AFTER_MS),
      );
    });
    await this.here(seat);
  }

  async here(seat: Seat): Promise<void> {
    const isNew = (await this.rooms.set(seat.id, 'here', true)) > 0;
    if (isNew) await this.notices.tell({ room: seat.room, type: 'arrived', visitor: seat.visitor });
    await this.tellRoom(seat.room, isNew ? { came: seat.name } : {});
  }

  async gone(seat: Seat): Promise<void> {
    const left = (await this.rooms.set(seat.id, 'here', false)) > 0;
    if (left) {
      for (const field of ['presenting', 'mic', 'camera'] as const)
        await this.rooms.set(seat.id, field, false);
      await this.notices.tell({ room: seat.room, type: 'left', visitor: seat.visitor });
    }
    await this.tellRoom(seat.room, left ? { went: seat.name } : {});
  }

  /** Takes a seat away: put out by a host, or gone after handing over. */
  async putOut(seat: Seat, why: 'put-out' | 'left'): Promise<void> {
    await this.rooms.takeAway(seat.id, why);
    this.say(seat.id, { over: why });
    await this.gone(seat);
  }

  async end(room: string): Promise<void> {
    if ((await this.rooms.end(room)) === 0) return;
    for (const seat of await this.rooms.seats(room)) {
      this.say(seat.id, { over: 'ended' });
      await this.gone(seat);
    }
  }

  /** Everyone inside hears that the room looks different now, and who came or went. */
  async tellRoom(room: string, news: { came?: string; went?: string } = {}): Promise<void> {
    for (const seat of await this.rooms.seats(room)) this.say(seat.id, news);
  }

  private say(seatId: number, what: object): void {
    for (const stream of this.streams.get(seatId) ?? [])
      stream.write(`data: ${JSON.stringify(what)}\n\n`);
  }
}
