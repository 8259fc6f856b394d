import express, { type Express } from 'express';
import { z } from 'zod';
import { escape, page } from '../page.js';
import { problem } from '../problem.js';
import { mountActions } from './actions.js';
import { mountApi } from './api.js';
import { Doorkeeper } from './doorkeeper.js';
import type { Notices } from './notices.js';
import { powersOf, shown } from './powers.js';
import { mountPhone } from './phone.js';
import type { Presence } from './presence.js';
import { mountRecordings, type Recordings } from './recordings.js';
import { roomPage } from './roomPage.js';
import { withSeat } from './seated.js';
import { simulateStudents } from './simulate.js';
import type { Room, Rooms, Seat } from './store.js';

const plain = (title: string, text: string): string =>
  page({
    title,
    style: 'room.css',
    body: `<main><h1>${escape(title)}</h1><p>${escape(text)}</p></main>`,
  });
const NO_ROOM = plain('No such room', 'Go back through the door.');
const CLOSED = plain('The room is closed', 'Everyone has left. You can close this page.');
const NO_TICKET = plain('Not this way', 'This room is entered through its door.');
const NO_SEAT = plain(
  'You have no seat here',
  'You left, or a host has put you out. Go back through the door.',
);

/** The room's own page, and the ticket that leads to a seat there. */
function mountRoom(app: Express, rooms: Rooms, keeper: Doorkeeper): void {
  app.get('/room/:room', async (req, res) => {
    const room = await rooms.room(String(req.params.room));
    if (!room) return void res.status(404).send(NO_ROOM);
    if (room.ended) return void res.send(CLOSED);
    if (typeof req.query.ticket === 'string') {
      const taken = await keeper.take(room, req.query.ticket);
      if ('why' in taken) return void res.status(403).send(plain('Not this way', taken.why));
      keeper.remember(res, room, taken.token);
      return void res.redirect(303, `/room/${room.room}`);
    }
    const seat = await keeper.seatOf(req);
    if (!seat) return void res.status(403).send(NO_TICKET);
    if (seat.put_out) return void res.status(403).send(NO_SEAT);
    res.send(roomPage(room));
  });
}

/** The room as one of its seats sees it. */
async function stateFor(rooms: Rooms, seat: Seat, { room, wish, recording }: Room) {
  const { rules } = wish;
  const [seats, chat] = await Promise.all([rooms.seats(room), rules.chat ? rooms.chat(room) : []]);
  const sharer = seats.find((s) => s.slide > 0);
  return {
    rules,
    recording: Boolean(recording),
    keepsChat: rules.chat && Boolean(wish.keepChat),
    chat: chat.reverse(),
    shared: sharer ? { by: sharer.name, slide: sharer.slide } : null,
    you: {
      ...shown(seat),
      muted: Boolean(seat.muted),
      slide: seat.slide,
      may: powersOf(seat, rules),
    },
    seats: seats.map(shown),
  };
}

function mountState(app: Express, rooms: Rooms, presence: Presence, keeper: Doorkeeper): void {
  const seated = withSeat(rooms, keeper);
  app.get(
    '/room/:room/state',
    seated(async ({ res, seat, room }) => {
      res.json(await stateFor(rooms, seat, room));
    }),
  );
  app.get(
    '/room/:room/stream',
    seated(async ({ res, seat }) => {
      res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
      res.flushHeaders();
      await presence.connect(seat, res);
      res.write('data: {}\n\n');
    }),
  );
}

const simulateBody = z.object({
  count: z.number().int().min(1).max(60),
  withinMs: z.number().int().min(0).max(60000).default(8000),
});

/** A host sends students of the class, who come by the real door. */
function mountSimulation(app: Express, rooms: Rooms, presence: Presence, keeper: Doorkeeper): void {
  const simulated = new Map<string, Set<string>>();
  const handler = withSeat(
    rooms,
    keeper,
  )(async ({ req, res, seat, room }) => {
    if (seat.role !== 'host') return problem(res, 403, 'Only a host sends students.');
    const { count, withinMs } = simulateBody.parse(req.body);
    const taken = simulated.get(room.room) ?? new Set<string>();
    simulated.set(room.room, taken);
    const seated = (await rooms.seats(room.room)).map((s) => s.name);
    const sent = await simulateStudents(
      room,
      { count, withinMs, taken, seated },
      async (address) => {
        const ticket = new URL(address).searchParams.get('ticket') ?? '';
        const took = await keeper.take(room, ticket);
        if ('seat' in took) await presence.here(took.seat);
      },
    );
    res.json({ sent });
  });
  app.post('/room/:room/simulate', handler);
}

interface Surroundings {
  secret: string;
  publicDir: string;
  devices: string;
  /** What callers dial. */
  phone: string;
  notices: Notices;
  recordings: Recordings;
}

/** A plain video room without video: a list of seats. It speaks docs/protocols/video-room.md. */
export function videoApp(
  rooms: Rooms,
  presence: Presence,
  { secret, publicDir, devices, phone, notices, recordings }: Surroundings,
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(express.json(), express.static(publicDir, { index: false }));
  app.get('/devices.js', (_req, res) => res.sendFile(devices));
  const keeper = new Doorkeeper(rooms, secret, notices.askTicket);
  mountApi(app, rooms, presence, secret);
  mountRecordings(app, { recordings, secret });
  mountRoom(app, rooms, keeper);
  mountState(app, rooms, presence, keeper);
  mountActions(app, rooms, presence, keeper);
  mountSimulation(app, rooms, presence, keeper);
  mountPhone(app, { rooms, presence, keeper, notices, number: phone });
  return app;
}
