import type { Account, Person } from '@glen/contract';
import type { Db } from '../../db/connect.js';

interface AccountRow {
  id: number;
  person_id: number;
  kind: Account['kind'];
  email: string;
  password_hash: string;
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
  person: { name: string; role: string; rules?: unknown },
): Promise<number> {
  return db.insert('people', {
    name: person.name,
    role: person.role,
    rules: JSON.stringify(person.rules ?? {}),
  });
}

export async function addAccount(
  db: Db,
  account: { personId: number; kind: Account['kind']; email: string; passwordHash: string },
): Promise<number> {
  return db.insert('accounts', {
    person_id: account.personId,
    kind: account.kind,
    email: account.email,
    password_hash: account.passwordHash,
  });
}
