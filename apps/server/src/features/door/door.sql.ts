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
import type { MeantAs } from '../../db/models/LinkPerson.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import type { Clock } from '../../clock.js';
import type { Tokens } from '../../tokens.js';
import { browserKey } from './keptOut.js';
import { toSql } from '../../db/sqlTime.js';
import { idleSince } from '../../http/idle.js';
import { HOSTED_BY_NAMED } from '../../http/accessStore.sql.js';
import type { WhoRow } from '../../http/who.js';
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
  SELECT o.id AS occurrence_id, o.series_id, o.key_date, o.title AS session_title, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.layers,
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

/** A prepared statement has as many places as it has: 1, 2, 4, 8 …, the last of them filled with none. */
const placesFor = (count: number): number => (count <= 1 ? count : 2 * placesFor(count / 2));

const named = (name: string, places: number): string =>
  Array.from({ length: places }, (_, i) => `:${name}${i}`).join(', ');

/** Statements by their number of places, each made once. */
function withPlaces(make: (places: number) => string): (count: number) => [string, number] {
  const made = new Map<number, string>();
  return (count) => {
    const places = placesFor(count);
    const sql = made.get(places) ?? make(places);
    made.set(places, sql);
    return [sql, places];
  };
}

function fill(values: PreparedValues, name: string, ids: number[], places: number): void {
  for (let i = 0; i < places; i++) values[`${name}${i}`] = ids[i] ?? 0;
}

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

/** Somebody's place at one sitting. */
export interface PlaceAtDoor {
  visitor_id: number | null;
  visitor_state: VisitorState | null;
  entry_code: string | null;
  may_present: number | null;
  /** They came to watch only, last time. */
  watched: boolean;
  word: string | null;
  knocked_at: string | null;
  /** It was handed over to them. */
  acting: boolean;
  /** A host has turned them away or put them out, under whatever account. */
  keptOut: boolean;
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
}

/** Who stands at a door: whoever holds a browser's token, in a browser that may be known, or, for trying the door, an account or nobody. */
export type Asker =
  | {
      token: string | undefined;
      browser?: string | undefined;
      /** Of a phone caller: what their place is kept under. */
      call?: string | undefined;
    }
  | { accountId: number | null };

/** What a visitor's place is kept under, by the account that was found. */
const VISITOR_KEY = "IF(a.id IS NULL, CONCAT('s', bs.id), CONCAT('a', a.id))";

/** One row for each role, each standing at the link and each place behind the door: of everything there is one or two. */
const askerSql = (account: string, places: number, key = VISITOR_KEY): string => `
  SELECT bs.id AS session_id, a.id AS account_id, a.kind, a.email, p.id AS person_id, p.name AS person_name, pr.role, lp.as_what, lp.series_id, lp.key_date
    ${places === 0 ? '' : ', v.sitting_id, v.id AS visitor_id, v.state AS visitor_state, v.entry_code, v.may_present, v.role AS visitor_role, v.word, v.knocked_at, ah.sitting_id AS acting_in, ko.sitting_id AS kept_out_of'}
  FROM school sc
  LEFT JOIN browser_sessions bs ON bs.token_hash = :hash AND bs.expires_at > :machine AND bs.seen_at > :idle
  LEFT JOIN accounts a ON a.id = ${account} LEFT JOIN people p ON p.id = a.person_id
  LEFT JOIN person_roles pr ON pr.person_id = a.person_id
  LEFT JOIN link_people lp ON lp.link_id = :linkId AND lp.person_id = a.person_id
  ${
    places === 0
      ? ''
      : `LEFT JOIN visitors v ON v.sitting_id IN (${named('sitting', places)}) AND v.visitor_key = ${key}
  LEFT JOIN acting_hosts ah ON ah.sitting_id IN (${named('sitting', places)}) AND ah.person_id = a.person_id
  LEFT JOIN kept_out ko ON ko.sitting_id IN (${named('sitting', places)}) AND ko.who = IF(a.id IS NULL, :browserKey, CONCAT('person:', a.person_id))`
  }
  WHERE sc.id = 1`;

const byBrowser = withPlaces((places) => askerSql('bs.account_id', places));
const byCall = withPlaces((places) => askerSql('NULL', places, ':call'));
const byAccount = withPlaces((places) => askerSql(':accountId', places));

interface AskedRow
  extends Omit<WhoRow, 'person_roles'>, Omit<PlaceAtDoor, 'acting' | 'keptOut' | 'watched'> {
  visitor_role?: VisitorRow['role'] | null;
  role: string | null;
  as_what: MeantAs | null;
  series_id: number | null;
  key_date: string | null;
  sitting_id?: number | null;
  acting_in?: number | null;
  kept_out_of?: number | null;
}

/** Each of the values once. */
const once = (values: (string | null)[]): string[] => [
  ...new Set(values.filter((value) => value !== null)),
];

function meantIn(rows: AskedRow[]): MeantHere[] {
  const meant = new Map<string, MeantHere>();
  for (const { as_what, series_id, key_date } of rows)
    if (as_what !== null)
      meant.set(`${as_what} ${series_id} ${key_date}`, {
        as: as_what,
        seriesId: series_id!,
        key: key_date!,
      });
  return [...meant.values()];
}

/** Nobody has a place at a sitting before they enter or knock. */
export const NO_PLACE: PlaceAtDoor = {
  visitor_id: null,
  visitor_state: null,
  entry_code: null,
  may_present: null,
  watched: false,
  word: null,
  knocked_at: null,
  acting: false,
  keptOut: false,
};

/** Somebody's places, by their sittings. */
type Places = Map<number, PlaceAtDoor>;

function placesIn(rows: AskedRow[]): Places {
  const places: Places = new Map();
  for (const row of rows) {
    if (row.sitting_id == null) continue;
    const { visitor_id, visitor_state, entry_code, may_present, word, knocked_at } = row;
    const place = { visitor_id, visitor_state, entry_code, may_present, word, knocked_at };
    const watched = row.visitor_role === 'watcher';
    places.set(row.sitting_id, { ...NO_PLACE, ...place, watched });
  }
  const more = (id: number | null | undefined, what: Partial<PlaceAtDoor>): void => {
    if (id != null) places.set(id, { ...(places.get(id) ?? NO_PLACE), ...what });
  };
  for (const { acting_in, kept_out_of } of rows) {
    more(acting_in, { acting: true });
    more(kept_out_of, { keptOut: true });
  }
  return places;
}

interface Asked {
  asker: AskerRow;
  places: Places;
}

function askedFrom(rows: AskedRow[]): Asked {
  const { session_id, account_id, kind, email, person_id, person_name } = rows[0]!;
  const roles = once(rows.map((row) => row.role));
  const person_roles = roles.length > 0 ? roles.join(',') : null;
  const asker = { session_id, account_id, kind, email, person_id, person_name, person_roles };
  return { asker: { ...asker, meant: meantIn(rows) }, places: placesIn(rows) };
}

function statementFor(isBrowser: boolean, call: string | undefined): typeof byBrowser {
  if (!isBrowser) return byAccount;
  return call === undefined ? byBrowser : byCall;
}

/** Who asks at a link's door, with their places at some sittings. */
export async function askerAtDoor(
  { db, clock, tokens }: { db: Db; clock: Clock; tokens: Tokens },
  linkId: number,
  asker: Asker,
  sittingIds: number[],
): Promise<Asked> {
  const isBrowser = 'token' in asker;
  const call = isBrowser ? asker.call : undefined;
  const [sql, places] = statementFor(isBrowser, call)(sittingIds.length);
  const values: PreparedValues = {
    linkId,
    machine: toSql(clock.machine()),
    idle: toSql(idleSince(clock)),
    hash: isBrowser && asker.token ? tokens.hash('session', asker.token) : '',
  };
  if (places > 0) values.browserKey = isBrowser && asker.browser ? browserKey(asker.browser) : '';
  if (!isBrowser) values.accountId = asker.accountId;
  if (call !== undefined && places > 0) values.call = call;
  fill(values, 'sitting', sittingIds, places);
  const instants = places === 0 ? [] : (['knocked_at'] as const);
  return askedFrom(await db.prepared<AskedRow>(sql, values, instants));
}
