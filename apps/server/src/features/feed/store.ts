import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { SharedDate } from './series.sql.js';

/** Whose calendar an address is for. */
export type Of = { accountId: number } | { classId: number };

const whose = (of: Of) =>
  'accountId' in of ? { account_id: of.accountId } : { class_id: of.classId };

/** Whose calendar is read, and of an account who it is. */
export type Feed = { alarmMinutes: number | null } & (
  { classId: number } | { person: { id: number; name: string }; kind: 'school' | 'personal' }
);

/** What an address leads to; nothing where it has been replaced or switched off, or its owner is not here any more. */
export async function feedByHash(db: Db, tokenHash: string): Promise<Feed | undefined> {
  const feed = await db.models.Feed.findOne({ where: { token_hash: tokenHash } });
  if (!feed) return undefined;
  const { alarm_minutes: alarmMinutes } = feed;
  if (feed.class_id !== null) return { alarmMinutes, classId: feed.class_id };
  const account = await db.models.Account.findByPk(feed.account_id!, {
    include: [{ association: 'person', where: { retired_at: null } }],
  });
  if (!account) return undefined;
  const { id, name } = account.person!;
  return { alarmMinutes, person: { id, name }, kind: account.kind };
}

/** Since when there is an address for a calendar, and when it reminds; nothing where there is none. */
export async function keptFeed(
  db: Db,
  of: Of,
): Promise<{ since: string; alarmMinutes: number | null } | null> {
  const feed = await db.models.Feed.findOne({ where: whose(of) });
  return feed && { since: feed.made_at, alarmMinutes: feed.alarm_minutes };
}

/** Has a calendar remind so long before; whether there is one. */
export async function writeAlarm(db: Db, of: Of, minutes: number | null): Promise<boolean> {
  const feed = await db.models.Feed.findOne({ where: whose(of) });
  await feed?.update({ alarm_minutes: minutes });
  return feed !== null;
}

/** Makes an address, or puts a new one in the place of the old, which is gone from then on. */
export async function putFeed(db: Db, of: Of, tokenHash: string, madeAt: string): Promise<void> {
  await db.models.Feed.upsert({ ...whose(of), token_hash: tokenHash, made_at: madeAt });
}

/** Whether there was one to be switched off. */
export const dropFeed = async (db: Db, of: Of): Promise<boolean> =>
  (await db.models.Feed.destroy({ where: whose(of) })) > 0;

/** Single dates that a person is named to present at, of series that are not theirs otherwise. */
export async function presentedDates(db: Db, personId: number): Promise<SharedDate[]> {
  const { LinkPerson, Occurrence } = db.models;
  const named = await LinkPerson.findAll({
    where: { person_id: personId, as_what: 'presenter', key_date: { [Op.ne]: '' } },
  });
  if (named.length === 0) return [];
  const dates = await Occurrence.findAll({
    where: {
      status: ['planned', 'moved'],
      draft: false,
      [Op.or]: named.map(({ series_id, key_date }) => ({ series_id, key_date })),
    },
    include: [
      { association: 'series', attributes: ['version', 'changed_at'] },
      { association: 'link', attributes: ['code'], where: { state: 'live' } },
    ],
    order: ['id'],
  });
  return dates.map((date) => ({
    id: date.id,
    series_id: date.series_id,
    title: date.title,
    description: date.description,
    local_date: date.local_date,
    local_time: date.local_time,
    minutes: date.minutes,
    version: date.series!.version,
    changed_at: date.series!.changed_at,
    code: date.link!.code,
  }));
}
