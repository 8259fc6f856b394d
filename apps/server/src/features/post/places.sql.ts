import type { RuleLayer } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { DateRow } from '../plan/changedSession.js';
import type { PostPlaceRow } from '../../db/models/PostPlace.js';

// Places with their class periods and links, and every date that posts there may speak of: read whole, for many posts at
// once, whenever anything about a class period changes.

export interface PlaceRow {
  id: number;
  post_id: number;
  class_id: number;
  link_id: number;
  kind: PostPlaceRow['kind'];
  shape: PostPlaceRow['shape'];
  /** Taken off the post, or its class period has been put away. */
  removed: number;
  class_ref: string;
  class_title: string;
  period: string | null;
  pennant: Pennant;
  code: string;
  link_label: string;
  link_state: 'live' | 'retired';
  /** The post’s maker no longer hosts there. */
  lost: number;
  /** Whoever asks hosts there. */
  mine: number;
}

const HOSTED_BY = (person: string): string =>
  `EXISTS (SELECT 1 FROM class_staff cs WHERE cs.class_id = pp.class_id AND cs.person_id = ${person} AND cs.as_what <> 'presenter')`;

export const placesOf = (db: Db, postIds: number[], personId = 0): Promise<PlaceRow[]> =>
  db.rows<PlaceRow>(
    `SELECT pp.id, pp.post_id, pp.class_id, pp.link_id, pp.kind, pp.shape, c.ref AS class_ref, c.title AS class_title, c.period, c.pennant,
       l.code, l.label AS link_label, l.state AS link_state, pp.removed OR c.put_away_at IS NOT NULL AS removed,
       NOT ${HOSTED_BY('p.made_by')} AS lost, ${HOSTED_BY(':personId')} AS mine
     FROM post_places pp JOIN posts p ON p.id = pp.post_id JOIN class_periods c ON c.id = pp.class_id JOIN links l ON l.id = pp.link_id
     WHERE pp.post_id IN (:postIds) ORDER BY pp.id`,
    { postIds: [0, ...postIds], personId },
  );

export interface PostOccurrenceRow extends DateRow {
  id: number;
  series_id: number;
  link_id: number;
  description: string;
  key_date: string;
  start_at: string;
  end_at: string;
  layers: RuleLayer[] | null;
  ended_at: string | null;
}

/** Every date of some links that a post may speak of; drafts are nobody's business. */
export const occurrencesOfLinks = (db: Db, linkIds: number[]): Promise<PostOccurrenceRow[]> =>
  db.rows<PostOccurrenceRow>(
    `SELECT o.id, o.series_id, o.link_id, o.title, o.description, o.key_date, o.local_date, o.local_time, o.start_at, o.end_at, o.status, o.why, o.was_date, o.was_time, o.was_minutes, o.minutes,
       o.layers, m.ended_at
     FROM occurrences o LEFT JOIN sittings m ON m.occurrence_id = o.id
     WHERE o.link_id IN (:linkIds) AND o.draft = 0 AND o.status <> 'skipped' ORDER BY o.start_at, o.id`,
    { linkIds: [0, ...linkIds] },
  );

/** How many read at places: of a class period, of a group, or of a link's audience within the class period. */
export async function readerCounts(db: Db, places: PlaceRow[]): Promise<Map<number, number>> {
  if (places.length === 0) return new Map();
  const rows = await db.rows<{ id: number; n: number }>(
    `SELECT pp.id, CASE
       WHEN JSON_VALUE(pp.shape, '$.readers.groupId') IS NOT NULL THEN (SELECT COUNT(*) FROM group_members g WHERE g.group_id = JSON_VALUE(pp.shape, '$.readers.groupId'))
       WHEN JSON_VALUE(pp.shape, '$.readers') = 'audience' THEN (SELECT COUNT(*) FROM link_people lp JOIN roll r ON r.class_id = pp.class_id AND r.person_id = lp.person_id
         WHERE lp.link_id = pp.link_id AND lp.as_what = 'member')
       ELSE (SELECT COUNT(*) FROM roll r WHERE r.class_id = pp.class_id) END AS n
     FROM post_places pp WHERE pp.id IN (:ids)`,
    { ids: places.map((p) => p.id) },
  );
  return new Map(rows.map((row) => [row.id, Number(row.n)]));
}
