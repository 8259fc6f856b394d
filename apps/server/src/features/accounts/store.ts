import { Op, Transaction, literal } from 'sequelize';
import { areStaff, searchWords, type EntryRules, type PersonRole } from '@glen/core';
import type { Account, Person } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';

interface AccountRow {
  id: number;
  person_id: number;
  kind: Account['kind'];
  email: string;
  /** Nothing until its owner has set a password. */
  password_hash: string | null;
  name: string;
}

/** The account that somebody signs in with; none of whoever is retired. */
export const accountByEmail = (db: Db, email: string): Promise<AccountRow | undefined> =>
  db.one<AccountRow>(
    'SELECT a.*, p.name FROM accounts a JOIN people p ON p.id = a.person_id AND p.retired_at IS NULL WHERE a.email = :email',
    { email },
  );

export const accountById = (db: Db, id: number): Promise<AccountRow | undefined> =>
  db.one<AccountRow>(
    'SELECT a.*, p.name FROM accounts a JOIN people p ON p.id = a.person_id AND p.retired_at IS NULL WHERE a.id = :id',
    { id },
  );

/** Somebody who is here; nobody who is retired. */
export async function personById(db: Db, id: number): Promise<Person | undefined> {
  const person = await db.models.Person.findOne({
    attributes: ['id', 'name'],
    where: { id, retired_at: null },
  });
  if (!person) return undefined;
  return { id: person.id, name: person.name, roles: await rolesOfPerson(db, id) };
}

/** What somebody is to the school. */
export const rolesOfPerson = async (db: Db, personId: number): Promise<PersonRole[]> =>
  (await db.models.PersonRole.findAll({ where: { person_id: personId }, order: ['role'] })).map(
    (row) => row.role,
  );

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
  { roles, ...person }: { name: string; roles: PersonRole[]; rules?: Partial<EntryRules> },
): Promise<number> {
  const { id } = await db.models.Person.create({ rules: {}, ...person });
  await writeRoles(db, id, roles);
  return id;
}

/** Says anew what somebody is to the school. */
export async function writeRoles(db: Db, personId: number, roles: PersonRole[]): Promise<void> {
  await db.models.PersonRole.destroy({ where: { person_id: personId } });
  await db.models.PersonRole.bulkCreate(roles.map((role) => ({ person_id: personId, role })));
}

/** So many people at once get the words that they are found by. */
const PEOPLE_AT_ONCE = 500;

/** Has people be found who were set down before people were found by words. */
export async function keepMissingWords(db: Db): Promise<void> {
  for (;;) {
    const people = await db.rows<{ id: number }>(
      `SELECT p.id FROM people p WHERE p.merged_into IS NULL AND NOT EXISTS (SELECT 1 FROM person_words w WHERE w.person_id = p.id) LIMIT ${PEOPLE_AT_ONCE}`,
    );
    for (const { id } of people) await keepWords(db, id);
    if (people.length < PEOPLE_AT_ONCE) return;
  }
}

/** Has somebody new be found. */
export async function addWords(
  db: Db,
  personId: number,
  { name, emails }: { name: string; emails: string[] },
): Promise<void> {
  const found = searchWords(name, emails);
  // Nobody goes without: whoever has no words would be set down again at each start.
  const words = found.length > 0 ? found : [String(personId)];
  await db.models.PersonWord.bulkCreate(
    words.map((word) => ({ word, person_id: personId })),
    // The database takes words for the same that differ by an accent alone.
    { ignoreDuplicates: true },
  );
}

/** Has somebody be found by what they are called now, and by their addresses. */
export async function keepWords(db: Db, personId: number): Promise<void> {
  const { Person, Account, PersonWord } = db.models;
  const { name } = (await Person.findByPk(personId, { attributes: ['name'] }))!;
  const accounts = await Account.findAll({ where: { person_id: personId } });
  await PersonWord.destroy({ where: { person_id: personId } });
  await addWords(db, personId, { name, emails: accounts.map((a) => a.email) });
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

/** Whether one of these teaches, or looks after the school. */
export const someAreStaff = async (db: Db, personIds: number[]): Promise<boolean> =>
  (await db.models.PersonRole.findAll({ where: { person_id: personIds } })).some((row) =>
    areStaff([row.role]),
  );

/** Whose address it is, if the school knows it. */
export const personWithAddress = async (db: Db, email: string): Promise<number | undefined> =>
  (await db.models.Account.findOne({ where: { email }, attributes: ['person_id'] }))?.person_id;

/** The account whose password a one-time address sets, while it works; held against others where it is to be used. */
export async function accountOfAddress(
  db: Db,
  { tokenHash, now }: { tokenHash: string; now: string },
  isHeld = false,
): Promise<{ accountId: number; madeBy: number | null } | undefined> {
  const address = await db.models.PasswordAddress.findOne({
    where: { token_hash: tokenHash, expires_at: { [Op.gt]: toSql(now) } },
    ...(isHeld ? { lock: Transaction.LOCK.UPDATE } : {}),
  });
  return address ? { accountId: address.account_id, madeBy: address.made_by } : undefined;
}

/** Lets an account's password be set by another address; the one before is dead. Only its hash is kept. */
export async function writePasswordAddress(
  db: Db,
  address: { accountId: number; tokenHash: string; until: string; by: number },
): Promise<void> {
  const { PasswordAddress } = db.models;
  await PasswordAddress.destroy({ where: { account_id: address.accountId } });
  await PasswordAddress.create({
    account_id: address.accountId,
    token_hash: address.tokenHash,
    expires_at: address.until,
    made_by: address.by,
  });
}

/** The account's password; the one-time address that it was set by is dead. */
export async function writePassword(db: Db, accountId: number, hash: string): Promise<void> {
  await db.models.Account.update({ password_hash: hash }, { where: { id: accountId } });
  await db.models.PasswordAddress.destroy({ where: { account_id: accountId } });
}

/** Who gives a student a new way in, beside the office. */
export const whoResets = async (db: Db): Promise<'office' | 'hosts'> =>
  (await db.models.School.findByPk(1, { attributes: ['resets_by'] }))!.resets_by;

interface OwnWishes {
  name: string;
  version: number;
  theme: 'light' | 'dark' | null;
  told: { changes: boolean };
}

/** What somebody is called and what they wish for. */
export async function ownWishesOf(db: Db, personId: number): Promise<OwnWishes> {
  const { name, version, theme, told } = (await db.models.Person.findByPk(personId))!;
  return {
    name,
    version,
    theme,
    told: { changes: told.changes ?? true },
  };
}

/** Writes them if they still have this version; whether they had. */
export async function writeOwnWishes(
  db: Db,
  personId: number,
  version: number,
  wishes: Omit<OwnWishes, 'version'>,
): Promise<boolean> {
  const [changed] = await db.models.Person.update(
    { ...wishes, version: literal('version + 1') as unknown as number },
    { where: { id: personId, version } },
  );
  return changed > 0;
}

/** The colours that somebody wishes for; nothing: as their machine has it. */
export const themeOf = async (db: Db, personId: number): Promise<'light' | 'dark' | null> =>
  (await db.models.Person.findByPk(personId, { attributes: ['theme'] }))?.theme ?? null;

interface OwnAccount {
  id: number;
  kind: 'school' | 'personal';
  email: string;
  hasPassword: boolean;
}

/** Somebody's accounts, those of the school first. */
export const accountsOfPerson = async (db: Db, personId: number): Promise<OwnAccount[]> =>
  (
    await db.models.Account.findAll({
      where: { person_id: personId },
      order: [
        ['kind', 'ASC'],
        ['id', 'ASC'],
      ],
    })
  ).map(({ id, kind, email, password_hash: hash }) => ({
    id,
    kind,
    email,
    hasPassword: hash !== null,
  }));

export async function writeAddress(db: Db, accountId: number, email: string): Promise<void> {
  await db.models.Account.update({ email }, { where: { id: accountId } });
}

/** Signs an account out of every browser but one; `except` 0: of every one. */
export async function signOutElsewhere(db: Db, accountId: number, except: number): Promise<void> {
  const values = { accountId, except };
  await db.change(
    'UPDATE browser_sessions SET account_id = NULL WHERE account_id = :accountId AND id <> :except',
    values,
  );
  await db.change(
    'DELETE FROM browser_session_accounts WHERE account_id = :accountId AND session_id <> :except',
    values,
  );
}
