import type { Db } from '../db/connect.js';

/** Whether what counts once comes for the first time; `number` has at most 80 characters of ASCII. */
export async function isFirst(db: Db, number: string, at: string): Promise<boolean> {
  const [, isNew] = await db.models.WebhookSeen.findOrCreate({
    where: { id: number },
    defaults: { id: number, at },
  });
  return isNew;
}
