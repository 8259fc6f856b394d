import type { Occurrence, RuleLayer, SessionPlan, KeptRules } from '@glen/core';
import type { Db } from '../../db/connect.js';

export interface NotchRow {
  id: number;
  series_id: number;
  class_id: number;
  key_date: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  was_date: string | null;
  was_time: string | null;
  was_minutes: number | null;
  why: string | null;
  title: string;
  link_id: number;
  layers: RuleLayer[] | null;
  for_class: number;
}

/** Whether an occurrence's link is for all of its class period. */
const FOR_CLASS =
  'EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = o.link_id AND fa.class_id = o.class_id)';

/** Drafts are their hosts' business alone. */
const VISIBLE = `(o.draft = 0 OR EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = o.class_id AND cs.person_id = :personId AND cs.as_what <> 'presenter'))`;

/** The links of class periods: their dates stand in an index by link and day. Asked by class period or day, the database would look through those of the whole year, or of the whole school. */
async function linksOf(db: Db, classIds: number[]): Promise<number[]> {
  const links = await db.models.Link.findAll({ attributes: ['id'], where: { class_id: classIds } });
  return [0, ...links.map((link) => link.id)];
}

const DATES_OF_LINKS =
  'occurrences o WHERE o.link_id IN (:linkIds) AND o.local_date BETWEEN :from AND :to';

export const notchesBetween = async (
  db: Db,
  { classIds, ...of }: { from: string; to: string; classIds: number[]; personId: number },
): Promise<NotchRow[]> =>
  db.rows<NotchRow>(
    `SELECT o.id, o.series_id, o.class_id, o.key_date, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.was_date, o.was_time, o.was_minutes, o.why, o.title, o.link_id, o.layers, ${FOR_CLASS} AS for_class
     FROM ${DATES_OF_LINKS} AND o.status <> 'skipped' AND ${VISIBLE} ORDER BY o.start_at, o.id`,
    { ...of, linkIds: await linksOf(db, classIds) },
  );

export const seriesOfClasses = (
  db: Db,
  classIds: number[],
  personId: number,
): Promise<
  {
    id: number;
    class_id: number;
    version: number;
    title: string;
    plan: SessionPlan;
    draft: number;
    undated: number;
    link_id: number;
    rules: KeptRules;
  }[]
> =>
  db.rows(
    `SELECT o.id, o.class_id, o.version, o.title, o.plan, o.draft, o.undated, o.link_id, o.rules FROM series o WHERE o.class_id IN (:classIds) AND o.removed_at IS NULL AND ${VISIBLE} ORDER BY o.id`,
    { classIds, personId },
  );

interface Common {
  class_id: number;
  person_id: number;
  name: string;
  staff: number;
}

/** The people of a class period, and of every other those who are in both: teaching, visiting, or on the roll. Begun from the people, who are few. */
export const peopleInCommon = (db: Db, classId: number): Promise<Common[]> =>
  db.rows<Common>(
    `WITH mine AS (SELECT person_id FROM class_staff WHERE class_id = :classId UNION SELECT person_id FROM roll WHERE class_id = :classId)
     SELECT e.class_id, e.person_id, p.name, MAX(e.staff) AS staff FROM (
       SELECT cs.class_id, cs.person_id, 1 AS staff FROM mine JOIN class_staff cs ON cs.person_id = mine.person_id
       UNION ALL SELECT r.class_id, r.person_id, 0 FROM mine JOIN roll r ON r.person_id = mine.person_id) e
     JOIN people p ON p.id = e.person_id GROUP BY e.class_id, e.person_id, p.name ORDER BY e.class_id, staff DESC, e.person_id`,
    { classId },
  );

export const bookingsOf = async (
  db: Db,
  { classIds, ...of }: { from: string; to: string; classIds: number[]; exceptSeries: number },
): Promise<NotchRow[]> =>
  db.rows<NotchRow>(
    `SELECT o.id, o.series_id, o.class_id, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.title, o.link_id, o.layers, ${FOR_CLASS} AS for_class FROM ${DATES_OF_LINKS} AND o.status IN ('planned', 'moved') AND o.draft = 0 AND o.series_id <> :exceptSeries ORDER BY o.start_at, o.id`,
    { ...of, linkIds: await linksOf(db, classIds) },
  );

/** Whom links for a part of their class period hold: their audience and their own hosts. */
export async function peopleOfLinks(
  db: Db,
  linkIds: number[],
): Promise<{ link_id: number; person_id: number }[]> {
  const meant = await db.models.LinkPerson.findAll({
    where: { link_id: [...new Set(linkIds)], as_what: ['member', 'tutor'] },
  });
  return meant.map(({ link_id, person_id }) => ({ link_id, person_id }));
}
