import { createHash, randomBytes } from 'node:crypto';
import { parseCookie } from 'cookie';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { jwtVerify } from 'jose';
import { z } from 'zod';
import { escape, page } from '../page.js';
import type { Presence } from './presence.js';
import { simulateStudents } from './simulate.js';
import { powersOf, shown, type Powers } from './powers.js';
import { SLIDES, roomPage } from './roomPage.js';
import type { Room, Rooms, Seat } from './store.js';

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
const ticketClaims = z.object({
  room: z.string(),
  name: z.string(),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']),
  sub: z.string(),
  jti: z.string(),
});

const hash = (token: string): string => createHash('sha256').update(token).digest('hex');
const problem = (res: Response, status: number, title: string): void => {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status }));
};
const plain = (title: string, text: string): string =>
  page({
    title,
    style: 'room.css',
    body: `<main><h1>${escape(title)}</h1><p>${escape(text)}</p></main>`,
  });
const cookieOf = (room: string): string => `seat_${room}`;

/** A plain video room without video: a list of seats. It speaks docs/protocols/video-room.md. */
export function videoApp(
  rooms: Rooms,
  presence: Presence,
  secret: string,
  publicDir: string,
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(express.json(), express.static(publicDir, { index: false }));
  const key = new TextEncoder().encode(secret);
  const simulated = new Map<string, Set<string>>();

  const service = (req: Request, res: Response, next: NextFunction): void => {
    if (req.get('authorization') !== `Bearer ${secret}`)
      return problem(res, 401, 'The secret does not fit.');
    next();
  };

  app.put('/api/rooms/:room', service, async (req, res) => {
    const wish = wishBody.safeParse(req.body);
    if (!wish.success) return problem(res, 422, 'the room cannot be made so');
    await rooms.make(String(req.params.room), wish.data);
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/end', service, async (req, res) => {
    await presence.end(String(req.params.room));
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/put-out', service, async (req, res) => {
    const seat = await rooms.seatOf(String(req.params.room), String(req.body.visitor));
    if (seat) await presence.putOut(seat, req.body.why === 'left' ? 'left' : 'put-out');
    res.json({ ok: true });
  });
  app.post('/api/rooms/:room/role', service, async (req, res) => {
    const { visitor, role } = z
      .object({
        visitor: z.string(),
        role: z.enum(['host', 'presenter', 'participant', 'watcher']),
      })
      .parse(req.body);
    await rooms.setRole(String(req.params.room), visitor, role);
    await presence.tellRoom(String(req.params.room));
    res.json({ ok: true });
  });

  /** Takes a ticket: signed, for this room, not past its time, not used before. Gives the seat's token, or why not. */
  async function takeTicket(
    room: Room,
    ticket: string,
  ): Promise<{ token: string; seat: Seat } | { why: string }> {
    let claims: z.infer<typeof ticketClaims>;
    try {
      const { payload } = await jwtVerify(ticket, key, {
        issuer: 'glen',
        audience: 'room',
        algorithms: ['HS256'],
      });
      claims = ticketClaims.parse(payload);
    } catch {
      return { why: 'This ticket is not good any more. Go back through the door.' };
    }
    if (claims.room !== room.room) return { why: 'This ticket is for another room.' };
    if (!(await rooms.useTicket(claims.jti)))
      return { why: 'This ticket has been used. Go back through the door.' };
    const token = randomBytes(24).toString('base64url');
    const host = claims.role === 'host';
    await rooms.sit({
      room: room.room,
      visitor: claims.sub,
      name: claims.name,
      role: claims.role,
      tokenHash: hash(token),
      muted: host ? false : room.wish.rules.arriveMuted,
    });
    return { token, seat: (await rooms.seatByToken(hash(token)))! };
  }

  async function seatFor(req: Request): Promise<Seat | undefined> {
    const room = String(req.params.room);
    const token = parseCookie(req.headers.cookie ?? '')[cookieOf(room)];
    const seat = token ? await rooms.seatByToken(hash(token)) : undefined;
    return seat?.room === room ? seat : undefined;
  }

  app.get('/room/:room', async (req, res) => {
    const room = await rooms.room(String(req.params.room));
    if (!room) return void res.status(404).send(plain('No such room', 'Go back through the door.'));
    if (room.ended)
      return void res.send(
        plain('The room is closed', 'Everyone has left. You can close this page.'),
      );
    if (typeof req.query.ticket === 'string') {
      const taken = await takeTicket(room, req.query.ticket);
      if ('why' in taken) return void res.status(403).send(plain('Not this way', taken.why));
      res.cookie(cookieOf(room.room), taken.token, {
        httpOnly: true,
        sameSite: 'lax',
        path: `/room/${room.room}`,
      });
      return void res.redirect(303, `/room/${room.room}`);
    }
    const seat = await seatFor(req);
    if (!seat)
      return void res
        .status(403)
        .send(plain('Not this way', 'This room is entered through its door.'));
    if (seat.put_out)
      return void res
        .status(403)
        .send(
          plain(
            'You have no seat here',
            'You left, or a host has put you out. Go back through the door.',
          ),
        );
    res.send(roomPage(room));
  });

  const withSeat =
    (handler: (req: Request, res: Response, seat: Seat, room: Room) => Promise<void>) =>
    async (req: Request, res: Response): Promise<void> => {
      const [seat, room] = await Promise.all([seatFor(req), rooms.room(String(req.params.room))]);
      if (!seat || !room || seat.put_out) return problem(res, 403, seat?.gone_as ?? 'put-out');
      if (room.ended) return problem(res, 410, 'ended');
      await handler(req, res, seat, room);
    };
  app.get(
    '/room/:room/state',
    withSeat(async (_req, res, seat, room) => {
      const { rules } = room.wish;
      const [seats, chat] = await Promise.all([
        rooms.seats(room.room),
        rules.chat ? rooms.chat(room.room) : [],
      ]);
      const sharer = seats.find((s) => s.slide > 0);
      res.json({
        rules,
        recording: Boolean(room.recording),
        chat: chat.reverse(),
        shared: sharer ? { by: sharer.name, slide: sharer.slide } : null,
        you: {
          ...shown(seat),
          muted: Boolean(seat.muted),
          slide: seat.slide,
          may: powersOf(seat, rules),
        },
        seats: seats.map(shown),
      });
    }),
  );
  app.get(
    '/room/:room/stream',
    withSeat(async (_req, res, seat) => {
      res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
      res.flushHeaders();
      await presence.connect(seat, res);
      res.write('data: {}\n\n');
    }),
  );
  /** Something that a person does in their seat: allowed by the rules, done, shown to all. */
  const act = <T extends z.ZodType>(
    path: string,
    body: T,
    may: (powers: Powers) => boolean,
    refusal: string,
    work: (seat: Seat, body: z.infer<T>, room: Room) => Promise<unknown>,
  ): void => {
    app.post(
      `/room/:room/${path}`,
      withSeat(async (req, res, seat, room) => {
        const read = body.safeParse(req.body);
        if (!read.success) return problem(res, 422, 'That cannot be read.');
        if (!may(powersOf(seat, room.wish.rules))) return problem(res, 403, refusal);
        await work(seat, read.data, room);
        await presence.tellRoom(room.room);
        res.json({ ok: true });
      }),
    );
  };
  const on = z.object({ on: z.literal(true) });
  const off = z.object({ on: z.literal(false) });
  act(
    'speak',
    on,
    (p) => p.speak,
    'The host keeps microphones off.',
    async (seat) => {
      await rooms.set(seat.id, 'mic', true);
      await rooms.set(seat.id, 'muted', false);
    },
  );
  act(
    'hush',
    off,
    () => true,
    '',
    async (seat) => {
      await rooms.set(seat.id, 'mic', false);
      await rooms.set(seat.id, 'muted', true);
    },
  );
  act(
    'look',
    on,
    (p) => p.camera,
    'Cameras are off in this room.',
    (seat) => rooms.set(seat.id, 'camera', true),
  );
  act(
    'hide',
    off,
    () => true,
    '',
    (seat) => rooms.set(seat.id, 'camera', false),
  );
  act(
    'present',
    z.object({ presenting: z.boolean() }),
    (p) => p.present,
    'Only presenters present here.',
    (seat, { presenting }, room) => rooms.notePresenter(room.room, presenting ? seat.id : null),
  );
  act(
    'share',
    z.object({ slide: z.number().int().min(0).max(SLIDES.length) }),
    (p) => p.share,
    'You may not share a slide here.',
    (seat, { slide }, room) => rooms.share(room.room, seat.id, slide),
  );
  act(
    'chat',
    z.object({ text: z.string().trim().min(1).max(2000) }),
    (p) => p.chat,
    'Chat is off in this room.',
    (seat, { text }, room) => rooms.say(room.room, seat.name, text),
  );
  act(
    'record',
    z.object({ on: z.boolean() }),
    (p) => p.record,
    'Only a host starts a recording, where the school allows it.',
    (_seat, body, room) => rooms.setRecording(room.room, body.on),
  );
  app.post(
    '/room/:room/simulate',
    withSeat(async (req, res, seat, room) => {
      if (seat.role !== 'host') return problem(res, 403, 'Only a host sends students.');
      const { count, withinMs } = z
        .object({
          count: z.number().int().min(1).max(60),
          withinMs: z.number().int().min(0).max(60000).default(8000),
        })
        .parse(req.body);
      const taken = simulated.get(room.room) ?? new Set<string>();
      simulated.set(room.room, taken);
      const sent = await simulateStudents(
        room,
        count,
        withinMs,
        taken,
        (await rooms.seats(room.room)).map((s) => s.name),
        async (address) => {
          const took = await takeTicket(room, new URL(address).searchParams.get('ticket') ?? '');
          if ('seat' in took) await presence.here(took.seat);
        },
      );
      res.json({ sent });
    }),
  );
  return app;
}
