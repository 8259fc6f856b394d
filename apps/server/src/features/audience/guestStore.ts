import { Op, col, fn } from 'sequelize';
import type { GuestComes, HoldsFor } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { GuestRow } from '../../db/models/Guest.js';

/** A guest whom a link is for at any time. */
export interface StandingGuest {
  email: string;
  name: string;
  comes: GuestComes;
}

/** Not of a series or a date alone. */
const STANDING = { series_id: 0, key_date: '' };

/** The guests whom links are for at any time, whose names are kept still. */
export const standingGuests = (db: Db, linkIds: number[]): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: { link_id: linkIds, ...STANDING, state: 'invited' },
    order: [['id', 'ASC']],
  });

/** Has a link be for these guests at any time; who stays keeps what they said. `now`: by machine time. */
export async function writeStandingGuests(
  db: Db,
  { linkId, now }: { linkId: number; now: string },
  guests: readonly StandingGuest[],
): Promise<void> {
  const { Guest } = db.models;
  const rows = await Guest.findAll({ where: { link_id: linkId, ...STANDING } });
  const known = new Map(rows.map((row) => [row.email, row]));
  const wanted = new Map(guests.map((guest) => [guest.email, guest]));
  for (const row of rows)
    if (row.state === 'invited' && !wanted.has(row.email)) await withdraw(row, now);
  for (const guest of wanted.values()) {
    const row = known.get(guest.email);
    if (row) await inviteAgain(row, guest);
    else await Guest.create({ link_id: linkId, ...guest });
  }
}

/** Invites somebody no longer. What they said is kept for a while, should it be taken back. */
export async function withdraw(row: GuestRow, now: string): Promise<void> {
  await row.update({ state: 'withdrawn', left_at: now, version: row.version + 1 });
}

/** Whoever was withdrawn is a guest again; who is one already comes as it is now said. */
async function inviteAgain(row: GuestRow, { name, comes }: StandingGuest): Promise<void> {
  if (row.state === 'invited' && row.name === name && row.comes === comes) return;
  await row.update({ name, comes, state: 'invited', left_at: null, version: row.version + 1 });
}

interface Dates {
  seriesId: number;
  key: string;
}

/** Puts guests on a link's list for some dates; whoever is invited to them already stays as they are, unless they had no name. */
export async function inviteGuests(
  db: Db,
  linkId: number,
  { seriesId, key }: Dates,
  guests: readonly StandingGuest[],
): Promise<void> {
  const { Guest } = db.models;
  const of = { link_id: linkId, series_id: seriesId, key_date: key };
  const known = new Map((await Guest.findAll({ where: of })).map((row) => [row.email, row]));
  for (const guest of guests) {
    const row = known.get(guest.email);
    if (row?.state === 'withdrawn') await inviteAgain(row, guest);
    else if (row?.name === '' && guest.name !== '')
      await row.update({ name: guest.name, version: row.version + 1 });
  }
  await Guest.bulkCreate(
    guests.filter((guest) => !known.has(guest.email)).map((guest) => ({ ...guest, ...of })),
  );
}

/** What the guests of a link are invited to, by their addresses: as long as their names are kept. */
export async function invitationsOf(
  db: Db,
  linkId: number,
): Promise<Map<string, (HoldsFor & { comes: GuestComes })[]>> {
  const rows = await db.models.Guest.findAll({ where: { link_id: linkId, state: 'invited' } });
  const invitations = new Map<string, (HoldsFor & { comes: GuestComes })[]>();
  for (const { email, comes, series_id: seriesId, key_date: key } of rows)
    invitations.set(email, [...(invitations.get(email) ?? []), { comes, seriesId, key }]);
  return invitations;
}

/** A series was cut before a key: who is a guest of all of it is one on both sides, who is of a later date goes along. */
export async function cutGuests(db: Db, from: number, to: number, key: string): Promise<void> {
  const { Guest } = db.models;
  const ofAll = await Guest.findAll({ where: { series_id: from, key_date: '' } });
  await Guest.bulkCreate(
    ofAll.map(({ link_id, email, name, comes, said, state, left_at }) => ({
      link_id,
      email,
      name,
      comes,
      said,
      state,
      left_at,
      series_id: to,
    })),
  );
  const later = { where: { series_id: from, key_date: { [Op.gte]: key } } };
  await Guest.update({ series_id: to }, later);
  // What stands in their calendars goes along: of the new series they are told when they are written to next.
  const { CalendarEntry } = db.models;
  const entries = await CalendarEntry.findAll({ where: { series_id: from, key_date: '' } });
  await CalendarEntry.bulkCreate(
    entries.map(({ link_id, email, always, title }) => ({
      link_id,
      email,
      always,
      title,
      series_id: to,
    })),
  );
  await CalendarEntry.update({ series_id: to }, later);
}

/** A series that was cut is whole again. */
export async function mergeGuests(db: Db, from: number, to: number): Promise<void> {
  const { Guest } = db.models;
  await Guest.destroy({ where: { series_id: from, key_date: '' } });
  await Guest.update({ series_id: to }, { where: { series_id: from } });
  // Of what was the second half they are told that it is off.
  const dates = { series_id: from, key_date: { [Op.ne]: '' } };
  await db.models.CalendarEntry.update({ series_id: to }, { where: dates });
}

export async function dropGuests(db: Db, seriesId: number): Promise<void> {
  await db.models.Guest.destroy({ where: { series_id: seriesId } });
}

/** How many guests each of some links has, for all of it or a part. */
export async function guestCounts(db: Db, linkIds: number[]): Promise<Map<number, number>> {
  const rows = await db.models.Guest.findAll({
    attributes: ['link_id', [fn('COUNT', fn('DISTINCT', col('email'))), 'size']],
    where: { link_id: linkIds, state: 'invited' },
    group: ['link_id'],
  });
  return new Map(rows.map((row) => [row.link_id, Number(row.get('size'))]));
}
