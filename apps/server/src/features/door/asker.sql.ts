import type { Db } from '../../db/connect.js';
import type { PreparedValues } from '../../db/preparedReads.js';
import type { MeantAs } from '../../db/models/LinkPerson.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import type { Clock } from '../../clock.js';
import type { Tokens } from '../../tokens.js';
import { toSql } from '../../db/sqlTime.js';
import { idleSince } from '../../http/idle.js';
import type { WhoRow } from '../../http/who.js';
import type { VisitorState } from './door.sql.js';
import { browserKey } from './keptOut.js';
import { fill, named, withPlaces } from './places.js';

// Who asks at a door, and what they are there, in one prepared statement of key look-ups.

/** Somebody's place at one sitting. */
export interface PlaceAtDoor {
  visitor_id: number | null;
  visitor_state: VisitorState | null;
  entry_code: string | null;
  may_present: number | null;
  /** They came to watch only, last time. */
  watched: boolean;
  /** Their slot is over, so that they knock again. */
  turn_over: number | null;
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
    ${places === 0 ? '' : ', v.sitting_id, v.id AS visitor_id, v.state AS visitor_state, v.entry_code, v.may_present, v.role AS visitor_role, v.word, v.knocked_at, v.turn_over, ah.sitting_id AS acting_in, ko.sitting_id AS kept_out_of'}
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
  turn_over: null,
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
    const { visitor_id, visitor_state, entry_code, may_present, word, knocked_at, turn_over } = row;
    const place = {
      visitor_id,
      visitor_state,
      entry_code,
      may_present,
      word,
      knocked_at,
      turn_over,
    };
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
