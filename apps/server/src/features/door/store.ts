import { plusMinutes, type RuleLayer } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { Clock } from '../../clock.js';
import { toSql, type Db, type Value } from '../../db/connect.js';
import { WHO_COLUMNS } from '../../http/whoStore.js';
import { hashToken, type WhoRow } from '../../http/who.js';
import { FIRST_HOST, LAYER_COLUMNS, type LayerRow } from '../entry/store.js';
import { hostsJoined, inAudience, inJoined, presentsJoined } from '../audience/fragments.sql.js';

export type VisitorState = 'waiting' | 'let-in' | 'turned-away' | 'put-out';

/** The link, its class period and its rules, and who asks with what they are there. */
export interface DoorRow extends WhoRow, LayerRow {
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
  as_what: 'host' | 'co-teacher' | 'presenter' | null;
  on_roll: number;
  link_host: number;
  link_invited: number;
  for_class: number;
  meets_elsewhere: number;
  room_address: string | null;
}

/** A session that the door could stand for, what happens behind it, and the place in it of whoever asks. */
export interface DoorSessionRow {
  occurrence_id: number;
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
  room_ready: number | null;
  inside: number;
  hosts_inside: number;
  acting: number;
  invited: number;
  joined_roll: number;
  joined_host: number;
  joined_named: number;
  layers: RuleLayer[] | string | null;
  room_address_kept: string | null;
  visitor_id: number | null;
  visitor_state: VisitorState | null;
  entry_code: string | null;
  may_present: number | null;
  word: string | null;
  knocked_at: string | null;
}

/** Who stands at a door: whoever holds a browser's token, or, for trying the door, an account or nobody. */
export type Asker = { token: string | undefined } | { accountId: number | null };

/** How far back a session that runs over is still looked for, and how far ahead doors may open, in minutes. */
const BACK = 12 * 60;
const AHEAD = 150;
/** No session is longer than a day; with it the index finds those near now. */
const LONGEST = 24 * 60;

/** Whoever is inside is counted only where anybody entered. No ORDER BY: with it the database would write the rules of every row to a temporary table first. */
const doorSql = (account: string): string => `
  SELECT l.id AS link_id, l.code, l.state AS link_state, l.label, c.id AS class_id, c.title AS class_title, c.ref AS class_ref, c.period, c.pennant, c.put_away_at, l.rules AS link_rules, ${LAYER_COLUMNS},
    h.name AS host_name, ${WHO_COLUMNS}, cs.as_what, l.room_address, ${inAudience('l.id', 'p.id')} AS on_roll,
    EXISTS (SELECT 1 FROM link_hosts lh WHERE lh.link_id = l.id AND lh.person_id = p.id) AS link_host,
    EXISTS (SELECT 1 FROM link_audience lg WHERE lg.link_id = l.id AND (lg.email = a.email OR (lg.person_id = p.id AND EXISTS (SELECT 1 FROM person_roles gr WHERE gr.person_id = p.id AND gr.role = 'guest')))) AS link_invited,
    EXISTS (SELECT 1 FROM link_audience fa WHERE fa.link_id = l.id AND fa.class_id = l.class_id) AS for_class, EXISTS (SELECT 1 FROM joined jw WHERE jw.class_id = l.class_id) AS meets_elsewhere,
    o.id AS occurrence_id, o.title AS session_title, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.layers, ${inJoined('o.id', 'p.id')} AS joined_roll, ${hostsJoined('o.id', 'p.id')} AS joined_host, ${presentsJoined('o.id', 'p.id')} AS joined_named,
    m.id AS sitting_id, m.opened_at, m.ended_at, m.host_left_at, m.room, m.room_ready, m.room_address AS room_address_kept,
    IF(m.id IS NULL, '0/0', (SELECT CONCAT(COUNT(*), '/', COALESCE(SUM(x.role = 'host'), 0)) FROM visitors x WHERE x.sitting_id = m.id AND x.inside = 1)) AS counts,
    ah.person_id IS NOT NULL AS acting, i.id IS NOT NULL AS invited,
    v.id AS visitor_id, v.state AS visitor_state, v.entry_code, v.may_present, v.word, v.knocked_at
  FROM links l JOIN class_periods c ON c.id = l.class_id JOIN school sc ON sc.id = 1 LEFT JOIN people h ON h.id = ${FIRST_HOST}
  LEFT JOIN browser_sessions bs ON bs.token_hash = :hash AND bs.expires_at > :machine
  LEFT JOIN accounts a ON a.id = ${account} LEFT JOIN people p ON p.id = a.person_id
  LEFT JOIN class_staff cs ON cs.class_id = c.id AND cs.person_id = p.id
  LEFT JOIN occurrences o ON o.link_id = l.id AND o.status IN ('planned', 'moved') AND o.draft = 0
    AND o.start_at > :longAgo AND o.end_at > :since AND o.start_at <= COALESCE(
      (SELECT n.start_at FROM occurrences n WHERE n.link_id = l.id AND n.status IN ('planned', 'moved') AND n.draft = 0 AND n.start_at > :soon ORDER BY n.start_at LIMIT 1), :soon)
  LEFT JOIN sittings m ON m.occurrence_id = o.id
  LEFT JOIN acting_hosts ah ON ah.sitting_id = m.id AND ah.person_id = a.person_id
  LEFT JOIN visitors v ON v.sitting_id = m.id AND v.visitor_key = IF(a.id IS NULL, CONCAT('s', bs.id), CONCAT('a', a.id))
  LEFT JOIN invited i ON i.occurrence_id = o.id AND (i.person_id = a.person_id OR i.email = a.email)
  WHERE l.code = :code`;

const BY_BROWSER = doorSql('bs.account_id');
const BY_ACCOUNT = doorSql(':accountId');

/** Everything that decides at a door at an instant, in one query: a row for each session that it could stand for, or one without. */
export async function doorRows(
  { db, clock }: { db: Db; clock: Clock },
  code: string,
  asker: Asker,
  at: string,
): Promise<{ row: DoorRow | undefined; sessions: DoorSessionRow[] }> {
  const byBrowser = 'token' in asker;
  const rows = await db.prepared<
    DoorRow & { counts: string } & (DoorSessionRow | { occurrence_id: null })
  >(byBrowser ? BY_BROWSER : BY_ACCOUNT, {
    code,
    machine: toSql(clock.machine()),
    hash: byBrowser && asker.token ? hashToken(asker.token) : '',
    accountId: byBrowser ? null : asker.accountId,
    since: toSql(plusMinutes(at, -BACK)),
    soon: toSql(plusMinutes(at, AHEAD)),
    longAgo: toSql(plusMinutes(at, -BACK - LONGEST)),
  });
  for (const row of rows) {
    // Both in one look at the visitors: everyone inside, and the hosts among them.
    const [inside, hosts] = row.counts.split('/');
    Object.assign(row, { inside: Number(inside), hosts_inside: Number(hosts) });
  }
  const sessions = rows
    .filter(
      (row): row is DoorRow & { counts: string } & DoorSessionRow => row.occurrence_id !== null,
    )
    .sort((a, b) => (a.start_at < b.start_at ? -1 : 1));
  return { row: rows[0], sessions };
}

/** A class period's door has been tried as somebody; its day no longer asks for that. Whether that is news. */
export async function noteTried(db: Db, classId: number): Promise<boolean> {
  const [changed] = await db.models.ClassPeriod.update(
    { door_tried: true },
    { where: { id: classId, door_tried: false } },
  );
  return changed > 0;
}

/** How many of a sitting's visitors have waited longer than one of them. */
export const waitingLonger = async (
  db: Db,
  { sittingId, visitorId, knockedAt }: { sittingId: number; visitorId: number; knockedAt: string },
): Promise<number> =>
  Number(
    (await db.one<{ n: number }>(
      `SELECT COUNT(*) AS n FROM visitors WHERE sitting_id = :sittingId AND state = 'waiting' AND (knocked_at < :knockedAt OR (knocked_at = :knockedAt AND id < :visitorId))`,
      { sittingId, visitorId, knockedAt: toSql(knockedAt) },
    ))!.n,
  );

/** Entering, knocking, opening and ending at one link happen one after another. */
export const lockLink = (db: Db, code: string): Promise<{ id: number } | undefined> =>
  db.one<{ id: number }>('SELECT id FROM links WHERE code = :code FOR UPDATE', { code });

export async function ensureSitting(db: Db, occurrenceId: number, linkId: number): Promise<number> {
  const row = await db.one<{ id: number }>(
    'SELECT id FROM sittings WHERE occurrence_id = :occurrenceId FOR UPDATE',
    { occurrenceId },
  );
  return row?.id ?? db.insert('sittings', { occurrence_id: occurrenceId, link_id: linkId });
}

/** Gives the sitting a room name of its own where it has none, and the name; with it the address of a pasted room, which stays this sitting's when the link gets another. */
export async function ensureRoomName(
  db: Db,
  sittingId: number,
  address: string | null,
): Promise<{ room: string; ready: boolean; address: string | null }> {
  await db.change(
    `UPDATE sittings SET room = CONCAT('g', id, '-', rooms_made + 1), room_address = :address, room_ready = 0, rooms_made = rooms_made + 1 WHERE id = :sittingId AND room IS NULL`,
    { sittingId, address },
  );
  const row = (await db.one<{ room: string; room_ready: number; room_address: string | null }>(
    'SELECT room, room_ready, room_address FROM sittings WHERE id = :sittingId',
    { sittingId },
  ))!;
  return { room: row.room, ready: Boolean(row.room_ready), address: row.room_address };
}

export const noteRoomReady = (db: Db, room: string): Promise<number> =>
  db.change('UPDATE sittings SET room_ready = 1 WHERE room = :room', { room });

/** An opening clears an end. */
export const openSitting = (
  db: Db,
  sittingId: number,
  now: string,
  byHand: boolean,
): Promise<number> =>
  db.change(
    `UPDATE sittings SET opened_at = IF(:byHand OR ended_at IS NOT NULL, COALESCE(IF(ended_at IS NULL, opened_at, NULL), :now), opened_at), ended_at = NULL WHERE id = :sittingId`,
    { sittingId, now: toSql(now), byHand },
  );

interface NewVisitor {
  sittingId: number;
  key: string;
  accountId: number | null;
  personId: number | null;
  sessionId: number | null;
  name: string;
  accountKind: 'school' | 'personal' | 'none';
  onRoll: boolean;
  role: string;
  state: VisitorState;
  entryCode: string | null;
  now: string;
}

export async function saveVisitor(db: Db, v: NewVisitor): Promise<number> {
  const row: Record<string, Value> = {
    sitting_id: v.sittingId,
    visitor_key: v.key,
    account_id: v.accountId,
    person_id: v.personId,
    session_id: v.sessionId,
    name: v.name,
    account_kind: v.accountKind,
    on_roll: v.onRoll ? 1 : 0,
    role: v.role,
    state: v.state,
    entry_code: v.entryCode,
    knocked_at: toSql(v.now),
  };
  const columns = Object.keys(row);
  await db.change(
    `INSERT INTO visitors (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')})
     ON DUPLICATE KEY UPDATE knocked_at = IF(state = 'waiting', knocked_at, VALUES(knocked_at)), word = NULL, session_id = VALUES(session_id), name = VALUES(name),
       on_roll = VALUES(on_roll), role = VALUES(role), state = VALUES(state), entry_code = COALESCE(VALUES(entry_code), entry_code)`,
    row,
  );
  return (await db.one<{ id: number }>(
    'SELECT id FROM visitors WHERE sitting_id = :sittingId AND visitor_key = :key',
    { sittingId: v.sittingId, key: v.key },
  ))!.id;
}
