import type { Response } from 'express';
import type { Notices } from './notices.js';
import type { Recordings } from './recordings.js';
import { powersOf } from './powers.js';
import type { Room, Rooms, Rules, Seat } from './store.js';

/** A reload takes a moment; somebody counts as gone only after it. */
const GONE_AFTER_MS = 1500;

/** Who is connected to which room, and telling everyone inside when anything changes. */
export class Presence {
  private readonly streams = new Map<number, Set<Response>>();
  private readonly leaving = new Map<number, NodeJS.Timeout>();

  constructor(
    private readonly rooms: Rooms,
    private readonly notices: Notices,
    private readonly recordings: Recordings,
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
    // Told before it is noted: whoever is stopped in between tells it once more, and nothing is lost.
    const isNew = !(await this.rooms.isHere(seat.id));
    if (isNew) await this.notices.tell({ room: seat.room, type: 'arrived', visitor: seat.visitor });
    await this.rooms.set(seat.id, 'here', true);
    await this.recordings.follow(seat.room);
    await this.tellRoom(seat.room, isNew ? { came: seat.name } : {});
  }

  async gone(seat: Seat): Promise<void> {
    const left = await this.rooms.isHere(seat.id);
    if (left) {
      await this.notices.tell({ room: seat.room, type: 'left', visitor: seat.visitor });
      await this.rooms.set(seat.id, 'here', false);
      for (const field of ['presenting', 'mic', 'camera'] as const)
        await this.rooms.set(seat.id, field, false);
    }
    await this.tellRoom(seat.room, left ? { went: seat.name } : {});
  }

  /** Takes a seat away: put out by a host, or gone after handing over. */
  async putOut(seat: Seat, why: 'put-out' | 'left'): Promise<void> {
    await this.rooms.takeAway(seat.id, why);
    this.say(seat.id, { over: why });
    await this.gone(seat);
  }

  /** Switches off the microphone of one seat, or of all but the hosts'; who may speak may switch it on again. */
  async mute(room: string, visitor?: string): Promise<void> {
    for (const seat of await this.rooms.seats(room)) {
      const isMeant = visitor === undefined ? seat.role !== 'host' : seat.visitor === visitor;
      if (isMeant) await this.hush(seat);
    }
    await this.tellRoom(room);
  }

  private async hush(seat: Seat): Promise<void> {
    await this.rooms.set(seat.id, 'mic', false);
    await this.rooms.set(seat.id, 'muted', true);
    this.say(seat.id, { hushed: true });
  }

  /** A word from Glen, on their page alone. */
  sayTo(seat: Seat, text: string): void {
    this.say(seat.id, { word: text });
  }

  async letShare(seat: Seat, may: boolean): Promise<void> {
    await this.rooms.set(seat.id, 'may_share', may);
    await this.holdAgain(seat.room);
  }

  /** The room holds other rules from now on: what they no longer let anybody do stops. */
  async holdRules({ room, wish }: Room, rules: Rules): Promise<void> {
    await this.rooms.make(room, { ...wish, rules });
    if (rules.recording === 'off') await this.rooms.setRecording(room, false);
    await this.recordings.follow(room);
    await this.holdAgain(room);
  }

  /** Nobody goes on with what they may do no longer. */
  async holdAgain(room: string): Promise<void> {
    const held = await this.rooms.room(room);
    if (!held) return;
    for (const seat of await this.rooms.seats(room)) {
      const may = powersOf(seat, held.wish.rules);
      if (!may.speak && seat.mic) await this.hush(seat);
      if (!may.camera) await this.rooms.set(seat.id, 'camera', false);
      if (!may.present) await this.rooms.set(seat.id, 'presenting', false);
      if (!may.share && seat.slide > 0) await this.rooms.share(room, seat.id, 0);
    }
    await this.tellRoom(room);
  }

  async end(room: string): Promise<void> {
    if ((await this.rooms.end(room)) === 0) return;
    await this.recordings.follow(room);
    for (const seat of await this.rooms.seats(room)) {
      this.say(seat.id, { over: 'ended' });
      await this.gone(seat);
    }
  }

  /** Begins or ends the room's recording, as it has been switched. */
  followRecording(room: string): Promise<void> {
    return this.recordings.follow(room);
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
