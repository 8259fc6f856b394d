import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { AppointmentEveningRow } from '../../db/models/AppointmentEvening.js';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import { oneMore } from '../../db/versions.js';

/** An evening with the sessions of its teachers, and its guests. */
export interface Evening {
  evening: AppointmentEveningRow;
  seriesIds: number[];
  /** By name. */
  guests: AppointmentGuestRow[];
}

async function withParts(db: Db, evenings: AppointmentEveningRow[]): Promise<Evening[]> {
  const of = { where: { evening_id: evenings.map(({ id }) => id) } };
  const [hosts, guests] = await Promise.all([
    db.models.AppointmentHost.findAll({ ...of, order: ['series_id'] }),
    db.models.AppointmentGuest.findAll({ ...of, order: ['name', 'email'] }),
  ]);
  return evenings.map((evening) => {
    const isOwn = (row: { evening_id: number }): boolean => row.evening_id === evening.id;
    return {
      evening,
      seriesIds: hosts.filter(isOwn).map((host) => host.series_id),
      guests: guests.filter(isOwn),
    };
  });
}

/** All of them, the latest first. */
export async function allEvenings(db: Db): Promise<Evening[]> {
  return withParts(
    db,
    await db.models.AppointmentEvening.findAll({ order: [['start_at', 'DESC']] }),
  );
}

export async function eveningById(
  db: Db,
  id: number,
  { isHeld = false }: { isHeld?: boolean } = {},
): Promise<Evening | null> {
  const evening = await db.models.AppointmentEvening.findByPk(id, { lock: isHeld });
  return evening && (await withParts(db, [evening]))[0]!;
}

/** Whom an address is for; held against others where they change what they have. */
export const guestByToken = (
  db: Db,
  tokenHash: string,
  { isHeld = false }: { isHeld?: boolean } = {},
): Promise<AppointmentGuestRow | null> =>
  db.models.AppointmentGuest.findOne({ where: { token_hash: tokenHash }, lock: isHeld });

type NewEvening = Pick<
  AppointmentEveningRow,
  'title' | 'start_at' | 'end_at' | 'made_by' | 'made_at'
>;

export async function insertEvening(
  db: Db,
  evening: NewEvening,
  seriesIds: number[],
): Promise<number> {
  const { id } = await db.models.AppointmentEvening.create(evening);
  await db.models.AppointmentHost.bulkCreate(
    seriesIds.map((seriesId) => ({ evening_id: id, series_id: seriesId })),
  );
  return id;
}

type NewGuest = Pick<AppointmentGuestRow, 'email' | 'name' | 'token_hash' | 'sealed_token'>;

export async function insertGuests(db: Db, eveningId: number, guests: NewGuest[]): Promise<void> {
  await db.models.AppointmentGuest.bulkCreate(
    guests.map((guest) => ({ ...guest, evening_id: eveningId })),
  );
}

/** Somebody has done something to what they have: whoever read it before is told. */
export async function oneMoreOfGuest(db: Db, id: number): Promise<void> {
  await db.models.AppointmentGuest.update({ version: oneMore('version') }, { where: { id } });
}

export async function dropGuest(db: Db, id: number): Promise<void> {
  await db.models.AppointmentGuest.destroy({ where: { id } });
}

export async function changeEvening(
  db: Db,
  id: number,
  change: Partial<Pick<AppointmentEveningRow, 'state' | 'reminded_at'>>,
): Promise<void> {
  const changed = { ...change, version: oneMore('version') };
  await db.models.AppointmentEvening.update(changed, { where: { id } });
}

/** What a guest was told last that they have, as a digest. */
export async function noteTold(db: Db, id: number, told: string): Promise<void> {
  await db.models.AppointmentGuest.update({ told }, { where: { id } });
}

/** The evenings that are not over at an instant, and at which a session of a class period is a part. */
export async function eveningsAhead(
  db: Db,
  { classId, now }: { classId: number; now: string },
): Promise<number[]> {
  const ahead = await db.models.AppointmentEvening.findAll({
    attributes: ['id'],
    where: { end_at: { [Op.gt]: now } },
  });
  if (ahead.length === 0) return [];
  const series = await db.models.Series.unscoped().findAll({
    attributes: ['id'],
    where: { class_id: classId },
  });
  const parts = await db.models.AppointmentHost.findAll({
    where: { evening_id: ahead.map(({ id }) => id), series_id: series.map(({ id }) => id) },
  });
  return [...new Set(parts.map((part) => part.evening_id))];
}

/** With the names and addresses of all who were invited; the sessions stay. */
export async function dropEvening(db: Db, id: number): Promise<void> {
  await db.models.AppointmentEvening.destroy({ where: { id } });
}

/** Some series with their links, and the class periods that they are of. */
export const seriesWithLinks = (db: Db, seriesIds: number[]) =>
  db.models.Series.findAll({
    where: { id: seriesIds, draft: false },
    include: ['link', 'classPeriod'],
    order: ['id'],
  });

/** The dates on which some series are held, or were to be. */
export const datesOf = (db: Db, seriesIds: number[]) =>
  db.models.Occurrence.findAll({
    where: { series_id: seriesIds, draft: false },
    order: ['start_at', 'id'],
  });

/** Who hosts some links by name; whoever covers, with whom they cover. */
export const hostsOfLinks = (db: Db, linkIds: number[]) =>
  db.models.LinkHost.findAll({
    where: { link_id: linkIds },
    include: [
      { association: 'person', attributes: ['id', 'name'] },
      { association: 'cover', include: [{ association: 'absent', attributes: ['name'] }] },
    ],
    order: [['person', 'name', 'ASC']],
  });

/** The class periods that are taught, by who teaches them; of one of them alone where it is said. */
export const classesTaught = (db: Db, personId: number | null) =>
  db.models.ClassStaff.findAll({
    where: {
      as_what: ['host', 'co-teacher'],
      cover_id: null,
      ...(personId === null ? {} : { person_id: personId }),
    },
    include: [
      { association: 'person', attributes: ['id', 'name'] },
      { association: 'classPeriod', where: { put_away_at: null } },
    ],
    order: [['person', 'name', 'ASC'], 'class_id'],
  });

/** The people whose addresses these are, by address. */
export async function peopleByAddress(db: Db, emails: string[]): Promise<Map<string, number>> {
  const accounts = await db.models.Account.findAll({ where: { email: emails } });
  return new Map(accounts.map((account) => [account.email, account.person_id]));
}
