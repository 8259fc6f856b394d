import type { EntryRules, ReplaceHow, RuleSetting } from '@glen/core';
import type { Pennant } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';
import { MAIN_LINK } from '../school/store.js';

export interface LinkRow {
  id: number;
  code: string;
  label: string;
  purpose: string;
  kind: RuleSetting['kind'];
  class_id: number;
  state: 'live' | 'retired';
  shown: number;
  place: number;
  rules: Partial<EntryRules>;
  version: number;
  room_address: string | null;
  made_at: string;
}

export const linkById = (db: Db, id: number): Promise<LinkRow | undefined> =>
  db.one<LinkRow>('SELECT * FROM links WHERE id = :id', { id });

/** The same, held against other changes. */
export const heldLink = (db: Db, id: number): Promise<LinkRow | undefined> =>
  db.one<LinkRow>('SELECT * FROM links WHERE id = :id FOR UPDATE', { id });

/** The links of a class period that work, held: none may be called otherwise, or come to them, meanwhile. */
export const heldLiveLinks = (db: Db, classId: number): Promise<{ id: number; label: string }[]> =>
  db.rows(`SELECT id, label FROM links WHERE class_id = :classId AND state = 'live' FOR UPDATE`, {
    classId,
  });

export interface NewLink {
  code: string;
  classId: number;
  label: string;
  purpose: string;
  kind: RuleSetting['kind'];
  shown: boolean;
  rules: Partial<EntryRules>;
  madeAt: string;
}

/** A link with its code, which the database holds to be one that no link ever had. */
export async function insertLink(db: Db, link: NewLink): Promise<number> {
  const { place } = (await db.one<{ place: number }>(
    'SELECT COALESCE(MAX(place) + 1, 0) AS place FROM links WHERE class_id = :classId',
    { classId: link.classId },
  ))!;
  const id = await db.insert('links', {
    code: link.code,
    class_id: link.classId,
    label: link.label,
    purpose: link.purpose,
    kind: link.kind,
    shown: link.shown ? 1 : 0,
    rules: JSON.stringify(link.rules),
    place,
    made_at: toSql(link.madeAt),
  });
  await db.insert('link_codes', { code: link.code, link_id: id });
  return id;
}

/** Changes a link that still has the version its editor read; gives whether it had. Column names come from our own code. */
/** Of a link that has just been made: the address of its room. */
export const putRoomBehind = (db: Db, linkId: number, address: string): Promise<number> =>
  db.change('UPDATE links SET room_address = :address WHERE id = :linkId', { linkId, address });

export async function updateLink(
  db: Db,
  id: number,
  version: number,
  columns: Record<string, string | number | null>,
): Promise<boolean> {
  const sets = Object.keys(columns).map((c) => `${c} = :${c}`);
  return (
    (await db.change(
      `UPDATE links SET ${[...sets, 'version = version + 1'].join(', ')} WHERE id = :id AND version = :version`,
      { id, version, ...columns },
    )) > 0
  );
}

export const setPlace = (db: Db, id: number, classId: number, place: number): Promise<number> =>
  db.change('UPDATE links SET place = :place WHERE id = :id AND class_id = :classId', {
    id,
    classId,
    place,
  });

// ---- codes

interface CodeRow {
  code: string;
  how: ReplaceHow | null;
  until_at: string | null;
  why: 'leaked' | 'tidy-up' | 'new-year' | 'other' | null;
  replaced_at: string | null;
  by_name: string | null;
}

/** Every code of a link, oldest first; the last is the one it goes by. */
export const codesOf = (db: Db, linkId: number): Promise<CodeRow[]> =>
  db.rows<CodeRow>(
    'SELECT k.code, k.how, k.until_at, k.why, k.replaced_at, p.name AS by_name FROM link_codes k LEFT JOIN people p ON p.id = k.replaced_by WHERE k.link_id = :linkId ORDER BY k.turn',
    { linkId },
  );

/** The link that a former code belongs to, and what has become of the code. */
export const formerCode = (
  db: Db,
  code: string,
): Promise<{ code: string; how: ReplaceHow; until_at: string | null } | undefined> =>
  db.one(
    'SELECT l.code, k.how, k.until_at FROM link_codes k JOIN links l ON l.id = k.link_id WHERE k.code = :code AND k.how IS NOT NULL',
    { code },
  );

interface Replacing {
  how: ReplaceHow;
  until: string | null;
  why: string;
  now: string;
  by: number;
}

export async function putCode(
  db: Db,
  linkId: number,
  { old, code }: { old: string; code: string },
  r: Replacing,
): Promise<void> {
  await db.change(
    'UPDATE link_codes SET how = :how, until_at = :until, why = :why, replaced_at = :now, replaced_by = :by WHERE code = :old',
    { old, how: r.how, until: r.until && toSql(r.until), why: r.why, now: toSql(r.now), by: r.by },
  );
  const { turn } = (await db.one<{ turn: number }>(
    'SELECT MAX(turn) + 1 AS turn FROM link_codes WHERE link_id = :linkId',
    { linkId },
  ))!;
  await db.insert('link_codes', { code, link_id: linkId, turn });
}

/** The last code is as if it had never been, and the one before it is in force again. */
export async function dropCode(db: Db, code: string, before: string): Promise<void> {
  await db.change('DELETE FROM link_codes WHERE code = :code', { code });
  await db.change(
    'UPDATE link_codes SET how = NULL, until_at = NULL, why = NULL, replaced_at = NULL, replaced_by = NULL WHERE code = :before',
    { before },
  );
}

/** Whether anybody has entered or knocked at a link since an instant of school time. */
export const usedSince = async (db: Db, linkId: number, since: string): Promise<boolean> =>
  (await db.one(
    'SELECT 1 AS used FROM visitors v JOIN sittings m ON m.id = v.sitting_id WHERE m.link_id = :linkId AND v.knocked_at >= :since LIMIT 1',
    { linkId, since: toSql(since) },
  )) !== undefined;

/** Whether somebody sits behind a link's door, or its host has opened it and not ended it. */
export const isRunning = async (db: Db, linkId: number): Promise<boolean> =>
  (await db.one(
    `SELECT 1 AS runs FROM sittings m WHERE m.link_id = :linkId AND m.ended_at IS NULL AND EXISTS (SELECT 1 FROM visitors v WHERE v.sitting_id = m.id AND v.inside = 1) LIMIT 1`,
    { linkId },
  )) !== undefined;

// ---- lists

export interface ListedLink extends LinkRow {
  class_title: string;
  period: string | null;
  pennant: Pennant;
  put_away_at: string | null;
  as_what: 'host' | 'co-teacher' | 'presenter' | null;
  last_used: string | null;
  main_id: number;
}

/** Links with their class periods, by class and order. `which` is our own SQL on `l`, `c`, `cs`. */
export const listLinks = (
  db: Db,
  personId: number,
  which: string,
  values: Record<string, string | number> = {},
): Promise<ListedLink[]> =>
  db.rows<ListedLink>(
    `SELECT l.*, c.title AS class_title, c.period, c.pennant, c.put_away_at, cs.as_what, ${MAIN_LINK} AS main_id,
       (SELECT MAX(v.knocked_at) FROM sittings m JOIN visitors v ON v.sitting_id = m.id WHERE m.link_id = l.id) AS last_used
     FROM links l JOIN class_periods c ON c.id = l.class_id LEFT JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = :personId
     WHERE ${which} ORDER BY c.period IS NULL, c.period, c.title, c.id, l.state = 'retired', l.place, l.id`,
    { personId, ...values },
  );

/** Every link of some class periods, in their order, held against others. */
export const heldLinksOfClasses = (
  db: Db,
  classIds: number[],
): Promise<{ id: number; class_id: number }[]> =>
  db.rows(
    `SELECT id, class_id FROM links WHERE class_id IN (:classIds) ORDER BY place, id FOR UPDATE`,
    { classIds: [0, ...classIds] },
  );

/** Which of some people there are. */
export const knownPeople = (db: Db, ids: number[]): Promise<{ id: number }[]> =>
  db.rows('SELECT id FROM people WHERE id IN (:ids)', { ids: [0, ...ids] });

/** The next date of each link that is still ahead, or running and not ended at an instant. */
export const nextOfLinks = (
  db: Db,
  linkIds: number[],
  now: string,
): Promise<{ link_id: number; local_date: string; local_time: string; title: string }[]> => {
  const ahead = (o: string): string =>
    `${o}.end_at > :now AND ${o}.draft = 0 AND ${o}.status IN ('planned', 'moved') AND NOT EXISTS (SELECT 1 FROM sittings m WHERE m.occurrence_id = ${o}.id AND m.ended_at IS NOT NULL)`;
  return db.rows(
    `SELECT o.link_id, o.local_date, o.local_time, o.title FROM occurrences o
     JOIN (SELECT f.link_id, MIN(f.start_at) AS start_at FROM occurrences f WHERE f.link_id IN (:linkIds) AND ${ahead('f')} GROUP BY f.link_id) n ON n.link_id = o.link_id AND n.start_at = o.start_at
     WHERE ${ahead('o')}`,
    { linkIds: [0, ...linkIds], now: toSql(now) },
  );
};

/** Stops every link of a class period that works, to work again with it. */
export const restLinks = (db: Db, classId: number): Promise<number> =>
  db.change(
    `UPDATE links SET state = 'retired', put_away = 1, version = version + 1 WHERE class_id = :classId AND state = 'live'`,
    { classId },
  );

/** Lets those work again that were stopped with their class period. */
export const wakeLinks = (db: Db, classId: number): Promise<number> =>
  db.change(
    `UPDATE links SET state = 'live', put_away = 0, version = version + 1 WHERE class_id = :classId AND put_away = 1`,
    { classId },
  );

/** Stops a link that was made for one series alone, where nothing else has come to it since. */
export const stopUnused = (db: Db, linkId: number): Promise<number> =>
  db.change(
    `UPDATE links l SET l.state = 'retired', l.version = l.version + 1
     WHERE l.id = :linkId AND NOT EXISTS (SELECT 1 FROM series s WHERE s.link_id = l.id) AND NOT EXISTS (SELECT 1 FROM post_places p WHERE p.link_id = l.id)`,
    { linkId },
  );
