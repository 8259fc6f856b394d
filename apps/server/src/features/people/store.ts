import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';
import { waysInto } from '../accounts/waysIntoStore.js';
import type { HadByRetired } from '../../db/models/Person.js';

interface KeptPerson {
  id: number;
  name: string;
  version: number;
  retiredAt: string | null;
  retiredHad: HadByRetired | null;
}

async function read(db: Db, personId: number, isHeld: boolean): Promise<KeptPerson | undefined> {
  const row = await db.models.Person.findOne({
    where: { id: personId, merged_into: null },
    lock: isHeld,
  });
  if (!row) return undefined;
  const { id, name, version, retired_at: retiredAt, retired_had: retiredHad } = row;
  return { id, name, version, retiredAt, retiredHad };
}

/** Somebody, here or retired; nobody whose record has become another's. */
export const personRecord = (db: Db, personId: number): Promise<KeptPerson | undefined> =>
  read(db, personId, false);

/** The same, held against others until the transaction ends. */
export const heldPerson = (db: Db, personId: number): Promise<KeptPerson | undefined> =>
  read(db, personId, true);

type Columns = Partial<{
  name: string;
  retired_at: string | null;
  retired_had: HadByRetired | null;
  merged_into: number | null;
}>;

/** Writes a person's own row if it still has this version; whether it had. */
export async function bumpPerson(
  db: Db,
  personId: number,
  version: number,
  columns: Columns = {},
): Promise<boolean> {
  const [changed] = await db.models.Person.update(
    { ...columns, version: oneMore('version') },
    { where: { id: personId, version, merged_into: null } },
  );
  return changed > 0;
}

interface KeptAccount {
  id: number;
  kind: 'school' | 'personal';
  email: string;
  hasPassword: boolean;
  addressUntil: string | null;
}

/** Somebody's accounts, those of the school first; with the one-time addresses that still work. */
export async function accountsOf(db: Db, personId: number, now: string): Promise<KeptAccount[]> {
  const { Account, PasswordAddress } = db.models;
  const accounts = await Account.findAll({
    where: { person_id: personId },
    order: [
      ['kind', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const addresses = await PasswordAddress.findAll({
    where: { account_id: accounts.map((a) => a.id) },
  });
  const until = new Map(addresses.map((a) => [a.account_id, a.expires_at]));
  return accounts.map((a) => ({
    id: a.id,
    kind: a.kind,
    email: a.email,
    hasPassword: a.password_hash !== null,
    addressUntil: (until.get(a.id) ?? '') > now ? until.get(a.id)! : null,
  }));
}

/** Whose address it is, retired people's too. */
export async function ownerOf(
  db: Db,
  email: string,
): Promise<{ id: number; name: string; isRetired: boolean } | undefined> {
  const { Account, Person } = db.models;
  const account = await Account.findOne({ where: { email }, attributes: ['person_id'] });
  const person = account && (await Person.findByPk(account.person_id));
  return person
    ? { id: person.id, name: person.name, isRetired: person.retired_at !== null }
    : undefined;
}

interface RelatedPerson {
  id: number;
  name: string;
  email: string | null;
}

async function named(db: Db, ids: number[]): Promise<RelatedPerson[]> {
  const people = await db.models.Person.findAll({
    where: { id: ids },
    include: [{ association: 'accounts', attributes: ['email'] }],
    order: [['name', 'ASC']],
  });
  return people.map(({ id, name, accounts }) => ({
    id,
    name,
    email: accounts![0]?.email ?? null,
  }));
}

export const guardiansOf = async (db: Db, studentId: number): Promise<RelatedPerson[]> =>
  named(
    db,
    (await db.models.Guardian.findAll({ where: { student_id: studentId } })).map(
      (g) => g.person_id,
    ),
  );

/** Whose guardian somebody is. */
export const guardedBy = async (db: Db, personId: number): Promise<RelatedPerson[]> =>
  named(
    db,
    (await db.models.Guardian.findAll({ where: { person_id: personId } })).map((g) => g.student_id),
  );

export async function writeGuardians(db: Db, studentId: number, ids: number[]): Promise<void> {
  await db.models.Guardian.destroy({ where: { student_id: studentId } });
  await db.models.Guardian.bulkCreate(
    ids.map((personId) => ({ student_id: studentId, person_id: personId })),
  );
}

/**
 * Holds everybody who looks after the school against others, and gives the ids of those who can sign in at it: the
 * last of them cannot be removed, and two cannot be removed at the same moment.
 */
export async function heldOffice(db: Db): Promise<number[]> {
  const { PersonRole, Person, Account } = db.models;
  const roles = await PersonRole.findAll({
    where: { role: { [Op.in]: ['head', 'office'] } },
    lock: true,
  });
  const here = await Person.findAll({
    attributes: ['id'],
    where: { id: roles.map((r) => r.person_id), retired_at: null },
    lock: true,
  });
  const accounts = await Account.findAll({
    where: { person_id: here.map((p) => p.id), kind: 'school' },
  });
  const ways = await waysInto(
    db,
    accounts.map((a) => a.id),
  );
  const able = new Set(
    ways.filter((w) => w.password + w.signOns + w.passkeys > 0).map((w) => w.accountId),
  );
  return [...new Set(accounts.filter((a) => able.has(a.id)).map((a) => a.person_id))];
}

export async function deleteAccount(db: Db, accountId: number): Promise<void> {
  await db.models.Account.destroy({ where: { id: accountId } });
}
