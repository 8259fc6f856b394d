import { randomBytes } from 'node:crypto';
import {
  LINK_CODE_BYTES,
  PRESETS,
  classTitle,
  doorPath,
  makeLinkCode,
  sessionAtDoor,
  type EntryRules,
  type RuleSetting,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { isDuplicate } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { rulesOfLink, rulesOfSession } from '../entry/service.js';
import { groupsOf, staffOfSchool } from '../group/store.js';
import { sessionRowsOfClass } from '../plan/store.js';
import { classById, classesOf, mainLinksOf, readSchool, staffOf } from '../school/store.js';
import { audienceOf, linkHostsOf, writeAudience, writeHosts, type Audience } from './audience.js';
import { describeLink } from './describe.js';
import {
  insertLink,
  knownPeople,
  linkById,
  heldLinksOfClasses,
  heldLiveLinks,
  setPlace,
  updateLink,
  type LinkRow,
  type NewLink,
  heldLink,
} from './store.js';

/** The full address of a join link, as people copy it. */
export const linkAddress = (glen: Pick<Glen, 'config'>, code: string): string =>
  `${glen.config.publicUrl}${doorPath(code)}`;

/** Tries fresh codes until the database takes one: that it has had one before is next to impossible, and would be noticed here. */
export async function withFreshCode<T>(take: (code: string) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await take(makeLinkCode(randomBytes(LINK_CODE_BYTES)));
    } catch (error) {
      if (!isDuplicate(error) || tries === 5) throw error;
    }
  }
}

/** Gives a class period its lasting link, in the transaction that makes the class period. */
export const makeLink = (
  glen: Pick<Glen, 'db' | 'clock'>,
  classId: number,
  { label, kind }: { label: string; kind: RuleSetting['kind'] },
): Promise<{ id: number; code: string }> =>
  putLink(
    glen,
    { classId, label, purpose: label, kind, shown: true, rules: {} },
    { classIds: [classId], groupIds: [], personIds: [], emails: [] },
  );

/** A fresh link for one session alone: an evening with parents never has the everyday one. Called by its title, with a number where that is taken. */
export async function makeLinkFor(
  glen: Pick<Glen, 'db' | 'clock'>,
  classId: number,
  title: string,
): Promise<number> {
  const taken = new Set((await heldLiveLinks(glen.db, classId)).map((l) => l.label.toLowerCase()));
  let label = title.slice(0, 76);
  for (let n = 2; taken.has(label.toLowerCase()); n++) label = `${title.slice(0, 72)} ${n}`;
  return (
    await putLink(
      glen,
      { classId, label, purpose: 'One session', kind: 'lesson', shown: true, rules: {} },
      { classIds: [classId], groupIds: [], personIds: [], emails: [] },
    )
  ).id;
}

async function putLink(
  glen: Pick<Glen, 'db' | 'clock'>,
  link: Omit<NewLink, 'code' | 'madeAt'>,
  audience: Audience,
): Promise<{ id: number; code: string }> {
  return withFreshCode(async (code) => {
    const id = await insertLink(glen.db, { ...link, code, madeAt: glen.clock.school() });
    await writeAudience(glen.db, id, audience);
    return { id, code };
  });
}

/** Hosts and students hear that a link has changed: the class period's page, its door, and the days in which it stands. */
export async function tellLink(glen: Glen, link: Pick<LinkRow, 'id' | 'class_id'>): Promise<void> {
  await glen.announce(`class:${link.class_id}`, { thing: 'class', id: link.class_id });
  await glen.announce(`class:${link.class_id}`, { thing: 'classes', id: link.class_id });
  await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
}

/** Two live links of one name in a class period could not be told apart. */
async function checkLabel(
  glen: Glen,
  classId: number,
  label: string,
  except: number | null,
): Promise<void> {
  const same = (await heldLiveLinks(glen.db, classId)).find(
    (l) => l.id !== except && l.label.trim().toLowerCase() === label.trim().toLowerCase(),
  );
  if (same)
    throw wrongField('label', `This class period has a link called “${same.label}” already.`);
}

/** Whom a link may be for and who may be host there, checked against the database; gives it without doubles. */
async function settledAudience(
  glen: Glen,
  classId: number,
  sent: Body<'setAudience'> | NonNullable<Body<'addLink'>['audience']>,
  by: number,
): Promise<Audience & { hostIds: number[] }> {
  const once = <T>(list: T[]): T[] => [...new Set(list)];
  const [groups, mine, staff] = await Promise.all([
    groupsOf(glen.db, classId),
    classesOf(glen.db, by, false),
    staffOfSchool(glen.db),
  ]);
  const hosted = new Set(
    mine.filter((c) => c.as_what === 'host' || c.as_what === 'co-teacher').map((c) => c.id),
  );
  if (sent.classIds.some((id) => id !== classId && !hosted.has(id)))
    throw wrongField('classIds', 'A link can be for class periods that you host.');
  if (sent.groupIds.some((id) => !groups.some((g) => g.id === id)))
    throw wrongField('groupIds', 'One of these groups is no longer there.');
  const personIds = once(sent.personIds);
  const known = await knownPeople(glen.db, personIds);
  if (known.length < personIds.length)
    throw wrongField('personIds', 'One of these people is not known.');
  if (sent.hostIds.some((id) => !staff.some((s) => s.id === id)))
    throw wrongField('hostIds', 'A host is one of the school’s staff, with a school account.');
  return {
    classIds: once(sent.classIds),
    groupIds: once(sent.groupIds),
    personIds,
    emails: once(sent.emails.map((e) => e.trim().toLowerCase())),
    hostIds: once(sent.hostIds),
  };
}

export async function addLink(
  glen: Glen,
  classId: number,
  who: Who,
  body: Body<'addLink'>,
): Promise<Answer<'addLink'>> {
  const by = who.person!.id;
  const audience = await settledAudience(
    glen,
    classId,
    body.audience ?? { classIds: [classId], groupIds: [], personIds: [], emails: [], hostIds: [] },
    by,
  );
  const rules: Partial<EntryRules> = body.preset ? PRESETS[body.preset].rules : {};
  const id = await glen.db.transaction(async () => {
    await checkLabel(glen, classId, body.label, null);
    const link = await putLink(
      glen,
      {
        classId,
        label: body.label,
        purpose: body.purpose,
        kind: body.kind,
        shown: body.shown,
        rules,
      },
      audience,
    );
    await writeHosts(glen.db, link.id, audience.hostIds);
    await glen.audit({ by, action: 'add-link', subject: `link:${link.id}`, after: body });
    await tellLink(glen, { id: link.id, class_id: classId });
    return link.id;
  });
  return describeLink(glen, id, who);
}

/** Changes a link that still has the version its editor read, in one transaction; 409 with how it stands where it has not. */
export async function changeLink(
  glen: Glen,
  linkId: number,
  who: Who,
  { version, action }: { version: number; action: string },
  work: (
    link: LinkRow,
  ) => Promise<{ columns?: Record<string, string | number | null>; after?: unknown }>,
): Promise<Answer<'editLink'>> {
  const done = await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    if (!link) throw notFound('This link');
    if (link.version !== version) return false;
    const { columns = {}, after } = await work(link);
    await updateLink(glen.db, linkId, version, columns);
    const { code, label, purpose, kind, state, shown, room_address } = link;
    await glen.audit({
      by: who.person!.id,
      action,
      subject: `link:${linkId}`,
      before: { code, label, purpose, kind, state, shown, room_address },
      after: after ?? columns,
    });
    await tellLink(glen, link);
    return true;
  });
  const now = await describeLink(glen, linkId, who);
  if (!done) throw stale(now);
  return now;
}

export const editLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'editLink'>,
): Promise<Answer<'editLink'>> =>
  changeLink(glen, linkId, who, { version: body.version, action: 'edit-link' }, async (link) => {
    if (link.state === 'live') await checkLabel(glen, link.class_id, body.label, linkId);
    return {
      columns: {
        label: body.label,
        purpose: body.purpose,
        kind: body.kind,
        shown: body.shown ? 1 : 0,
      },
    };
  });

export async function setAudience(
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'setAudience'>,
): Promise<Answer<'setAudience'>> {
  const { class_id: classId } = (await linkById(glen.db, linkId))!;
  const audience = await settledAudience(glen, classId, body, who.person!.id);
  const main = (await mainLinksOf(glen.db, [classId])).get(classId);
  if (main === linkId && !audience.classIds.includes(classId))
    throw wrongField(
      'classIds',
      'This is the link that the whole class period goes by. Make another link for a part of it.',
    );
  return changeLink(
    glen,
    linkId,
    who,
    { version: body.version, action: 'set-audience' },
    async (_link) => {
      await writeAudience(glen.db, linkId, audience);
      await writeHosts(glen.db, linkId, audience.hostIds);
      return { after: audience };
    },
  );
}

/** The class period's links in this order; links it does not name stay behind them in theirs. */
export async function orderLinks(
  glen: Glen,
  classId: number,
  by: number,
  order: number[],
): Promise<void> {
  await glen.db.transaction(async () => {
    const rows = await heldLinksOfClasses(glen.db, [classId]);
    const known = rows.map((row) => row.id);
    if (order.some((id) => !known.includes(id)))
      throw wrongField('order', 'One of these links belongs to another class period.');
    const whole = [...new Set([...order, ...known])];
    for (const [place, id] of whole.entries()) await setPlace(glen.db, id, classId, place);
    await glen.audit({
      by,
      action: 'order-links',
      subject: `class:${classId}`,
      before: known,
      after: whole,
    });
    await glen.announce(`class:${classId}`, { thing: 'classes', id: classId });
  });
}

export const stopLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
): Promise<Answer<'stopLink'>> =>
  changeLink(glen, linkId, who, { version, action: 'stop-link' }, async (link) => {
    if (link.state === 'retired') throw new HttpProblem(409, 'This link has been stopped already.');
    return { columns: { state: 'retired' } };
  });

export const reopenLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
): Promise<Answer<'reopenLink'>> =>
  changeLink(glen, linkId, who, { version, action: 'reopen-link' }, async (link) => {
    await checkLabel(glen, link.class_id, link.label, linkId);
    return { columns: { state: 'live' } };
  });

/** What an invitation to a link's next session can say. */
export async function invitationFor(glen: Glen, linkId: number): Promise<Answer<'invitation'>> {
  const link = await linkById(glen.db, linkId);
  if (!link) throw notFound('This link');
  const [klass, linkRules, staff, rows, { calendar }, own, audience] = await Promise.all([
    classById(glen.db, link.class_id, 0),
    rulesOfLink(glen.db, linkId),
    staffOf(glen.db, link.class_id),
    sessionRowsOfClass(glen.db, link.class_id),
    readSchool(glen.db),
    linkHostsOf(glen.db, [linkId]),
    audienceOf(glen.db, [linkId]),
  ]);
  const sessions = rows
    .filter((row) => row.link_id === linkId && !row.draft)
    .map((row) => ({ ...row, start: row.start_at, end: row.end_at }));
  const next = sessionAtDoor(
    sessions,
    (row) => rulesOfSession(linkRules, row),
    glen.clock.school(),
  )?.occurrence;
  const isForAll = audience.some((a) => a.class_id === link.class_id);
  return {
    title: isForAll ? classTitle(klass!) : `${link.label}, ${classTitle(klass!)}`,
    host: own[0]?.name ?? staff.find((s) => s.as === 'host')?.name ?? '',
    address: linkAddress(glen, link.code),
    phoneNumber: glen.video.phoneNumber,
    rules: next ? rulesOfSession(linkRules, next) : linkRules.rules,
    next: next
      ? {
          uid: `session-${next.series_id}-${next.key_date}@${new URL(glen.config.publicUrl).hostname}`,
          version: next.version,
          title: next.title,
          description: next.description,
          date: next.local_date,
          time: next.local_time,
          minutes: next.minutes,
          zone: calendar.zone,
          start: next.start,
          end: next.end,
        }
      : null,
  };
}
