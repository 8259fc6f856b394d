import { randomUUID } from 'node:crypto';
import type { Express, Request, Response } from 'express';
import { z } from 'zod';
import { escape, page } from '../page.js';
import { problem } from '../problem.js';
import type { Doorkeeper } from './doorkeeper.js';
import type { Notices } from './notices.js';
import { powersOf } from './powers.js';
import type { Presence } from './presence.js';
import type { Rooms, Seat } from './store.js';

/** How often the door is asked again for a caller who waits on the line. */
const ASK_MS = 2000;
const pause = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ASK_MS).unref();
  });
/** How often it is told that somebody has hung up, where nobody hears it. */
const MOST_TELLS = 30;
/** Pins that lead nowhere until the line is cut. */
const MOST_TRIES = 3;

const answerBody = z.object({
  say: z.string(),
  goes: z.enum(['in', 'waits', 'again', 'over']),
  go: z.string().nullable(),
});
type Answer = z.infer<typeof answerBody>;

/** Somebody on the telephone. The line is their page's stream: as it breaks off, they have hung up. */
interface Call {
  id: string;
  from: string | null;
  pin: string;
  tries: number;
  seat: Seat | null;
}

const callBody = z.object({
  from: z.string().trim().max(40),
  pin: z.string().trim().min(1).max(40),
});
const pinBody = callBody.pick({ pin: true });
const micBody = z.object({ on: z.boolean() });

const LATER: Answer = { say: 'One moment, please.', goes: 'waits', go: null };
const CUT: Answer = { say: 'That was the third time. Goodbye.', goes: 'over', go: null };

const phonePage = (number: string): string =>
  page({
    title: 'A telephone',
    style: 'room.css',
    script: 'phone.js',
    body: `<main>
  <h1>A telephone</h1>
  <p>What somebody has who calls <b>${escape(number)}</b>. No sound goes anywhere.</p>
  <form id="dial">
    <p><label>Your number <input id="from" inputmode="tel" maxlength="40" autocomplete="off"></label> <span class="small">Blank: withheld.</span></p>
    <p><label>Pin <input id="pin" inputmode="tel" maxlength="40" required autocomplete="off"></label></p>
    <p><button id="call">Call</button></p>
  </form>
  <section id="line" hidden>
    <p id="heard" role="status"></p>
    <p><button id="mic" type="button" hidden></button> <button id="hang-up" type="button">Hang up</button></p>
  </section>
</main>`,
  });

/** Telephones into rooms: the service asks Glen what callers hear, and seats whoever may come in. */
class Telephone {
  private readonly calls = new Map<string, Call>();

  constructor(
    private readonly rooms: Rooms,
    private readonly presence: Presence,
    private readonly keeper: Doorkeeper,
    private readonly notices: Notices,
  ) {}

  begin({ from, pin }: z.infer<typeof callBody>): string {
    const call = { id: randomUUID(), from: from || null, pin, tries: 0, seat: null };
    this.calls.set(call.id, call);
    return call.id;
  }

  callOf(req: Request): Call | undefined {
    return this.calls.get(String(req.params.call));
  }

  /** What Glen has the caller hear; a moment's patience where it does not answer. */
  private async ask({ id, from, pin }: Call, isOver = false): Promise<Answer> {
    const response = await this.notices.ask('call', { call: id, from, pin, isOver });
    return response?.ok ? answerBody.parse(await response.json()) : LATER;
  }

  /** Stays on the line until the caller is in, is told to hang up, is to key in another pin, or hangs up. */
  async hold(call: Call, line: Response): Promise<void> {
    const isOpen = (): boolean => !line.closed;
    while (isOpen()) {
      const answer = await this.next(call);
      if (!isOpen()) break;
      if (answer.goes === 'in') return this.seat(call, answer, line);
      this.say(answer, line);
      if (answer.goes === 'over') this.calls.delete(call.id);
      if (answer.goes !== 'waits') return void line.end();
      await pause();
    }
    this.calls.delete(call.id);
    await this.tellHungUp(call);
  }

  private say({ say, goes }: Answer, line: Response): void {
    line.write(`data: ${JSON.stringify({ say, goes })}\n\n`);
  }

  /** Said again where Glen does not answer, for a while: else the caller is seen waiting on. */
  private async tellHungUp(call: Call): Promise<void> {
    for (let i = 0; i < MOST_TELLS; i++) {
      if ((await this.ask(call, true)).goes === 'over') return;
      await pause();
    }
  }

  private async next(call: Call): Promise<Answer> {
    const answer = await this.ask(call);
    if (answer.goes !== 'again') return answer;
    call.tries++;
    return call.tries < MOST_TRIES ? answer : CUT;
  }

  /** Seats the caller, and only then tells them so: they may speak from the next moment on. */
  private async seat(call: Call, answer: Answer, line: Response): Promise<void> {
    const address = new URL(answer.go!);
    const room = await this.rooms.room(address.pathname.split('/').at(-1)!);
    const ticket = address.searchParams.get('ticket') ?? '';
    const taken = room && (await this.keeper.take(room, ticket));
    if (!room || !taken || 'why' in taken) return void line.end();
    call.seat = taken.seat;
    line.on('close', () => this.calls.delete(call.id));
    if (!taken.seat.muted) await this.rooms.set(taken.seat.id, 'mic', true);
    this.say(answer, line);
    await this.presence.connect(taken.seat, line);
  }

  /** Whether the caller's microphone is on now; nothing where they may not speak. */
  async speak({ seat }: Call, on: boolean): Promise<boolean | null> {
    const room = seat && (await this.rooms.room(seat.room));
    if (!seat || !room || (on && !powersOf(seat, room.wish.rules).speak)) return null;
    await this.rooms.set(seat.id, 'mic', on);
    await this.rooms.set(seat.id, 'muted', !on);
    await this.presence.tellRoom(seat.room);
    return on;
  }

  /** Whether somebody on the line can be heard. */
  async isHeard({ seat }: Call): Promise<boolean> {
    const own = seat && (await this.rooms.seatOf(seat.room, seat.visitor));
    return Boolean(own?.mic);
  }
}

interface Parts {
  rooms: Rooms;
  presence: Presence;
  keeper: Doorkeeper;
  notices: Notices;
  number: string;
}

/** A telephone to try the way in by: dial, key in a pin, wait, speak, hang up. */
export function mountPhone(app: Express, { number, ...parts }: Parts): void {
  const telephone = new Telephone(parts.rooms, parts.presence, parts.keeper, parts.notices);
  const onLine =
    (handler: (call: Call, req: Request, res: Response) => Promise<unknown>) =>
    async (req: Request, res: Response): Promise<void> => {
      const call = telephone.callOf(req);
      if (!call) return problem(res, 404, 'This line is dead.');
      await handler(call, req, res);
    };
  app.get('/phone', (_req, res) => void res.send(phonePage(number)));
  app.post('/phone/calls', (req, res) => {
    const read = callBody.safeParse(req.body);
    if (!read.success) return problem(res, 422, 'Key in a pin.');
    res.json({ call: telephone.begin(read.data) });
  });
  app.post(
    '/phone/calls/:call/pin',
    onLine(async (call, req, res) => {
      const read = pinBody.safeParse(req.body);
      if (!read.success) return problem(res, 422, 'Key in a pin.');
      call.pin = read.data.pin;
      res.json({ ok: true });
    }),
  );
  app.get(
    '/phone/calls/:call/stream',
    onLine(async (call, _req, res) => {
      res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
      res.flushHeaders();
      await telephone.hold(call, res);
    }),
  );
  app.get(
    '/phone/calls/:call/mic',
    onLine(async (call, _req, res) => res.json({ on: await telephone.isHeard(call) })),
  );
  app.post(
    '/phone/calls/:call/mic',
    onLine(async (call, req, res) => {
      const on = await telephone.speak(call, micBody.parse(req.body).on);
      if (on === null) return problem(res, 403, 'The host keeps microphones off.');
      res.json({ on });
    }),
  );
}
