import { Op, Transaction } from 'sequelize';
import type { EntryRules } from '@glen/core';
import type { Account, Person } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';
import type { PersonRow } from '../../db/models/Person.js';

interface AccountRow {
  id: number;
  person_id: number;
  kind: Account['kind'];
  email: string;
  /** Nothing until its owner has set a password. */
  password_hash: string | null;
  name: string;
}

export const accountByEmail = (db: Db, email: string): Promise<AccountRow | undefined> =>
  db.one<AccountRow>(
    'SELECT a.*, p.name FROM accounts a JOIN people p ON p.id = a.person_id WHERE a.email = :email',
    { email },
  );

export const accountById = (db: Db, id: number): Promise<AccountRow | undefined> =>
  db.one<AccountRow>(
    'SELECT a.*, p.name FROM accounts a JOIN people p ON p.id = a.person_id WHERE a.id = :id',
    { id },
  );

export const personById = (db: Db, id: number): Promise<Person | undefined> =>
  db.one<Person>('SELECT id, name, role FROM people WHERE id = :id', { id });

export const accountsOfSession = (db: Db, sessionId: number): Promise<AccountRow[]> =>
  db.rows<AccountRow>(
    `SELECT a.*, p.name FROM browser_session_accounts bsa JOIN accounts a ON a.id = bsa.account_id JOIN people p ON p.id = a.person_id
     WHERE bsa.session_id = :sessionId ORDER BY a.kind, a.email`,
    { sessionId },
  );

export const useAccount = (db: Db, sessionId: number, accountId: number): Promise<number> =>
  db.change(
    `UPDATE browser_sessions bs JOIN browser_session_accounts bsa ON bsa.session_id = bs.id AND bsa.account_id = :accountId
     SET bs.account_id = :accountId WHERE bs.id = :sessionId`,
    { sessionId, accountId },
  );

export async function endSession(db: Db, sessionId: number): Promise<void> {
  await db.change('DELETE FROM browser_sessions WHERE id = :sessionId', { sessionId });
}

export async function addPerson(
  db: Db,
  person: { name: string; role: PersonRow['role']; rules?: Partial<EntryRules> },
): Promise<number> {
  const { id } = await db.models.Person.create({ rules: {}, ...person });
  return id;
}

/** An account; without a password nobody can sign in with it yet. */
export async function addAccount(
  db: Db,
  account: { personId: number; kind: Account['kind']; email: string; passwordHash: string | null },
): Promise<number> {
  const { id } = await db.models.Account.create({
    person_id: account.personId,
    kind: account.kind,
    email: account.email,
    password_hash: account.passwordHash,
  });
  return id;
}

/** Whose address it is, if the school knows it. */
export const personWithAddress = async (db: Db, email: string): Promise<number | undefined> =>
  (await db.models.Account.findOne({ where: { email }, attributes: ['person_id'] }))?.person_id;

/** The account whose password a one-time address sets, while it works; held against others where it is to be used. */
export async function accountOfAddress(
  db: Db,
  { tokenHash, now }: { tokenHash: string; now: string },
  isHeld = false,
): Promise<number | undefined> {
  const address = await db.models.PasswordAddress.findOne({
    where: { token_hash: tokenHash, expires_at: { [Op.gt]: toSql(now) } },
    ...(isHeld ? { lock: Transaction.LOCK.UPDATE } : {}),
  });
  return address?.account_id;
}

/** The account's password; the one-time address that it was set by is dead. */
export async function writePassword(db: Db, accountId: number, hash: string): Promise<void> {
  await db.models.Account.update({ password_hash: hash }, { where: { id: accountId } });
  await db.models.PasswordAddress.destroy({ where: { account_id: accountId } });
}
