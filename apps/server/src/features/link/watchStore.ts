import type { Db } from '../../db/connect.js';

/** The code of the link that a code to watch at is for. */
export const watchedLink = async (db: Db, watchCode: string): Promise<string | undefined> =>
  (await db.models.WatchAddress.findOne({ where: { code: watchCode }, include: ['link'] }))?.link
    ?.code;

/** The code at which a link can be watched. */
export const watchCodeOf = async (db: Db, linkId: number): Promise<string | null> =>
  (await db.models.WatchAddress.findByPk(linkId))?.code ?? null;

/** Gives a link a code to watch at; the one before leads nowhere. */
export async function writeWatchCode(
  db: Db,
  linkId: number,
  { code, by }: { code: string; by: number },
): Promise<void> {
  await endWatchCode(db, linkId);
  await db.models.WatchAddress.create({ link_id: linkId, code, made_by: by });
}

export async function endWatchCode(db: Db, linkId: number): Promise<void> {
  await db.models.WatchAddress.destroy({ where: { link_id: linkId } });
}
