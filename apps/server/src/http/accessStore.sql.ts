import type { ClassSubject } from '@glen/contract';
import type { Db } from '../db/connect.js';

// Asked before every endpoint that speaks of a class period: one statement, however the path names it.

/** What somebody is to the class period that a path parameter speaks of. */
export interface Standing {
  as: 'host' | 'co-teacher' | 'presenter' | null;
  /** Host at that door, or reader of that link, without being so in its class period. */
  otherwise: boolean;
  /** The class period has been put away. */
  isAtRest: boolean;
  /** A draft, which is its class period's hosts' alone. */
  isDraft: boolean;
  /** Of a link that those named at it host alone: they are none of them. */
  isLeftOut: boolean;
  /** They are there for a cover alone. */
  isCovering: boolean;
}

/** Whether link `l` is hosted by those alone who are named at it: one of them has to host its class period, so that it is never nobody's. */
export const HOSTED_BY_NAMED = `l.hosted_by = 'named' AND EXISTS (
  SELECT 1 FROM link_hosts nh JOIN class_staff ns ON ns.class_id = l.class_id AND ns.person_id = nh.person_id AND ns.as_what <> 'presenter' WHERE nh.link_id = l.id)`;

/** Whether link `l` is others' alone to host. */
export const LEFT_OUT = `(${HOSTED_BY_NAMED} AND NOT EXISTS (SELECT 1 FROM link_hosts mh WHERE mh.link_id = l.id AND mh.person_id = :personId))`;

/** Hosts at a link without being so in its class period: by themselves, or because their own class period meets there too (the door itself looks when). */
const HOST_OTHERWISE = `as_what IN ('tutor', 'joining-host')`;

/** Who is host at the door that a path parameter speaks of without being so in its class period: by a handing-over until that session's end, or at that link. */
const ACTING: Partial<Record<ClassSubject, string>> = {
  linkId: `SELECT 1 FROM acting_hosts ah JOIN sittings m ON m.id = ah.sitting_id WHERE m.link_id = :id AND m.ended_at IS NULL AND ah.person_id = :personId
    UNION ALL SELECT 1 FROM link_people lp WHERE lp.link_id = :id AND lp.person_id = :personId AND lp.${HOST_OTHERWISE}`,
  visitorId: `SELECT 1 FROM visitors v JOIN acting_hosts ah ON ah.sitting_id = v.sitting_id JOIN sittings m ON m.id = v.sitting_id WHERE v.id = :id AND m.ended_at IS NULL AND ah.person_id = :personId
    UNION ALL SELECT 1 FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN link_people lp ON lp.link_id = m.link_id WHERE v.id = :id AND lp.person_id = :personId AND lp.${HOST_OTHERWISE}`,
};

/** Who reads of a link what its class period's teachers read: a host at that link alone, and who is named to present there. */
const TUTOR: Partial<Record<ClassSubject, string>> = {
  linkId: `SELECT 1 FROM link_people lp WHERE lp.link_id = :id AND lp.person_id = :personId AND lp.as_what IN ('tutor', 'presenter')`,
};

const DRAFT_OF_POST = `JSON_VALUE(p.timing, '$.kind') = 'draft'`;

/** How to find the class period that a path parameter speaks of, and whether it is a draft there. */
const CLASS_OF: Record<ClassSubject, { sql: string; what: string }> = {
  classId: {
    sql: 'SELECT c.id, 0 AS draft, 0 AS left_out FROM class_periods c WHERE c.id = :id',
    what: 'This class period',
  },
  seriesId: {
    sql: `SELECT s.class_id AS id, s.draft, ${LEFT_OUT} AS left_out FROM series s JOIN links l ON l.id = s.link_id WHERE s.id = :id`,
    what: 'This session',
  },
  postId: {
    sql: `SELECT p.class_id AS id, ${DRAFT_OF_POST} AS draft, 0 AS left_out FROM posts p WHERE p.id = :id`,
    what: 'This post',
  },
  placementId: {
    sql: `SELECT pp.class_id AS id, ${DRAFT_OF_POST} AS draft, 0 AS left_out FROM placements pl JOIN post_places pp ON pp.id = pl.place_id JOIN posts p ON p.id = pp.post_id WHERE pl.id = :id`,
    what: 'This placement',
  },
  linkId: {
    sql: `SELECT l.class_id AS id, 0 AS draft, ${LEFT_OUT} AS left_out FROM links l WHERE l.id = :id`,
    what: 'This link',
  },
  visitorId: {
    sql: `SELECT l.class_id AS id, 0 AS draft, ${LEFT_OUT} AS left_out FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN links l ON l.id = m.link_id WHERE v.id = :id`,
    what: 'This visitor',
  },
};

export const nameOfSubject = (subject: ClassSubject): string => CLASS_OF[subject].what;

interface StandingRow {
  as_what: Standing['as'];
  draft: number;
  otherwise: number;
  at_rest: number;
  left_out: number;
  covering: number;
}

/** What a person is to it; nothing where there is no such thing. `asks`: what counts beside the class period's staff. */
export async function standingOf(
  db: Db,
  subject: { kind: ClassSubject; id: number },
  personId: number,
  asks: 'door' | 'link' | 'class',
): Promise<Standing | undefined> {
  const others = { door: ACTING[subject.kind], link: TUTOR[subject.kind], class: undefined };
  const other = others[asks];
  const row = await db.one<StandingRow>(
    `SELECT cs.as_what, found.draft, found.left_out, ${other ? `EXISTS (${other})` : '0'} AS otherwise, fc.put_away_at IS NOT NULL AS at_rest, cs.cover_id IS NOT NULL AS covering
     FROM (${CLASS_OF[subject.kind].sql}) found JOIN class_periods fc ON fc.id = found.id LEFT JOIN class_staff cs ON cs.class_id = found.id AND cs.person_id = :personId`,
    { id: subject.id, personId },
  );
  return (
    row && {
      as: row.as_what,
      otherwise: Boolean(row.otherwise),
      isAtRest: Boolean(row.at_rest),
      isDraft: Boolean(row.draft),
      isLeftOut: Boolean(row.left_out),
      isCovering: Boolean(row.covering),
    }
  );
}

/** Whether somebody hosts a class period on whose roll a person stands; nothing where there is no such person. */
export async function teachesPerson(
  db: Db,
  teacherId: number,
  personId: number,
): Promise<boolean | undefined> {
  const { Person, RollEntry, ClassStaff } = db.models;
  const person = await Person.count({ where: { id: personId, merged_into: null } });
  if (person === 0) return undefined;
  const rolls = await RollEntry.findAll({ where: { person_id: personId } });
  const hosted = await ClassStaff.count({
    where: {
      person_id: teacherId,
      class_id: rolls.map((row) => row.class_id),
      as_what: ['host', 'co-teacher'],
    },
  });
  return hosted > 0;
}
