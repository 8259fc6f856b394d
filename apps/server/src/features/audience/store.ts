import type { Db } from '../../db/connect.js';

/** The ids of everyone in a link's audience, and of the class periods that join an occurrence. Guests without an account have none. */
const MEMBERS = `
  SELECT r.person_id FROM link_audience la JOIN roll r ON r.class_id = la.class_id WHERE la.link_id = :linkId
  UNION SELECT g.person_id FROM link_audience la JOIN group_members g ON g.group_id = la.group_id WHERE la.link_id = :linkId
  UNION SELECT la.person_id FROM link_audience la WHERE la.link_id = :linkId AND la.person_id IS NOT NULL
  UNION SELECT r.person_id FROM joined j JOIN roll r ON r.class_id = j.class_id WHERE j.occurrence_id = :occurrenceId`;

/** Everyone whom a link is for, by name; at one occurrence with those who join it. */
export const peopleOfLink = (
  db: Db,
  linkId: number,
  occurrenceId = 0,
): Promise<{ id: number; name: string }[]> =>
  db.rows(`SELECT p.id, p.name FROM people p WHERE p.id IN (${MEMBERS}) ORDER BY p.name`, {
    linkId,
    occurrenceId,
  });

export const audienceSizes = async (db: Db, linkIds: number[]): Promise<Map<number, number>> => {
  const rows = await db.rows<{ id: number; n: number }>(
    `SELECT l.id, COUNT(DISTINCT m.person_id) AS n FROM links l JOIN (
       SELECT la.link_id, r.person_id FROM link_audience la JOIN roll r ON r.class_id = la.class_id WHERE la.link_id IN (:linkIds)
       UNION SELECT la.link_id, g.person_id FROM link_audience la JOIN group_members g ON g.group_id = la.group_id WHERE la.link_id IN (:linkIds)
       UNION SELECT la.link_id, la.person_id FROM link_audience la WHERE la.link_id IN (:linkIds) AND la.person_id IS NOT NULL) m ON m.link_id = l.id GROUP BY l.id`,
    { linkIds: [0, ...linkIds] },
  );
  return new Map(rows.map((row) => [row.id, Number(row.n)]));
};

export interface AudienceRow {
  link_id: number;
  class_id: number | null;
  class_title: string | null;
  period: string | null;
  class_size: number | null;
  group_id: number | null;
  group_name: string | null;
  group_size: number | null;
  person_id: number | null;
  person_name: string | null;
  email: string | null;
}

export const audienceOf = (db: Db, linkIds: number[]): Promise<AudienceRow[]> =>
  db.rows<AudienceRow>(
    `SELECT la.link_id, la.class_id, c.title AS class_title, c.period, (SELECT COUNT(*) FROM roll r WHERE r.class_id = la.class_id) AS class_size,
       la.group_id, g.name AS group_name, (SELECT COUNT(*) FROM group_members gm WHERE gm.group_id = la.group_id) AS group_size, la.person_id, p.name AS person_name, la.email
     FROM link_audience la LEFT JOIN class_periods c ON c.id = la.class_id LEFT JOIN class_groups g ON g.id = la.group_id LEFT JOIN people p ON p.id = la.person_id
     WHERE la.link_id IN (:linkIds) ORDER BY la.id`,
    { linkIds: [0, ...linkIds] },
  );

export const linkHostsOf = (
  db: Db,
  linkIds: number[],
): Promise<{ link_id: number; id: number; name: string }[]> =>
  db.rows(
    'SELECT lh.link_id, p.id, p.name FROM link_hosts lh JOIN people p ON p.id = lh.person_id WHERE lh.link_id IN (:linkIds) ORDER BY p.name',
    { linkIds: [0, ...linkIds] },
  );

export interface Audience {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  emails: string[];
}

export async function writeAudience(
  db: Db,
  linkId: number,
  { classIds, groupIds, personIds, emails }: Audience,
): Promise<void> {
  await db.change('DELETE FROM link_audience WHERE link_id = :linkId', { linkId });
  const row = (part: {
    class_id?: number;
    group_id?: number;
    person_id?: number;
    email?: string;
  }) => ({
    link_id: linkId,
    class_id: null,
    group_id: null,
    person_id: null,
    email: null,
    ...part,
  });
  await db.insertAll('link_audience', [
    ...classIds.map((class_id) => row({ class_id })),
    ...groupIds.map((group_id) => row({ group_id })),
    ...personIds.map((person_id) => row({ person_id })),
    ...emails.map((email) => row({ email })),
  ]);
}

export async function writeHosts(db: Db, linkId: number, personIds: number[]): Promise<void> {
  await db.change('DELETE FROM link_hosts WHERE link_id = :linkId', { linkId });
  await db.insertAll(
    'link_hosts',
    personIds.map((person_id) => ({ link_id: linkId, person_id })),
  );
}

/** Whether a link is for all of a class period. */
export const isForAllOf = async (db: Db, linkId: number, classId: number): Promise<boolean> =>
  (await db.one(
    'SELECT 1 AS yes FROM link_audience WHERE link_id = :linkId AND class_id = :classId',
    { linkId, classId },
  )) !== undefined;
