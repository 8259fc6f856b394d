import { holdsForInWords } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { GuestRow } from '../../db/models/Guest.js';

/** The guests of a link in the order of their coming, those whose names are not kept any more among them. */
export const guestList = (db: Db, linkId: number): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: { link_id: linkId, state: ['invited', 'ended'] },
    order: ['id'],
  });

/** A guest of a link, held against others; nothing where the number is another link's, or their name is not kept. */
export const heldGuest = (db: Db, linkId: number, id: number): Promise<GuestRow | null> =>
  db.models.Guest.findOne({ where: { id, link_id: linkId, state: 'invited' }, lock: true });

type WordsOf = (guest: Pick<GuestRow, 'series_id' | 'key_date'>) => string;

/** What guests are invited to, in words; empty where that is a link at any time. */
export async function whenInWords(db: Db, guests: GuestRow[]): Promise<WordsOf> {
  const ids = [...new Set(guests.map((guest) => guest.series_id))].filter((id) => id !== 0);
  const [series, dates] = await Promise.all([
    db.models.Series.findAll({ attributes: ['id', 'title'], where: { id: ids } }),
    db.models.Occurrence.findAll({
      attributes: ['series_id', 'key_date', 'local_date', 'local_time'],
      where: { series_id: ids, key_date: guests.map((guest) => guest.key_date) },
    }),
  ]);
  const titles = new Map(series.map((row) => [row.id, row.title]));
  const held = new Map(dates.map((row) => [`${row.series_id} ${row.key_date}`, row]));
  return ({ series_id: seriesId, key_date: key }) => {
    if (seriesId === 0) return '';
    const date = held.get(`${seriesId} ${key}`);
    const series = titles.get(seriesId) ?? null;
    const words = holdsForInWords({ seriesId, key }, { series, date: date?.local_date ?? key });
    return date ? `${words}, ${date.local_time}` : words;
  };
}

/** What somebody is invited to, by the addresses of some accounts, with its link. */
export const invitationsFor = (db: Db, emails: string[]): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: { email: emails, state: 'invited' },
    include: ['link'],
    order: ['id'],
  });

/** What they say is kept with what they are invited to; gives whether there is such an invitation. */
export async function writeSaid(
  db: Db,
  where: { id?: number; link_id?: number; email: string },
  said: GuestRow['said'],
): Promise<GuestRow[]> {
  const rows = await db.models.Guest.findAll({ where: { ...where, state: 'invited' }, lock: true });
  for (const row of rows) await row.update({ said, version: row.version + 1 });
  return rows;
}

/** What somebody is invited to at one link. */
export const invitationsTo = (db: Db, linkId: number, email: string): Promise<GuestRow[]> =>
  db.models.Guest.findAll({ where: { link_id: linkId, email, state: 'invited' }, order: ['id'] });

interface Held {
  title: string;
  period: string | null;
  host: string;
}

/** What class periods are called, and who hosts them first. */
export async function classesHeld(db: Db, classIds: number[]): Promise<Map<number, Held>> {
  const [classes, staff] = await Promise.all([
    db.models.ClassPeriod.findAll({
      attributes: ['id', 'title', 'period'],
      where: { id: classIds },
    }),
    db.models.ClassStaff.findAll({
      where: { class_id: classIds, as_what: 'host' },
      include: ['person'],
      order: [['person_id', 'DESC']],
    }),
  ]);
  const hosts = new Map(staff.map((row) => [row.class_id, row.person!.name]));
  return new Map(
    classes.map(({ id, title, period }) => [id, { title, period, host: hosts.get(id) ?? '' }]),
  );
}
