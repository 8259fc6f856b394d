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

/** Takes a ticket once: whether it was good. Nothing is held meanwhile: of two who bring the same one changes the row. */
export async function takeTicket(db: Db, { visitorId, room, hash, now }: Ticket): Promise<boolean> {
  const good = {
    id: visitorId,
    ticket: hash,
    state: 'let-in' as const,
    ticket_until: { [Op.gt]: now },
  };
  const isForRoom = await db.models.Visitor.count({
    where: good,
    include: [{ association: 'sitting', where: { room, ended_at: null } }],
  });
  if (isForRoom === 0) return false;
  const [taken] = await db.models.Visitor.update({ ticket: null }, { where: good });
  return taken > 0;
}

/** Ways in to a sitting that have not been used let nobody in any more. */
export async function dropTickets(db: Db, sittingId: number): Promise<void> {
  await db.models.Visitor.update(
    { ticket: null, ticket_until: null },
    { where: { sitting_id: sittingId } },
  );
}
