import type { Db } from '../../db/connect.js';
import type { AccountRow } from '../../db/models/Account.js';
import type { PasskeyRow } from '../../db/models/Passkey.js';

export const passkeysOf = (db: Db, accountIds: number[]): Promise<PasskeyRow[]> =>
  db.models.Passkey.findAll({ where: { account_id: accountIds }, order: [['id', 'ASC']] });

/** The passkey that a browser brings, held against others, and whose account it is; nobody's who is retired. */
export async function passkeyWith(
  db: Db,
  credentialId: string,
): Promise<{ passkey: PasskeyRow; account: AccountRow } | null> {
  const passkey = await db.models.Passkey.findOne({
    where: { credential_id: credentialId },
    lock: true,
  });
  if (!passkey) return null;
  const account = await db.models.Account.findByPk(passkey.account_id, { include: ['person'] });
  return account?.person?.retired_at === null ? { passkey, account } : null;
}

export const passkeyById = (db: Db, id: number): Promise<PasskeyRow | null> =>
  db.models.Passkey.findByPk(id, { include: ['account'] });

interface NewPasskey {
  accountId: number;
  name: string;
  credentialId: string;
  handle: string;
  publicKey: string;
  counter: number;
  transports: string[];
  isShared: boolean;
  now: string;
}

export async function insertPasskey(db: Db, passkey: NewPasskey): Promise<void> {
  const { accountId, name, credentialId, handle, publicKey, counter, transports } = passkey;
  await db.models.Passkey.create({
    account_id: accountId,
    name,
    credential_id: credentialId,
    user_handle: handle,
    public_key: publicKey,
    counter,
    transports,
    is_shared: passkey.isShared,
    added_at: passkey.now,
  });
}

export async function noteUsed(
  db: Db,
  id: number,
  { counter, now }: { counter: number; now: string },
): Promise<void> {
  await db.models.Passkey.update({ counter, used_at: now }, { where: { id } });
}

export async function namePasskey(db: Db, id: number, name: string): Promise<void> {
  await db.models.Passkey.update({ name }, { where: { id } });
}

export async function deletePasskey(db: Db, id: number): Promise<void> {
  await db.models.Passkey.destroy({ where: { id } });
}

/** Whoever holds a browser's session has just used a passkey of the account in use. */
export async function noteConfirmed(db: Db, sessionId: number, now: string): Promise<void> {
  await db.models.BrowserSession.update({ confirmed_at: now }, { where: { id: sessionId } });
}
