import type { Request, Response } from 'express';
import { problem } from '../problem.js';
import type { Doorkeeper } from './doorkeeper.js';
import type { Room, Rooms, Seat } from './store.js';

/** Somebody in their seat, asking for something. */
interface Seated {
  req: Request;
  res: Response;
  seat: Seat;
  room: Room;
}

/** Lets only those on who have a seat in a room that is still open. */
export const withSeat =
  (rooms: Rooms, keeper: Doorkeeper) =>
  (handler: (asking: Seated) => Promise<void>) =>
  async (req: Request, res: Response): Promise<void> => {
    const [seat, room] = await Promise.all([
      keeper.seatOf(req),
      rooms.room(String(req.params.room)),
    ]);
    if (!seat || !room || seat.put_out) return problem(res, 403, seat?.gone_as ?? 'put-out');
    if (room.ended) return problem(res, 410, 'ended');
    await handler({ req, res, seat, room });
  };
