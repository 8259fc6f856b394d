import { Op } from 'sequelize';
import type { DateNow } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { changedSession } from '../plan/changedSession.js';
import type { Beginning } from './reminderStore.js';

/** A date that is ahead, with what those who come to it were told last. */
export interface AheadDate extends DateNow, Pick<Beginning, 'linkId' | 'seriesId' | 'key'> {
  toldLast: string | undefined;
}

const keyOf = (seriesId: number, key: string): string => `${seriesId} ${key}`;

/** The dates of a class period that are ahead and that are not as planned, or were told to be otherwise; held for whoever tells of them. */
export async function changedAhead(db: Db, classId: number, now: string): Promise<AheadDate[]> {
  const { Occurrence, ToldDate } = db.models;
  const rows = await Occurrence.findAll({
    where: { class_id: classId, start_at: { [Op.gt]: now }, draft: false },
    order: ['start_at', 'id'],
  });
  const told = await ToldDate.findAll({
    where: { series_id: [...new Set(rows.map((row) => row.series_id))] },
    lock: true,
  });
  const standing = new Map(told.map((row) => [keyOf(row.series_id, row.key_date), row.standing]));
  return rows.flatMap((row) => {
    const changed = changedSession(row);
    const toldLast = standing.get(keyOf(row.series_id, row.key_date));
    if (changed === null && (toldLast === undefined || row.status === 'skipped')) return [];
    return {
      linkId: row.link_id,
      seriesId: row.series_id,
      key: row.key_date,
      title: row.title,
      date: row.local_date,
      time: row.local_time,
      minutes: row.minutes,
      changed,
      toldLast,
    };
  });
}

/** From now on those who come to a date know that it stands so. */
export async function writeToldDate(
  db: Db,
  { seriesId, key }: Pick<AheadDate, 'seriesId' | 'key'>,
  standing: string,
): Promise<void> {
  await db.models.ToldDate.upsert({ series_id: seriesId, key_date: key, standing });
}

/** The addresses that hear of a date's changes by what stands in their calendars (features/guest/gatherEntries.ts). */
export async function toldByCalendar(
  db: Db,
  { linkId, seriesId, key }: Pick<AheadDate, 'linkId' | 'seriesId' | 'key'>,
): Promise<Set<string>> {
  const entries = await db.models.CalendarEntry.findAll({
    attributes: ['email'],
    where: { link_id: linkId, series_id: seriesId, key_date: ['', key] },
  });
  return new Set(entries.map((entry) => entry.email));
}

/** Who changed each of some series last. */
export async function lastChangers(db: Db, seriesIds: number[]): Promise<Map<number, number>> {
  const entries = await db.models.AuditEntry.findAll({
    attributes: ['subject', 'person_id'],
    where: { subject: seriesIds.map((id) => `series:${id}`) },
    order: ['id'],
  });
  return new Map(
    entries.flatMap(({ subject, person_id: by }) =>
      by === null ? [] : [[Number(subject.split(':')[1]), by]],
    ),
  );
}

/** What a class period is called. */
export async function calledOf(
  db: Db,
  classId: number,
): Promise<{ title: string; period: string | null } | null> {
  const row = await db.models.ClassPeriod.findByPk(classId, { attributes: ['title', 'period'] });
  return row && { title: row.title, period: row.period };
}
