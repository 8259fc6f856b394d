import { classTitle, type ReplaceHow } from '@glen/core';
import type { Db } from '../../db/connect.js';

/** A class period's page at the course site. */
export interface Site {
  id: number;
  ref: string;
  title: string;
}

export const linkAsked = (
  db: Db,
  id: number,
  mainLink: string,
): Promise<
  | {
      class_id: number;
      label: string;
      purpose: string;
      class_title: string;
      period: string | null;
      main_id: number;
    }
  | undefined
> =>
  db.one(
    `SELECT l.class_id, l.label, l.purpose, c.title AS class_title, c.period, ${mainLink} AS main_id FROM links l JOIN class_periods c ON c.id = l.class_id WHERE l.id = :id`,
    { id },
  );

/** The class periods in which a link could stand: its own, those it is for, and those it has been posted to. */
export const sitesFor = async (db: Db, linkId: number): Promise<Site[]> =>
  (
    await db.rows<{ id: number; ref: string; title: string; period: string | null }>(
      `SELECT c.id, c.ref, c.title, c.period FROM class_periods c WHERE c.id IN (SELECT l.class_id FROM links l WHERE l.id = :linkId UNION SELECT la.class_id FROM link_audience la WHERE la.link_id = :linkId AND la.class_id IS NOT NULL
       UNION SELECT pp.class_id FROM post_places pp WHERE pp.link_id = :linkId) ORDER BY c.id`,
      { linkId },
    )
  ).map(({ id, ref, title, period }) => ({ id, ref, title: classTitle({ title, period }) }));

export interface OnRolls {
  id: number;
  name: string;
  email: string | null;
  classIds: number[];
}

/** Who is on the rolls of some class periods, each once. */
export async function rollsOf(db: Db, classIds: number[]): Promise<OnRolls[]> {
  const rows = await db.rows<{ id: number; name: string; email: string | null; class_id: number }>(
    `SELECT p.id, p.name, r.class_id, (SELECT a.email FROM accounts a WHERE a.person_id = p.id AND a.kind = 'school' ORDER BY a.id LIMIT 1) AS email FROM roll r JOIN people p ON p.id = r.person_id WHERE r.class_id IN (:classIds) ORDER BY p.name`,
    { classIds: [0, ...classIds] },
  );
  const people = new Map<number, OnRolls>();
  for (const { class_id: classId, ...person } of rows) {
    const known = people.get(person.id);
    if (known) known.classIds.push(classId);
    else people.set(person.id, { ...person, classIds: [classId] });
  }
  return [...people.values()];
}

export interface CodeAsked {
  code: string;
  link_id: number;
  how: ReplaceHow | null;
  until_at: string | null;
  state: 'live' | 'retired';
  class_id: number;
  purpose: string;
  members: Set<number>;
}

/** What has become of some codes, and whom their links are for. */
export async function codesAsked(db: Db, codes: string[]): Promise<CodeAsked[]> {
  const rows = await db.rows<Omit<CodeAsked, 'members'>>(
    'SELECT k.code, k.link_id, k.how, k.until_at, l.state, l.class_id, l.purpose FROM link_codes k JOIN links l ON l.id = k.link_id WHERE k.code IN (:codes)',
    { codes: ['', ...new Set(codes)] },
  );
  const members = await db.rows<{ link_id: number; person_id: number }>(
    `SELECT la.link_id, r.person_id FROM link_audience la JOIN roll r ON r.class_id = la.class_id WHERE la.link_id IN (:ids) UNION SELECT la.link_id, g.person_id FROM link_audience la JOIN group_members g ON g.group_id = la.group_id WHERE la.link_id IN (:ids)
     UNION SELECT la.link_id, la.person_id FROM link_audience la WHERE la.link_id IN (:ids) AND la.person_id IS NOT NULL`,
    { ids: [0, ...rows.map((r) => r.link_id)] },
  );
  return rows.map((row) => ({
    ...row,
    members: new Set(members.filter((m) => m.link_id === row.link_id).map((m) => m.person_id)),
  }));
}

/** A class period as its course site knows it, with the oldest of its links. */
export const siteWithLink = (
  db: Db,
  classId: number,
): Promise<{ id: number; ref: string; link_id: number } | undefined> =>
  db.one(
    'SELECT c.id, c.ref, (SELECT MIN(l.id) FROM links l WHERE l.class_id = c.id) AS link_id FROM class_periods c WHERE c.id = :classId',
    { classId },
  );

/** The held sessions of a link. */
export const sessionsOfLink = (
  db: Db,
  linkId: number,
): Promise<
  {
    title: string;
    local_date: string;
    local_time: string;
    start_at: string;
    end_at: string;
    status: 'planned' | 'moved';
  }[]
> =>
  db.rows(
    `SELECT title, local_date, local_time, start_at, end_at, status FROM occurrences WHERE link_id = :linkId AND draft = 0 AND status IN ('planned', 'moved')`,
    { linkId },
  );
