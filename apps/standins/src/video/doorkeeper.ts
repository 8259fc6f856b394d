import { createHash, randomBytes } from 'node:crypto';
import { parseCookie } from 'cookie';
import type { Request, Response } from 'express';
import { jwtVerify } from 'jose';
import { z } from 'zod';
import type { Room, Rooms, Seat } from './store.js';

const ticketClaims = z.object({
  room: z.string(),
  name: z.string(),
  role: z.enum(['host', 'presenter', 'participant', 'watcher']),
  shares: z.boolean().default(false),
  sub: z.string(),
  jti: z.string(),
});
type Claims = z.infer<typeof ticketClaims>;

const hash = (token: string): string => createHash('sha256').update(token).digest('hex');
const cookieOf = (room: string): string => `seat_${room}`;

/** Whether a ticket is still good; nothing where Glen does not answer. */
type AskGlen = (ticket: {
  room: string;
  visitor: string;
  ticket: string;
}) => Promise<boolean | null>;

/** Lets people to their seats by tickets that were signed with the shared secret. */
export class Doorkeeper {
  private readonly key: Uint8Array;
  constructor(
    private readonly rooms: Rooms,
    secret: string,
    private readonly askGlen: AskGlen,
  ) {
    this.key = new TextEncoder().encode(secret);
  }

  /** What a ticket says; null where it is not signed, not for this room service, or past its time. */
  private async read(ticket: string): Promise<Claims | null> {
    try {
      const { payload } = await jwtVerify(ticket, this.key, {
        issuer: 'glen',
        audience: 'room',
        algorithms: ['HS256'],
      });
      return ticketClaims.parse(payload);
    } catch {
      return null;
    }
  }

  /** Takes a ticket: signed, for this room, not past its time, not used before. Gives the seat's token, or why not. */
  async take(room: Room, ticket: string): Promise<{ token: string; seat: Seat } | { why: string }> {
    const claims = await this.read(ticket);
    if (!claims) return { why: 'This ticket is not good any more. Go back through the door.' };
    if (claims.room !== room.room) return { why: 'This ticket is for another room.' };
    if (!(await this.rooms.useTicket(claims.jti)))
      return { why: 'This ticket has been used. Go back through the door.' };
    const isGood = await this.askGlen({ room: room.room, visitor: claims.sub, ticket: claims.jti });
    if (isGood === null)
      return { why: 'The door cannot be asked just now. Go back through it in a moment.' };
    if (!isGood) return { why: 'This ticket is not good any more. Go back through the door.' };
    const token = randomBytes(24).toString('base64url');
    await this.rooms.sit({
      room: room.room,
      visitor: claims.sub,
      name: claims.name,
      role: claims.role,
      shares: claims.shares,
      tokenHash: hash(token),
      muted: claims.role !== 'host' && room.wish.rules.arriveMuted,
    });
    return { token, seat: (await this.rooms.seatByToken(hash(token)))! };
  }

  /** Remembers a seat in the browser that took it. */
  remember(res: Response, room: Room, token: string): void {
    res.cookie(cookieOf(room.room), token, {
      httpOnly: true,
      sameSite: 'lax',
      path: `/room/${room.room}`,
    });
  }

  /** The seat of whoever asks, in the room they ask about. */
  async seatOf(req: Request): Promise<Seat | undefined> {
    const room = String(req.params.room);
    const token = parseCookie(req.headers.cookie ?? '')[cookieOf(room)];
    const seat = token ? await this.rooms.seatByToken(hash(token)) : undefined;
    return seat?.room === room ? seat : undefined;
  }
}
