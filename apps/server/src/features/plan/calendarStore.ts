import type { EntryRules, SessionPlan, SessionWords } from '@glen/core';
import type { Db } from '../../db/connect.js';

/** Every series with its class period, for what a calendar does to all of them; what has been put away follows as it is brought back. */
export const allSeries = (db: Db) =>
  db.rows<{
    id: number;
    class_id: number;
    link_id: number;
    title: string;
    description: string;
    plan: SessionPlan;
    draft: number;
    words: Record<string, Partial<SessionWords>>;
    rules: Partial<EntryRules>;
    date_rules: Record<string, Partial<EntryRules>>;
    class_title: string;
    period: string | null;
  }>(
    'SELECT s.id, s.class_id, s.link_id, s.title, s.description, s.plan, s.draft, s.words, s.rules, s.date_rules, c.title AS class_title, c.period FROM series s JOIN class_periods c ON c.id = s.class_id WHERE s.undated = 0 AND c.put_away_at IS NULL ORDER BY s.id',
    {},
  );

/** Every plan that goes by a zone goes by another, those put away or without a date too. */
export const moveZone = (db: Db, from: string, to: string): Promise<number> =>
  db.change(
    `UPDATE series SET plan = JSON_SET(plan, '$.zone', :to), version = version + 1 WHERE JSON_VALUE(plan, '$.zone') = :from`,
    { from, to },
  );

interface HostRow {
  class_id: number;
  person_id: number;
  name: string;
}

/** Who hosts each class period, by its id. */
export async function hostsByClass(db: Db): Promise<Map<number, HostRow[]>> {
  const rows = await db.rows<HostRow>(
    `SELECT cs.class_id, p.id AS person_id, p.name FROM class_staff cs JOIN people p ON p.id = cs.person_id WHERE cs.as_what IN ('host', 'co-teacher') ORDER BY p.name`,
    {},
  );
  const byClass = new Map<number, HostRow[]>();
  for (const row of rows) byClass.set(row.class_id, [...(byClass.get(row.class_id) ?? []), row]);
  return byClass;
}
