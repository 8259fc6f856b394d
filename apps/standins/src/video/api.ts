import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import { problem } from '../problem.js';
import type { Presence } from './presence.js';
import type { Rooms } from './store.js';

const choice = z.enum(['off', 'choice', 'on']);
const wishBody = z.object({
  title: z.string(),
  door: z.url(),
  classRef: z.string(),
  rules: z.object({
    presenters: z.string(),
    arriveMuted: z.boolean(),
    mayUnmute: z.boolean(),
    camera: choice,
    hostCamera: choice,
    sharing: z.enum(['hosts', 'presenters', 'everyone']),
    chat: z.boolean(),
    chime: z.boolean(),
    recording: z.enum(['off', 'by-host', 'from-start']),
  }),
});

const roleBody = z.object({
  visitor: z.string(),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']),
});
const roomOf = (req: Request): string => String(req.params.room);

/** The addresses that another program calls, as docs/protocols/video-room.md has them. */
export function mountApi(app: Express, rooms: Rooms, presence: Presence, secret: string): void {
  const service = (req: Request, res: Response, next: NextFunction): void => {
    if (req.get('authorization') === `Bearer ${secret}`) next();
    else problem(res, 401, 'The secret does not fit.');
  };

  app.put('/api/rooms/:room', service, async (req, res) => {
    const wish = wishBody.safeParse(req.body);
    if (!wish.success) return problem(res, 422, 'the room cannot be made so');
    await rooms.make(roomOf(req), wish.data);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/end', service, async (req, res) => {
    await presence.end(roomOf(req));
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/put-out', service, async (req, res) => {
    const seat = await rooms.seatOf(roomOf(req), String(req.body.visitor));
    if (seat) await presence.putOut(seat, req.body.why === 'left' ? 'left' : 'put-out');
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/role', service, async (req, res) => {
    const { visitor, role } = roleBody.parse(req.body);
    await rooms.setRole(roomOf(req), visitor, role);
    await presence.tellRoom(roomOf(req));
    res.json({ ok: true });
  });
}
