import type { Db, Values } from '../../db/connect.js';
import { HOSTED_BY_NAMED } from '../../http/accessStore.sql.js';
import type { MeantAs } from '../../db/models/LinkPerson.js';

/** Somebody who is meant by a link; series_id 0: always, key_date '': at all dates of the series. */
export interface Meant {
  link_id: number;
  person_id: number;
  as_what: MeantAs;
  series_id: number;
  key_date: string;
}

interface Branch {
  link: string;
  person: string;
  sql: string;
}

const ALWAYS = `0 AS series_id, '' AS key_date`;
const AS_SHARED = `COALESCE(sh.series_id, 0) AS series_id, COALESCE(sh.key_date, '') AS key_date`;
/** A class period that has been put away joins nobody. */
const SHARES = 'shares sh JOIN class_periods c ON c.id = sh.class_id AND c.put_away_at IS NULL';

/** Named by dates: for whatever is held on them. */
const BY_DATES = `(n.weekday <> '' OR n.from_date <> '' OR n.until_date <> '')`;
const IS_ITS_DATE = `(n.series_id = 0 OR o.series_id = n.series_id) AND (n.key_date = '' OR o.key_date = n.key_date)
  AND n.weekday IN ('', ELT(WEEKDAY(o.local_date) + 1, 'MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'))
  AND (n.from_date = '' OR o.local_date >= n.from_date) AND (n.until_date = '' OR o.local_date <= n.until_date)`;
/** A presenter, and one who takes over besides. */
const AS_NAMED = `JOIN (SELECT 'presenter' AS as_what UNION ALL SELECT 'takes-over') w ON (w.as_what = 'presenter' OR n.takes_over = 1)`;

/** What makes somebody meant by a link, each by itself. */
const BRANCHES: Branch[] = [
  {
    link: 'l.id',
    person: 's.person_id',
    sql: `SELECT l.id AS link_id, s.person_id, IF(s.as_what = 'presenter', 'presenter', 'host') AS as_what, ${ALWAYS}
      FROM links l JOIN class_staff s ON s.class_id = l.class_id AND NOT (${HOSTED_BY_NAMED})`,
  },
  {
    link: 'h.link_id',
    person: 'h.person_id',
    sql: `SELECT h.link_id, h.person_id, 'tutor', ${ALWAYS} FROM link_hosts h`,
  },
  {
    link: 'n.link_id',
    person: 'n.person_id',
    sql: `SELECT n.link_id, n.person_id, w.as_what, n.series_id, n.key_date FROM link_presenters n ${AS_NAMED} AND NOT ${BY_DATES}`,
  },
  {
    link: 'n.link_id',
    person: 'n.person_id',
    sql: `SELECT n.link_id, n.person_id, w.as_what, o.series_id, o.key_date FROM link_presenters n ${AS_NAMED} JOIN occurrences o ON o.link_id = n.link_id AND ${BY_DATES} AND ${IS_ITS_DATE}`,
  },
  {
    link: 'a.link_id',
    person: 'r.person_id',
    sql: `SELECT a.link_id, r.person_id, 'member', ${ALWAYS} FROM link_audience a JOIN roll r ON r.class_id = a.class_id`,
  },
  {
    link: 'a.link_id',
    person: 'm.person_id',
    sql: `SELECT a.link_id, m.person_id, 'member', ${ALWAYS} FROM link_audience a JOIN group_members m ON m.group_id = a.group_id`,
  },
  {
    link: 'a.link_id',
    person: 'a.person_id',
    sql: `SELECT a.link_id, p.id, 'member', ${ALWAYS} FROM link_audience a JOIN people p ON p.id = a.person_id`,
  },
  {
    link: 'sh.link_id',
    person: 'r.person_id',
    sql: `SELECT sh.link_id, r.person_id, 'joining-member', ${AS_SHARED} FROM ${SHARES} JOIN roll r ON r.class_id = sh.class_id`,
  },
  {
    link: 'sh.link_id',
    person: 's.person_id',
    sql: `SELECT sh.link_id, s.person_id, IF(s.as_what = 'presenter', 'joining-presenter', 'joining-host'), ${AS_SHARED}
      FROM ${SHARES} JOIN class_staff s ON s.class_id = sh.class_id`,
  },
];

const definition = (by: 'link' | 'person'): string =>
  BRANCHES.map((branch) => `${branch.sql} WHERE ${branch[by]} IN (:ids)`).join('\nUNION ');

const BY_LINK = definition('link');
const BY_PERSON = definition('person');

/**
 * Who is meant by some links, or by which links some people are: the definition that `link_people` is kept by. Nine
 * tables are asked, so that this is asked only where something changes.
 */
export function meantBy(
  db: Db,
  of: { linkIds: number[] } | { personIds: number[] },
): Promise<Meant[]> {
  const [sql, ids] = 'linkIds' in of ? [BY_LINK, of.linkIds] : [BY_PERSON, of.personIds];
  const values: Values = { ids: [0, ...ids] };
  return db.rows<Meant>(sql, values);
}
