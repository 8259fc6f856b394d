import { Op } from 'sequelize';
import { areOffice, type AddressOwner, type HoldsFor } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { GuestAddressRow } from '../../db/models/GuestAddress.js';
import { countWaysInto } from '../accounts/waysIntoStore.js';

/** Whether a link is for somebody by their address, at any of its dates. */
export const isGuestOf = async (db: Db, linkId: number, email: string): Promise<boolean> =>
  (await db.models.Guest.count({ where: { link_id: linkId, email, state: 'invited' } })) > 0;

/** Somebody at a door or behind it, and the date that it stands open for. */
interface Seated {
  id: number;
  email: string;
  state: 'waiting' | 'let-in';
  date: HoldsFor;
}

/** Who stands at a link's door or sits behind it by one of some addresses. */
export async function seatedBy(db: Db, linkId: number, emails: string[]): Promise<Seated[]> {
  const { Account, Sitting, Visitor } = db.models;
  const accounts = await Account.findAll({ attributes: ['id', 'email'], where: { email: emails } });
  const sittings = await Sitting.findAll({
    where: { link_id: linkId, ended_at: null },
    include: [{ association: 'occurrence', attributes: ['series_id', 'key_date'] }],
  });
  const visitors = await Visitor.findAll({
    attributes: ['id', 'state', 'account_id', 'sitting_id'],
    where: {
      sitting_id: sittings.map((sitting) => sitting.id),
      account_id: accounts.map((account) => account.id),
      state: ['waiting', 'let-in'],
    },
  });
  const emailOf = new Map(accounts.map((account) => [account.id, account.email]));
  const dateOf = new Map(sittings.map(({ id, occurrence }) => [id, occurrence!]));
  return visitors.map(({ id, state, account_id: accountId, sitting_id: sittingId }) => {
    const { series_id: seriesId, key_date: key } = dateOf.get(sittingId)!;
    const email = emailOf.get(accountId!)!;
    return { id, email, state: state as Seated['state'], date: { seriesId, key } };
  });
}

/** A guest's one-time address; the one before is dead. Only its hash is kept. */
export async function writeGuestAddress(
  db: Db,
  address: {
    linkId: number;
    email: string;
    tokenHash: string;
    until: string;
    by: number;
    isMailed: boolean;
  },
): Promise<void> {
  const { GuestAddress } = db.models;
  const { linkId: link_id, email } = address;
  await dropAddresses(db, { linkId: link_id, email });
  await GuestAddress.create({
    link_id,
    email,
    token_hash: address.tokenHash,
    until_at: address.until,
    made_by: address.by,
    is_mailed: address.isMailed,
  });
}

/** The guest whom a one-time address is for, while it works; held against others where it is to be used. */
export const guestAddress = (
  db: Db,
  { tokenHash, now }: { tokenHash: string; now: string },
  isHeld = false,
): Promise<GuestAddressRow | null> =>
  db.models.GuestAddress.findOne({
    where: { token_hash: tokenHash, until_at: { [Op.gt]: now }, used_at: null },
    lock: isHeld,
  });

export async function noteUsed(db: Db, id: number, now: string): Promise<void> {
  await db.models.GuestAddress.update({ used_at: now }, { where: { id } });
}

interface Known {
  accountId: number;
  personId: number;
  owner: AddressOwner;
}

/** Whose address it is, and what else they are. */
export async function knownGuest(db: Db, email: string): Promise<Known | null> {
  const { Account, Guardian, Invited, LinkPerson, PersonRole } = db.models;
  const account = await Account.findOne({ where: { email } });
  if (!account) return null;
  const { id: accountId, person_id: personId, kind } = account;
  const ofThem = { where: { person_id: personId } };
  const [roles, accounts, ways, ...things] = await Promise.all([
    PersonRole.findAll(ofThem),
    Account.count(ofThem),
    countWaysInto(db, accountId),
    Guardian.count(ofThem),
    LinkPerson.count(ofThem),
    Invited.count(ofThem),
  ]);
  const owner = {
    kind,
    roles: roles.map((row) => row.role),
    hasWayIn: ways > 0,
    isMore: accounts > 1 || things.some((count) => count > 0),
  };
  return { accountId, personId, owner };
}

/** The class periods at whose links an address is meant as a guest's. */
export async function classesInviting(db: Db, email: string): Promise<number[]> {
  const guests = await db.models.Guest.findAll({
    where: { email, state: 'invited' },
    include: ['link'],
  });
  return [...new Set(guests.map((guest) => guest.link!.class_id))];
}

/** The class periods that somebody hosts. */
export async function classesHosted(db: Db, personId: number): Promise<Set<number>> {
  const staff = await db.models.ClassStaff.findAll({
    where: { person_id: personId, as_what: ['host', 'co-teacher'] },
  });
  return new Set(staff.map((row) => row.class_id));
}

/** Whether somebody looks after all of the school's people. */
export async function keepsPeople(db: Db, personId: number): Promise<boolean> {
  const roles = await db.models.PersonRole.findAll({ where: { person_id: personId } });
  return areOffice(roles.map((row) => row.role));
}

/** A guest's one-time address at a link is worth nothing any more, and not kept. */
export async function dropAddresses(
  db: Db,
  { linkId, email }: { linkId: number; email: string },
): Promise<void> {
  await db.models.GuestAddress.destroy({ where: { link_id: linkId, email } });
}
