import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { CalendarEntryRow } from '../../db/models/CalendarEntry.js';
import type { GuestRow } from '../../db/models/Guest.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SeriesRow } from '../../db/models/Series.js';

/** What an entry in a guest's calendar is of: a series, or one date of it. */
export interface Target {
  seriesId: number;
  /** Empty: all of its dates. */
  key: string;
}

/** A series that people may be invited to, with its link; nothing where it is off the books or only prepared. */
export async function openSeries(db: Db, id: number): Promise<SeriesRow | null> {
  const row = await db.models.Series.findByPk(id, { include: ['link'] });
  if (!row || row.removed_at !== null || row.draft || row.undated) return null;
  return row.link?.state === 'live' ? row : null;
}

/** What is held on a link, where that is one thing: what its guests are invited to then. */
export async function onlySeriesOf(db: Db, linkId: number): Promise<number | null> {
  const rows = await db.models.Series.findAll({
    attributes: ['id'],
    where: { link_id: linkId, removed_at: null, draft: false, undated: false },
    limit: 2,
  });
  return rows.length === 1 ? rows[0]!.id : null;
}

export const dateOf = (db: Db, { seriesId, key }: Target): Promise<OccurrenceRow | null> =>
  db.models.Occurrence.findOne({ where: { series_id: seriesId, key_date: key } });

/** The dates of a target that are not over at an instant of school time, the nearest first. */
export const datesAhead = (
  db: Db,
  { seriesId, key }: Target,
  now: string,
): Promise<OccurrenceRow[]> =>
  db.models.Occurrence.findAll({
    where: {
      series_id: seriesId,
      end_at: { [Op.gt]: now },
      ...(key === '' ? {} : { key_date: key }),
    },
    order: ['start_at'],
  });

interface EntryOf extends Target {
  linkId: number;
  email: string;
  always: boolean;
}

/** The entry of a guest for what they are invited to, held; made where there is none. */
export async function heldEntry(
  db: Db,
  { linkId, email, seriesId, key, always }: EntryOf,
  title: string,
): Promise<CalendarEntryRow> {
  const where = { link_id: linkId, email, series_id: seriesId, key_date: key };
  const row = await db.models.CalendarEntry.findOne({ where, lock: true });
  return row ?? db.models.CalendarEntry.create({ ...where, always, title });
}

/** What the guests of a class period have in their calendars by letters of ours, held; the links themselves are not. */
export async function entriesOfClass(db: Db, classId: number): Promise<CalendarEntryRow[]> {
  const links = await db.models.Link.findAll({ attributes: ['id'], where: { class_id: classId } });
  return db.models.CalendarEntry.findAll({
    where: { link_id: links.map((link) => link.id) },
    order: ['id'],
    lock: true,
  });
}

export const heldEntryById = (db: Db, id: number): Promise<CalendarEntryRow | null> =>
  db.models.CalendarEntry.findByPk(id, { lock: true });

/** Which invitation an entry is of, as the guests' list has it. */
export const invitationOf = (
  entry: Pick<CalendarEntryRow, 'link_id' | 'email' | 'series_id' | 'key_date' | 'always'>,
) => ({
  link_id: entry.link_id,
  email: entry.email,
  series_id: entry.always ? 0 : entry.series_id,
  key_date: entry.key_date,
});

/** The guests whose entries these are, as long as they are invited, by entry. */
export async function guestsOfEntries(
  db: Db,
  entries: CalendarEntryRow[],
): Promise<Map<number, GuestRow>> {
  const guests = await db.models.Guest.findAll({
    where: { link_id: [...new Set(entries.map((entry) => entry.link_id))], state: 'invited' },
  });
  const keyOf = ({ link_id, email, series_id, key_date }: ReturnType<typeof invitationOf>) =>
    `${link_id} ${email} ${series_id} ${key_date}`;
  const known = new Map(guests.map((guest) => [keyOf(guest), guest]));
  return new Map(
    entries.flatMap((entry) => {
      const guest = known.get(keyOf(invitationOf(entry)));
      return guest ? [[entry.id, guest]] : [];
    }),
  );
}

/** Nothing is kept of what somebody has in their calendar. */
export async function dropEntries(
  db: Db,
  { linkId, email }: { linkId: number; email: string },
): Promise<void> {
  await db.models.CalendarEntry.destroy({ where: { link_id: linkId, email } });
}

/** Whoever hosts a class period first. */
export async function firstHostOf(
  db: Db,
  classId: number,
): Promise<{ id: number; name: string } | null> {
  const row = await db.models.ClassStaff.findOne({
    where: { class_id: classId, as_what: 'host' },
    include: ['person'],
    order: ['person_id'],
  });
  return row && { id: row.person_id, name: row.person!.name };
}
