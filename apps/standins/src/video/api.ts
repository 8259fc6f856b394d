import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import { problem } from '../problem.js';
import type { Presence } from './presence.js';
import type { Rooms } from './store.js';

const choice = z.enum(['off', 'choice', 'on']);
const rulesBody = z.object({
  presenters: z.string(),
  arriveMuted: z.boolean(),
  mayUnmute: z.boolean(),
  camera: choice,
  hostCamera: choice,
  sharing: z.enum(['hosts', 'presenters', 'everyone']),
  chat: z.boolean(),
  chime: z.boolean(),
  recording: z.enum(['off', 'by-host', 'from-start']),
});
const wishBody = z.object({
  title: z.string(),
  door: z.url(),
  classRef: z.string(),
  keepChat: z.boolean().default(false),
  rules: rulesBody,
});
const muteBody = z.object({ visitor: z.string().optional() });
const sayBody = z.object({ visitor: z.string(), text: z.string().min(1).max(500) });
const shareBody = z.object({ visitor: z.string(), may: z.boolean() });

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
  app.put('/api/rooms/:room/rules', service, async (req, res) => {
    const rules = rulesBody.safeParse(req.body);
    const room = await rooms.room(roomOf(req));
    if (!rules.success || !room) return problem(res, 422, 'the room cannot be made so');
    await presence.holdRules(room, rules.data);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/mute', service, async (req, res) => {
    await presence.mute(roomOf(req), muteBody.parse(req.body).visitor);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/let-share', service, async (req, res) => {
    const { visitor, may } = shareBody.parse(req.body);
    const seat = await rooms.seatOf(roomOf(req), visitor);
    if (seat) await presence.letShare(seat, may);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/say', service, async (req, res) => {
    const { visitor, text } = sayBody.parse(req.body);
    const seat = await rooms.seatOf(roomOf(req), visitor);
    if (seat) presence.sayTo(seat, text);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/role', service, async (req, res) => {
    const { visitor, role } = roleBody.parse(req.body);
    await rooms.setRole(roomOf(req), visitor, role);
    await presence.holdAgain(roomOf(req));
    res.json({ ok: true });
  });
}
