import { Op } from 'sequelize';
import {
  areStaff,
  searchWords,
  type ClockHours,
  type DateOrder,
  type PersonRole,
  type KeptRules,
  type ToldBy,
  type ToldKind,
} from '@glen/core';
import type { Account, Person } from '@glen/contract';
import type { AccountRow as AccountModel } from '../../db/models/Account.js';
import { changeAsRead } from '../../db/versions.js';
import { type Db } from '../../db/connect.js';

interface AccountRow {
  id: number;
  person_id: number;
  kind: Account['kind'];
  email: string;
  /** Nothing until its owner has set a password. */
  password_hash: string | null;
  name: string;
}

function withName(account: AccountModel): AccountRow {
  const { id, person_id, kind, email, password_hash, person } = account;
  return { id, person_id, kind, email, password_hash, name: person!.name };
}

/** An account that somebody signs in with; none of whoever is retired. */
async function accountWhere(
  db: Db,
  where: { email: string } | { id: number },
): Promise<AccountRow | undefined> {
  const account = await db.models.Account.findOne({
    where,
    include: [{ association: 'person', attributes: ['name'], where: { retired_at: null } }],
  });
  return account ? withName(account) : undefined;
}

export const accountByEmail = (db: Db, email: string): Promise<AccountRow | undefined> =>
  accountWhere(db, { email });

export const accountById = (db: Db, id: number): Promise<AccountRow | undefined> =>
  accountWhere(db, { id });

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

/** The accounts that a browser may change to, those of the school first. */
export async function accountsOfSession(db: Db, sessionId: number): Promise<AccountRow[]> {
  const allowed = await db.models.BrowserSessionAccount.findAll({
    where: { session_id: sessionId },
    include: [{ association: 'account', include: ['person'] }],
    order: [
      ['account', 'kind', 'ASC'],
      ['account', 'email', 'ASC'],
    ],
  });
  return allowed.map(({ account }) => withName(account!));
}

export async function addPerson(
  db: Db,
  { roles, ...person }: { name: string; roles: PersonRole[]; rules?: KeptRules },
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
    where: { token_hash: tokenHash, expires_at: { [Op.gt]: now } },
    lock: isHeld,
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
/** An account, held against whoever would give it another way in meanwhile. */
export const heldAccount = (db: Db, id: number): Promise<AccountModel | null> =>
  db.models.Account.findByPk(id, { lock: true });

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
  dateOrder: DateOrder | null;
  hours: ClockHours | null;
  told: Record<ToldKind, ToldBy | null>;
}

/** What somebody is called and what they wish for. */
export async function ownWishesOf(db: Db, personId: number): Promise<OwnWishes> {
  const person = (await db.models.Person.findByPk(personId))!;
  const { name, version, theme, date_order, hours, told } = person;
  return {
    name,
    version,
    theme,
    dateOrder: date_order,
    hours,
    told: {
      changes: told.changes ?? null,
      reminders: told.reminders ?? null,
      mornings: told.mornings ?? null,
      evenings: told.evenings ?? null,
      posts: told.posts ?? null,
      weeks: told.weeks ?? null,
    },
  };
}

/** Writes them if they still have this version; whether they had. */
export function writeOwnWishes(
  db: Db,
  personId: number,
  version: number,
  { dateOrder, told, ...wishes }: Omit<OwnWishes, 'version'>,
): Promise<boolean> {
  const said = Object.entries(told).filter(([, way]) => way !== null);
  const columns = { ...wishes, date_order: dateOrder, told: Object.fromEntries(said) };
  return changeAsRead(db.models.Person, { id: personId, version }, columns);
}

type LookWishes = Pick<OwnWishes, 'theme' | 'dateOrder' | 'hours'>;

const NO_WISHES: LookWishes = { theme: null, dateOrder: null, hours: null };

/** How somebody wishes to see colours, dates and times; nothing: as their machine or their school has it. */
export async function lookWishesOf(db: Db, personId: number | undefined): Promise<LookWishes> {
  if (personId === undefined) return NO_WISHES;
  const attributes = ['theme', 'date_order', 'hours'];
  const person = await db.models.Person.findByPk(personId, { attributes });
  if (!person) return NO_WISHES;
  return { theme: person.theme, dateOrder: person.date_order, hours: person.hours };
}

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
