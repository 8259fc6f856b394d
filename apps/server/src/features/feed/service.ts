import { randomBytes } from 'node:crypto';
import { calendarIcs, classTitle, type SchoolCalendar } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readableTo } from '../entry/privateTitles.js';
import { linkAddress } from '../../addresses.js';
import { timezonesOf } from '../plan/timezones.js';
import { classById, classesOf } from '../school/classes.sql.js';
import { readCalendar, readSchool } from '../school/store.js';
import {
  datesHeldElsewhere,
  sharedDates,
  seriesForFile,
  seriesOfClass,
  seriesOfPerson,
  type FeedSeriesRow,
} from './series.sql.js';
import {
  dropFeed,
  feedByHash,
  keptFeed,
  presentedDates,
  putFeed,
  writeAlarm,
  type Feed,
  type Of,
} from './store.js';

const REFRESH_MINUTES = 60;
/** Of a file that somebody takes along once. */
const ALARM_MINUTES = 10;
const TOKEN_BYTES = 20;

/** A series as it goes into a file; `uid` where it is not the series itself. */
type Filed = Omit<FeedSeriesRow, 'class_id' | 'for_class' | 'link_id' | 'rules'> & { uid?: string };

async function fileOf(
  glen: Glen,
  name: string,
  rows: Filed[],
  {
    calendar,
    version,
    alarmMinutes = ALARM_MINUTES,
  }: { calendar: SchoolCalendar; version: number; alarmMinutes?: number | null },
): Promise<string> {
  const host = new URL(glen.config.publicUrl).host;
  return calendarIcs({
    name,
    school: calendar,
    refreshMinutes: REFRESH_MINUTES,
    alarmMinutes,
    timezones: await timezonesOf(rows.map((row) => row.plan.zone)),
    series: rows.map((row) => ({
      // An edited calendar changes dates too, so its version counts along.
      uid: `${row.uid ?? `series-${row.id}`}@${host}`,
      sequence: row.version + version - 2,
      changedAt: row.changed_at,
      title: row.title,
      description: row.description,
      plan: row.plan,
      words: row.words,
      address: linkAddress(glen, row.code),
    })),
  });
}

/** Series without the dates that are held at another's door, and the single dates that stand there. */
async function filed(
  glen: Glen,
  rows: FeedSeriesRow[],
  dates: Awaited<ReturnType<typeof sharedDates>>,
  zone: string,
): Promise<Filed[]> {
  const away = await datesHeldElsewhere(
    glen.db,
    rows.filter((row) => row.for_class).map((row) => row.id),
  );
  const own = rows.map((row): Filed => {
    const keys = away.filter((d) => d.series_id === row.id).map((d) => d.key_date);
    return keys.length === 0
      ? row
      : {
          ...row,
          plan: {
            ...row.plan,
            changes: [
              ...(row.plan.changes ?? []).filter((c) => !keys.includes(c.key)),
              ...keys.map((key) => ({ key, kind: 'cancel' as const })),
            ],
          },
        };
  });
  const known = new Set(rows.map((row) => row.id));
  const single = dates
    .filter((d) => !known.has(d.series_id))
    .map((d): Filed => ({
      id: d.id,
      uid: `session-${d.id}`,
      title: d.title,
      description: d.description,
      words: {},
      version: d.version,
      changed_at: d.changed_at,
      code: d.code,
      plan: {
        first: d.local_date,
        at: { time: d.local_time, minutes: d.minutes },
        zone,
        closures: 'keep',
      },
    }));
  return [...own, ...single];
}

/** What a feed's file holds: a person's own, or a class period's. With a home account nobody is of the staff. */
async function heldIn(glen: Glen, feed: Feed) {
  if ('classId' in feed) {
    const { classId } = feed;
    const [series, dates, klass] = await Promise.all([
      seriesOfClass(glen.db, classId),
      sharedDates(glen.db, { classId }),
      classById(glen.db, classId, 0),
    ]);
    return { series, dates, whose: classTitle(klass!) };
  }
  const { person, kind } = feed;
  const who = { personId: person.id, asStaff: kind === 'school' };
  const [series, shared, presented] = await Promise.all([
    seriesOfPerson(glen.db, who),
    sharedDates(glen.db, who),
    who.asStaff ? presentedDates(glen.db, person.id) : [],
  ]);
  const dates = new Map([...shared, ...presented].map((date) => [date.id, date]));
  return { series, dates: [...dates.values()], whose: person.name };
}

/** The calendar file behind a private address. */
export async function feedFile(glen: Glen, token: string): Promise<string> {
  const hash = glen.tokens.hash('feed', token.replace(/\.ics$/, ''));
  const feed = await feedByHash(glen.db, hash);
  if (!feed) throw notFound('This calendar');
  const [{ name: school }, { calendar, version }] = await Promise.all([
    readSchool(glen.db),
    readCalendar(glen.db),
  ]);
  const { series, dates, whose } = await heldIn(glen, feed);
  const rows = await filed(glen, series, dates, calendar.zone);
  const { alarmMinutes } = feed;
  const of = { calendar, version, alarmMinutes };
  return fileOf(glen, `${whose}, ${school}`, rows, of);
}

/** One series as a calendar file, for somebody who may read it. */
export async function seriesFile(
  glen: Glen,
  seriesId: number,
  personId: number,
): Promise<{ text: string; name: string }> {
  const found = await seriesForFile(glen.db, seriesId);
  if (!found) throw notFound('This session');
  const [row] = await readableTo(glen.db, [found], personId);
  const { calendar, version } = await readCalendar(glen.db);
  return {
    text: await fileOf(glen, row!.title, [row!], { calendar, version }),
    name: `${row!.title.replace(/[^\w]+/g, '-').toLowerCase() || 'sessions'}.ics`,
  };
}

const NO_FEED = { since: null, address: null, alarmMinutes: null };

/** An address that was just made, for the only time that it is told. */
interface Fresh {
  classId: number | undefined;
  token: string;
}

const calendarAddress = ({ config }: Glen, token: string): string =>
  `${config.publicUrl}/api/calendar/${token}.ics`;

/** By the same secret what is posted there is read, too. */
const newsAddress = ({ config }: Glen, token: string): string =>
  `${config.publicUrl}/api/news/${token}.atom`;

/** One's own feed and those of the class periods one hosts; an address only where it was just made. */
export async function feedsOf(glen: Glen, who: Who, fresh?: Fresh): Promise<Answer<'feeds'>> {
  const isOfSchool = who.account!.kind === 'school';
  const classes = isOfSchool ? await classesOf(glen.db, who.person!.id, false) : [];
  const hosted = classes.filter((c) => hostsAs(c.as_what));
  const feedOf = async (of: Of, classId?: number): Promise<Answer<'feeds'>['own']> => {
    const kept = await keptFeed(glen.db, of);
    if (!kept) return NO_FEED;
    const token = fresh?.classId === classId ? fresh?.token : undefined;
    return { ...kept, address: token === undefined ? null : calendarAddress(glen, token) };
  };
  const newsOf = (classId: number): string | null =>
    fresh?.classId === classId ? newsAddress(glen, fresh.token) : null;
  return {
    own: await feedOf({ accountId: who.account!.id }),
    classes: await Promise.all(
      hosted.map(async (c) => ({
        classId: c.id,
        title: classTitle(c),
        ...(await feedOf({ classId: c.id }, c.id)),
        newsAddress: newsOf(c.id),
      })),
    ),
  };
}

/** Whose feed is meant; 403 where the class period is not hosted by whoever asks. */
async function feedMeant(glen: Glen, who: Who, classId: number | undefined): Promise<Of> {
  if (classId === undefined) return { accountId: who.account!.id };
  const isOfSchool = who.account!.kind === 'school';
  const klass = isOfSchool ? await classById(glen.db, classId, who.person!.id) : undefined;
  if (!hostsAs(klass?.as_what)) throw new HttpProblem(403, 'This class period is somebody else’s.');
  return { classId };
}

const subjectOf = (of: Of): string =>
  'accountId' in of ? `account:${of.accountId}` : `class:${of.classId}`;

/** Makes a feed's address, told this once; the one before leads nowhere any more. */
export async function replaceFeed(
  glen: Glen,
  who: Who,
  classId: number | undefined,
): Promise<Answer<'feeds'>> {
  const of = await feedMeant(glen, who, classId);
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  await glen.db.transaction(async () => {
    await putFeed(glen.db, of, glen.tokens.hash('feed', token), glen.clock.machine());
    await glen.audit({ by: who.person!.id, action: 'replace-feed', subject: subjectOf(of) });
  });
  return feedsOf(glen, who, { classId, token });
}

/** Switches a feed off: its address leads nowhere any more. */
export async function switchOffFeed(
  glen: Glen,
  who: Who,
  classId: number | undefined,
): Promise<Answer<'feeds'>> {
  const of = await feedMeant(glen, who, classId);
  await glen.db.transaction(async () => {
    if (await dropFeed(glen.db, of))
      await glen.audit({ by: who.person!.id, action: 'switch-off-feed', subject: subjectOf(of) });
  });
  return feedsOf(glen, who);
}

/** Has calendars that are subscribed to remind so long before; null: not at all. 404 where there is no feed. */
export async function setFeedAlarm(
  glen: Glen,
  who: Who,
  { classId, minutes }: Body<'setFeedAlarm'>,
): Promise<Answer<'feeds'>> {
  const of = await feedMeant(glen, who, classId);
  if (!(await writeAlarm(glen.db, of, minutes))) throw notFound('This calendar');
  return feedsOf(glen, who);
}
