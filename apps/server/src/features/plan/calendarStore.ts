import { fn, where, col } from 'sequelize';
import type { SessionPlan, SessionWords, KeptRules } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { plain } from '../../db/plain.js';
import { oneMore } from '../../db/versions.js';

interface SeriesOfSchool {
  id: number;
  class_id: number;
  link_id: number;
  title: string;
  description: string;
  plan: SessionPlan;
  draft: boolean;
  words: Record<string, Partial<SessionWords>>;
  rules: KeptRules;
  date_rules: Record<string, KeptRules>;
  class_title: string;
  period: string | null;
}

/** Every series with its class period, for what a calendar does to all of them; what has been put away follows as it is brought back. */
export async function allSeries(db: Db): Promise<SeriesOfSchool[]> {
  const series = await db.models.Series.findAll({
    where: { undated: false },
    include: [
      {
        association: 'classPeriod',
        attributes: ['title', 'period'],
        where: { put_away_at: null },
      },
    ],
    order: ['id'],
  });
  return series.map((row) => ({
    ...plain(row),
    class_title: row.classPeriod!.title,
    period: row.classPeriod!.period,
  }));
}

/** Every plan that goes by a zone goes by another, those put away or without a date too. */
export async function moveZone(db: Db, from: string, to: string): Promise<void> {
  await db.models.Series.update(
    { plan: fn('JSON_SET', col('plan'), '$.zone', to), version: oneMore('version') },
    { where: where(fn('JSON_VALUE', col('plan'), '$.zone'), from) },
  );
}

interface HostRow {
  class_id: number;
  person_id: number;
  name: string;
}

/** Who hosts each class period, by its id. */
export async function hostsByClass(db: Db): Promise<Map<number, HostRow[]>> {
  const staff = await db.models.ClassStaff.findAll({
    where: { as_what: ['host', 'co-teacher'] },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  const byClass = new Map<number, HostRow[]>();
  for (const { class_id, person_id, person } of staff)
    byClass.set(class_id, [
      ...(byClass.get(class_id) ?? []),
      { class_id, person_id, name: person!.name },
    ]);
  return byClass;
}
