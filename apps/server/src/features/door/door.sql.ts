import {
  plusMinutes,
  type GuestComes,
  type KeptRules,
  type RuleLayer,
  type RuleSetting,
} from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { PreparedValues } from '../../db/preparedReads.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import { fill, named, withPlaces } from './places.js';
import { toSql } from '../../db/sqlTime.js';
import { HOSTED_BY_NAMED } from '../../http/accessStore.sql.js';
import type { DateRow } from '../plan/changedSession.js';
import { FIRST_HOST, LAYER_COLUMNS, type LayerRow } from '../entry/layers.sql.js';

// What decides at a door, in prepared statements of key look-ups. The link and its dates near now are kept until something
// about them changes; who asks, what they are there and what happens behind the door is asked each time, in one statement.
// Doors are asked all day, and by a whole class in one minute.

export type VisitorState = VisitorRow['state'];

/** Address, how they come, series (0: always), date (empty: all of the series). */
export type GuestTuple = [email: string, comes: GuestComes, seriesId: number, key: string];

/** A link as its door needs it. */
export interface LinkAtDoorRow extends LayerRow {
  link_id: number;
  code: string;
  link_state: 'live' | 'retired';
  put_away_at: string | null;
  label: string;
  kind_of_link: RuleSetting['kind'];
  /** For people by name alone. */
  for_named: number;
  class_id: number;
  class_title: string;
  class_ref: string;
  period: string | null;
  pennant: Pennant;
  host_name: string | null;
  for_class: number;
  meets_elsewhere: number;
  room_address: string | null;
  link_rules: KeptRules;
  /** For each guest: address, how they come, series and date; as JSON. */
  guest_list: string | GuestTuple[] | null;
}

const LINK = `
  SELECT l.id AS link_id, l.code, l.state AS link_state, l.label, l.kind AS kind_of_link, c.id AS class_id, c.title AS class_title, c.ref AS class_ref, c.period,
    c.pennant, c.put_away_at, l.rules AS link_rules, ${LAYER_COLUMNS}, COALESCE((SELECT np.name FROM link_hosts nl JOIN people np ON np.id = nl.person_id WHERE nl.link_id = l.id AND ${HOSTED_BY_NAMED} ORDER BY np.id LIMIT 1), h.name) AS host_name, l.room_address,
    (SELECT JSON_ARRAYAGG(JSON_ARRAY(g.email, g.comes, g.series_id, g.key_date)) FROM guests g WHERE g.link_id = l.id AND g.state = 'invited') AS guest_list,
    EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = l.id AND fa.class_id = l.class_id) AS for_class,
    (SELECT COUNT(*) + EXISTS (SELECT 1 FROM guests ng WHERE ng.link_id = l.id) > 0 AND COUNT(na.class_id) + COUNT(na.group_id) = 0 FROM link_audience na WHERE na.link_id = l.id) AS for_named,
    EXISTS (SELECT 1 FROM joined jw WHERE jw.class_id = l.class_id) AS meets_elsewhere
  FROM links l JOIN class_periods c ON c.id = l.class_id JOIN school sc ON sc.id = 1 LEFT JOIN people h ON h.id = ${FIRST_HOST}
  WHERE l.code = :code`;

export const linkAtDoor = async (db: Db, code: string): Promise<LinkAtDoorRow | undefined> =>
  (await db.prepared<LinkAtDoorRow>(LINK, { code }, ['put_away_at']))[0];

/** A session that a door could stand for. */
export interface DoorDateRow {
  occurrence_id: number;
  series_id: number;
  key_date: string;
  session_title: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: 'planned' | 'moved';
  layers: RuleLayer[] | string | null;
  /** It is cut into slots that people sign up for. */
  slotted: number;
  /** Who was brought in to it, a line each: a person’s number or an address. */
  invited_lines: string | null;
}

/** How far back a session that runs over is still looked for, and how far ahead doors may open, in minutes. */
const BACK = 12 * 60;
const AHEAD = 150;
/** No session is longer than a day; with it the index finds those near now. */
const LONGEST = 24 * 60;

/** Held dates near an instant, and the next one after them. */
const DATES = `
  SELECT o.id AS occurrence_id, o.series_id, o.key_date, o.title AS session_title, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.layers, EXISTS (SELECT 1 FROM slot_ways sw WHERE sw.series_id = o.series_id) AS slotted,
    (SELECT GROUP_CONCAT(COALESCE(i.person_id, i.email) SEPARATOR '\n') FROM invited i WHERE i.occurrence_id = o.id) AS invited_lines
  FROM occurrences o WHERE o.link_id = :linkId AND o.status IN ('planned', 'moved') AND o.draft = 0
    AND o.start_at > :longAgo AND o.end_at > :since AND o.start_at <= COALESCE(
      (SELECT n.start_at FROM occurrences n WHERE n.link_id = :linkId AND n.status IN ('planned', 'moved') AND n.draft = 0 AND n.start_at > :soon ORDER BY n.start_at LIMIT 1), :soon)`;

/** The dates that a link's door could stand for at an instant of school time, by when they start. */
export async function datesAtDoor(db: Db, linkId: number, at: string): Promise<DoorDateRow[]> {
  const values = {
    linkId,
    since: toSql(plusMinutes(at, -BACK)),
    soon: toSql(plusMinutes(at, AHEAD)),
    longAgo: toSql(plusMinutes(at, -BACK - LONGEST)),
  };
  const rows = await db.prepared<DoorDateRow>(DATES, values, ['start_at', 'end_at']);
  return rows.sort((a, b) => (a.start_at < b.start_at ? -1 : 1));
}

/** So many days around now are read; which of them people may stand there for is settled by the school's clock. */
const CHANGED_DAYS = 2;

const CHANGED = `
  SELECT o.title, o.status, o.local_date, o.local_time, o.minutes, o.why, o.was_date, o.was_time, o.was_minutes
  FROM occurrences o WHERE o.link_id = :linkId AND o.draft = 0 AND o.status IN ('cancelled', 'moved')
    AND (o.local_date BETWEEN :from AND :to OR o.was_date BETWEEN :from AND :to)`;

/** The dates of a link that were cancelled or moved and that people may come for at an instant of school time, and some more. */
export function changedAtDoor(db: Db, linkId: number, at: string): Promise<DateRow[]> {
  const day = (days: number): string => plusMinutes(at, days * 24 * 60).slice(0, 10);
  const values = { linkId, from: day(-CHANGED_DAYS), to: day(CHANGED_DAYS) };
  return db.prepared<DateRow>(CHANGED, values);
}

/** What happens behind the door of one date. */
export interface SittingAtDoor {
  sitting_id: number | null;
  opened_at: string | null;
  ended_at: string | null;
  host_left_at: string | null;
  room: string | null;
  room_address_kept: string | null;
  inside: number;
  hosts_inside: number;
  /** Taken: by whoever is in and does not only watch, and by whoever is on the way in. */
  seats: number;
  has_line: number;
  asks_account: number;
  all_share: number;
  chime: number | null;
}

/** The sittings of dates, by their occurrences. */
export type Sittings = Map<number, SittingAtDoor>;

/** Everyone inside, and the hosts among them, come from one look at the visitors. */
const sittingsSql = withPlaces(
  (places) => `
  SELECT m.occurrence_id, m.id AS sitting_id, m.opened_at, m.ended_at, m.host_left_at, m.room, m.room_address AS room_address_kept, m.asks_account, m.all_share, m.chime,
    (SELECT COUNT(*) FROM visitors x WHERE x.sitting_id = m.id AND x.inside = 1) AS inside,
    (SELECT COUNT(*) FROM visitors x WHERE x.sitting_id = m.id AND x.inside = 1 AND x.role = 'host') AS hosts_inside,
    (SELECT COUNT(*) FROM visitors x WHERE x.sitting_id = m.id AND x.role <> 'watcher' AND (x.inside = 1 OR (x.state = 'let-in' AND x.ticket_until > :machine))) AS seats,
    EXISTS (SELECT 1 FROM door_line dl WHERE dl.sitting_id = m.id) AS has_line
  FROM sittings m WHERE m.occurrence_id IN (${named('date', places)})`,
);

const SITTING_INSTANTS = ['opened_at', 'ended_at', 'host_left_at'] as const;

/** `now`: by machine time, by which ways in are good. */
export async function sittingsAtDoor(
  db: Db,
  occurrenceIds: number[],
  now: string,
): Promise<Sittings> {
  if (occurrenceIds.length === 0) return new Map();
  const [sql, places] = sittingsSql(occurrenceIds.length);
  const values: PreparedValues = { machine: toSql(now) };
  fill(values, 'date', occurrenceIds, places);
  const rows = await db.prepared<SittingAtDoor & { occurrence_id: number }>(
    sql,
    values,
    SITTING_INSTANTS,
  );
  return new Map(rows.map(({ occurrence_id, ...sitting }) => [occurrence_id, sitting]));
}
