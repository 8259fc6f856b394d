import { Op } from 'sequelize';
import { fittingWord, type ToldWishes } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { inParts } from '../../db/inParts.js';
import { isDuplicate } from '../../db/errors.js';

/** A session that begins soon. */
export interface Beginning {
  seriesId: number;
  key: string;
  linkId: number;
  code: string;
  title: string;
  description: string;
  classTitle: string;
  period: string | null;
  date: string;
  time: string;
  minutes: number;
  start: string;
  /** An evening or the like, for which nobody stands on a roll. */
  isOccasion: boolean;
}

/** Sessions that begin after `from` and no later than `until`, by instants. */
export async function beginningBetween(db: Db, from: string, until: string): Promise<Beginning[]> {
  const rows = await db.models.Occurrence.findAll({
    where: {
      start_at: { [Op.gt]: from, [Op.lte]: until },
      status: ['planned', 'moved'],
      draft: false,
    },
    include: [{ association: 'link', include: ['classPeriod'] }],
    order: ['start_at', 'id'],
  });
  return rows.flatMap((row) => {
    const { link } = row;
    if (link?.state !== 'live') return [];
    const { title: classTitle, period, kind } = link.classPeriod!;
    return {
      seriesId: row.series_id,
      key: row.key_date,
      linkId: link.id,
      code: link.code,
      title: row.title,
      description: row.description,
      classTitle,
      period,
      date: row.local_date,
      time: row.local_time,
      minutes: row.minutes,
      start: row.start_at,
      isOccasion: kind === 'occasion',
    };
  });
}

/** How long before people are reminded: an hour, or a week before an evening. */
export type RemindedKind = 'hour' | 'week';

/** Of some sessions, those before which nobody has been reminded so yet. */
export async function notReminded(
  db: Db,
  sessions: Beginning[],
  kind: RemindedKind,
): Promise<Beginning[]> {
  const keyOf = (seriesId: number, key: string, start: string): string =>
    `${seriesId} ${key} ${start}`;
  const rows = await db.models.Reminded.findAll({
    where: { start_at: sessions.map((session) => session.start), kind },
  });
  const done = new Set(rows.map((row) => keyOf(row.series_id, row.key_date, row.start_at)));
  return sessions.filter(({ seriesId, key, start }) => !done.has(keyOf(seriesId, key, start)));
}

/** Notes that people are reminded before a session, in the transaction that does it; whether nobody had noted it. */
export async function noteReminded(
  db: Db,
  { seriesId, key, start }: Beginning,
  kind: RemindedKind,
): Promise<boolean> {
  try {
    await db.models.Reminded.create({ series_id: seriesId, key_date: key, start_at: start, kind });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** Has some people read something in Glen; of it they are written apart from this. */
export async function putWords(
  db: Db,
  personIds: number[],
  { at, ...word }: { title: string; text: string; at: string },
): Promise<void> {
  const told = { ...fittingWord(word), made_at: at, mailed: true };
  for (const part of inParts(personIds))
    await db.models.Notice.bulkCreate(part.map((id) => ({ person_id: id, ...told })));
}

export const schoolTold = async (db: Db): Promise<ToldWishes | undefined> =>
  (await db.models.School.findByPk(1, { attributes: ['told'] }))?.told;
