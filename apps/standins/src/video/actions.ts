import type { Express } from 'express';
import { z } from 'zod';
import { problem } from '../problem.js';
import type { Doorkeeper } from './doorkeeper.js';
import { powersOf, type Powers } from './powers.js';
import type { Presence } from './presence.js';
import { SLIDES } from './roomPage.js';
import { withSeat } from './seated.js';
import type { Room, Rooms, Seat } from './store.js';

/** Something that a person does in their seat. */
interface Action<T> {
  body: z.ZodType<T>;
  may: (powers: Powers) => boolean;
  /** What those are told who may not. */
  refusal: string;
  work: (rooms: Rooms, seat: Seat, body: T, room: Room) => Promise<unknown>;
}

const action = <T>(parts: Action<T>): Action<T> => parts;
const on = z.object({ on: z.literal(true) });
const off = z.object({ on: z.literal(false) });

const ACTIONS = {
  speak: action({
    body: on,
    may: (p) => p.speak,
    refusal: 'The host keeps microphones off.',
    work: async (rooms, seat) => {
      await rooms.set(seat.id, 'mic', true);
      await rooms.set(seat.id, 'muted', false);
    },
  }),
  hush: action({
    body: off,
    may: () => true,
    refusal: '',
    work: async (rooms, seat) => {
      await rooms.set(seat.id, 'mic', false);
      await rooms.set(seat.id, 'muted', true);
    },
  }),
  look: action({
    body: on,
    may: (p) => p.camera,
    refusal: 'Cameras are off in this room.',
    work: (rooms, seat) => rooms.set(seat.id, 'camera', true),
  }),
  hide: action({
    body: off,
    may: () => true,
    refusal: '',
    work: (rooms, seat) => rooms.set(seat.id, 'camera', false),
  }),
  floor: action({
    body: z.object({ taken: z.boolean() }),
    may: (p) => p.present,
    refusal: 'Only presenters take the floor here.',
    work: (rooms, seat, { taken }, room) => rooms.notePresenter(room.room, taken ? seat.id : null),
  }),
  share: action({
    body: z.object({ slide: z.number().int().min(0).max(SLIDES.length) }),
    may: (p) => p.share,
    refusal: 'You may not share a slide here.',
    work: (rooms, seat, { slide }, room) => rooms.share(room.room, seat.id, slide),
  }),
  chat: action({
    body: z.object({ text: z.string().trim().min(1).max(2000) }),
    may: (p) => p.chat,
    refusal: 'Chat is off in this room.',
    work: (rooms, seat, { text }, room) => rooms.say(room.room, seat.name, text),
  }),
  record: action({
    body: z.object({ on: z.boolean() }),
    may: (p) => p.record,
    refusal: 'Only a host starts a recording, where the school allows it.',
    work: (rooms, _seat, body, room) => rooms.setRecording(room.room, body.on),
  }),
};

/** What people do in their seats: allowed by the rules, done, shown to all. */
export function mountActions(
  app: Express,
  rooms: Rooms,
  presence: Presence,
  keeper: Doorkeeper,
): void {
  const seated = withSeat(rooms, keeper);
  // Of their own will; a new way in is had at the door.
  app.post(
    '/room/:room/leave',
    seated(async ({ res, seat }) => {
      await presence.putOut(seat, 'left');
      res.json({ ok: true });
    }),
  );
  const mount = <T>(path: string, { body, may, refusal, work }: Action<T>): void => {
    const handler = seated(async ({ req, res, seat, room }) => {
      const read = body.safeParse(req.body);
      if (!read.success) return problem(res, 422, 'That cannot be read.');
      if (!may(powersOf(seat, room.wish.rules))) return problem(res, 403, refusal);
      await work(rooms, seat, read.data, room);
      await presence.followRecording(room.room);
      await presence.tellRoom(room.room);
      res.json({ ok: true });
    });
    app.post(`/room/:room/${path}`, handler);
  };
  for (const [path, parts] of Object.entries(ACTIONS)) mount(path, parts as Action<unknown>);
}
