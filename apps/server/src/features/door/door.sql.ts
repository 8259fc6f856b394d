import { plusMinutes, type EntryRules, type RuleLayer } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';
import type { MeantAs } from '../../db/models/LinkPerson.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import { toSql } from '../../db/sqlTime.js';
import { hashToken, type WhoRow } from '../../http/who.js';
import { rolesOf } from '../../http/whoStore.sql.js';
import { FIRST_HOST, LAYER_COLUMNS, type LayerRow } from '../entry/layers.sql.js';

// What decides at a door, in two prepared statements of key look-ups: the link, which is kept until something about it
// changes, and whoever asks with the sessions near now. Doors are asked all day, and by a whole class in one minute.

export type VisitorState = VisitorRow['state'];

/** A link as its door needs it. */
export interface LinkAtDoorRow extends LayerRow {
  link_id: number;
  code: string;
  link_state: 'live' | 'retired';
  put_away_at: string | null;
  label: string;
  class_id: number;
  class_title: string;
  class_ref: string;
  period: string | null;
  pennant: Pennant;
  host_name: string | null;
  for_class: number;
  meets_elsewhere: number;
  room_address: string | null;
  link_rules: Partial<EntryRules>;
}

const LINK = `
  SELECT l.id AS link_id, l.code, l.state AS link_state, l.label, c.id AS class_id, c.title AS class_title, c.ref AS class_ref, c.period,
    c.pennant, c.put_away_at, l.rules AS link_rules, ${LAYER_COLUMNS}, h.name AS host_name, l.room_address,
    EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = l.id AND fa.class_id = l.class_id) AS for_class,
    EXISTS (SELECT 1 FROM joined jw WHERE jw.class_id = l.class_id) AS meets_elsewhere
  FROM links l JOIN class_periods c ON c.id = l.class_id JOIN school sc ON sc.id = 1 LEFT JOIN people h ON h.id = ${FIRST_HOST}
  WHERE l.code = :code`;

export const linkAtDoor = async (db: Db, code: string): Promise<LinkAtDoorRow | undefined> =>
  (await db.prepared<LinkAtDoorRow>(LINK, { code }))[0];

/** A session that the door could stand for, what happens behind it, and the place in it of whoever asks. */
export interface DoorSessionRow {
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
  sitting_id: number | null;
  opened_at: string | null;
  ended_at: string | null;
  host_left_at: string | null;
  room: string | null;
  inside: number;
  hosts_inside: number;
  acting: number;
  invited: number;
  layers: RuleLayer[] | string | null;
  room_address_kept: string | null;
  visitor_id: number | null;
  visitor_state: VisitorState | null;
  entry_code: string | null;
  may_present: number | null;
  word: string | null;
  knocked_at: string | null;
}

/** What somebody is at a link; `seriesId` 0: always, `key` '': at all dates of the series. */
export interface MeantHere {
  as: MeantAs;
  seriesId: number;
  key: string;
}

/** Who asks, and what they are at the link. */
export interface AskerRow extends WhoRow {
  meant: MeantHere[];
  /** The link is for their address. */
  by_address: number;
}

/** Who stands at a door: whoever holds a browser's token, or, for trying the door, an account or nobody. */
export type Asker = { token: string | undefined } | { accountId: number | null };

/** How far back a session that runs over is still looked for, and how far ahead doors may open, in minutes. */
const BACK = 12 * 60;
const AHEAD = 150;
/** No session is longer than a day; with it the index finds those near now. */
const LONGEST = 24 * 60;

/** Whoever is inside is counted only where anybody entered. No ORDER BY: with it the database would write the rules of every row to a temporary table first. */
const askerSql = (account: string): string => `
  SELECT bs.id AS session_id, a.id AS account_id, a.kind, a.email, p.id AS person_id, p.name AS person_name, ${rolesOf('p.id')} AS person_roles,
    (SELECT GROUP_CONCAT(CONCAT_WS(' ', lp.as_what, lp.series_id, lp.key_date)) FROM link_people lp WHERE lp.link_id = :linkId AND lp.person_id = p.id) AS meant_as,
    EXISTS (SELECT 1 FROM link_audience lg WHERE lg.link_id = :linkId AND lg.email = a.email) AS by_address,
    o.id AS occurrence_id, o.series_id, o.key_date, o.title AS session_title, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.layers,
    m.id AS sitting_id, m.opened_at, m.ended_at, m.host_left_at, m.room, m.room_address AS room_address_kept,
    IF(m.id IS NULL, '0/0', (SELECT CONCAT(COUNT(*), '/', COALESCE(SUM(x.role = 'host'), 0)) FROM visitors x WHERE x.sitting_id = m.id AND x.inside = 1)) AS counts,
    ah.person_id IS NOT NULL AS acting, i.id IS NOT NULL AS invited,
    v.id AS visitor_id, v.state AS visitor_state, v.entry_code, v.may_present, v.word, v.knocked_at
  FROM (SELECT 1 AS asked) one
  LEFT JOIN browser_sessions bs ON bs.token_hash = :hash AND bs.expires_at > :machine
  LEFT JOIN accounts a ON a.id = ${account} LEFT JOIN people p ON p.id = a.person_id
  LEFT JOIN occurrences o ON o.link_id = :linkId AND o.status IN ('planned', 'moved') AND o.draft = 0
    AND o.start_at > :longAgo AND o.end_at > :since AND o.start_at <= COALESCE(
      (SELECT n.start_at FROM occurrences n WHERE n.link_id = :linkId AND n.status IN ('planned', 'moved') AND n.draft = 0 AND n.start_at > :soon ORDER BY n.start_at LIMIT 1), :soon)
  LEFT JOIN sittings m ON m.occurrence_id = o.id
  LEFT JOIN acting_hosts ah ON ah.sitting_id = m.id AND ah.person_id = a.person_id
  LEFT JOIN visitors v ON v.sitting_id = m.id AND v.visitor_key = IF(a.id IS NULL, CONCAT('s', bs.id), CONCAT('a', a.id))
  LEFT JOIN invited i ON i.occurrence_id = o.id AND (i.person_id = a.person_id OR i.email = a.email)`;

const BY_BROWSER = askerSql('bs.account_id');
const BY_ACCOUNT = askerSql(':accountId');

interface AskedRow extends WhoRow {
  meant_as: string | null;
  by_address: number;
  counts: string;
}

/** `joining-host 12 2026-10-14,member 0`. */
function readMeant(listed: string | null): MeantHere[] {
  if (listed === null) return [];
  return listed.split(',').map((one) => {
    const [as, seriesId, key = ''] = one.split(' ');
    return { as: as as MeantAs, seriesId: Number(seriesId), key };
  });
}

/** Who asks, without what the row says of a session. */
function askerFrom(row: AskedRow): AskerRow {
  const { session_id, account_id, kind, email, person_id, person_name, person_roles } = row;
  const who = { session_id, account_id, kind, email, person_id, person_name, person_roles };
  return { ...who, by_address: row.by_address, meant: readMeant(row.meant_as) };
}

/** Everyone inside, and the hosts among them, come from one look at the visitors. */
function withCounts(row: AskedRow & DoorSessionRow): DoorSessionRow {
  const [inside, hosts] = row.counts.split('/');
  return { ...row, inside: Number(inside), hosts_inside: Number(hosts) };
}

/** Who asks at a link's door at an instant, and the sessions that it could stand for, by when they start. */
export async function askerAtDoor(
  { db, clock }: { db: Db; clock: Clock },
  linkId: number,
  asker: Asker,
  at: string,
): Promise<{ asker: AskerRow; sessions: DoorSessionRow[] }> {
  const byBrowser = 'token' in asker;
  const rows = await db.prepared<AskedRow & (DoorSessionRow | { occurrence_id: null })>(
    byBrowser ? BY_BROWSER : BY_ACCOUNT,
    {
      linkId,
      machine: toSql(clock.machine()),
      hash: byBrowser && asker.token ? hashToken(asker.token) : '',
      ...(byBrowser ? {} : { accountId: asker.accountId }),
      since: toSql(plusMinutes(at, -BACK)),
      soon: toSql(plusMinutes(at, AHEAD)),
      longAgo: toSql(plusMinutes(at, -BACK - LONGEST)),
    },
  );
  const first = rows[0]!;
  const sessions = rows
    .filter((row): row is AskedRow & DoorSessionRow => row.occurrence_id !== null)
    .map(withCounts)
    .sort((a, b) => (a.start_at < b.start_at ? -1 : 1));
  return { asker: askerFrom(first), sessions };
}
