import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** Keeps somebody out of a sitting by all that they are known by. */
export async function keepOut(db: Db, sittingId: number, keys: string[]): Promise<void> {
  await db.models.KeptOut.bulkCreate(
    keys.map((who) => ({ sitting_id: sittingId, who })),
    { ignoreDuplicates: true },
  );
}

/** Keeps them out no longer. */
export async function letBackIn(db: Db, sittingId: number, keys: string[]): Promise<void> {
  await db.models.KeptOut.destroy({ where: { sitting_id: sittingId, who: keys } });
}

/** Whether one of these is kept out of a sitting. */
export const isKeptOut = async (db: Db, sittingId: number, keys: string[]): Promise<boolean> =>
  (await db.models.KeptOut.count({ where: { sitting_id: sittingId, who: keys } })) > 0;

interface Ticket {
  visitorId: number;
  room: string;
  hash: string;
  now: string;
}

/** Takes a ticket once: whether it was good. Within a transaction. */
export async function takeTicket(db: Db, { visitorId, room, hash, now }: Ticket): Promise<boolean> {
  const visitor = await db.models.Visitor.findOne({
    where: { id: visitorId, ticket: hash, state: 'let-in', ticket_until: { [Op.gt]: now } },
    include: [{ association: 'sitting', where: { room, ended_at: null } }],
    lock: true,
  });
  if (!visitor) return false;
  await visitor.update({ ticket: null });
  return true;
}

/** Ways in to a sitting that have not been used let nobody in any more. */
export async function dropTickets(db: Db, sittingId: number): Promise<void> {
  await db.models.Visitor.update({ ticket: null }, { where: { sitting_id: sittingId } });
}
