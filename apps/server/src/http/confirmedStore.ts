import type { Db } from '../db/connect.js';

/** Whether the school has what changes everybody ask for a passkey. */
export async function schoolAsksPasskey(db: Db): Promise<boolean> {
  const school = await db.models.School.findByPk(1, { attributes: ['id', 'asks_passkey'] });
  return Boolean(school?.asks_passkey);
}

/** When whoever holds a browser's session last showed a passkey of the account in use. */
export async function confirmedAt(db: Db, sessionId: number): Promise<string | null> {
  const attributes = ['id', 'confirmed_at'];
  return (await db.models.BrowserSession.findByPk(sessionId, { attributes }))?.confirmed_at ?? null;
}
