import {
  EARLY_OPENING_MINUTES,
  doorSession,
  plusMinutes,
  resolveRules,
  sessionAtDoor,
  sessionToOpen,
  withoutShared,
  type AtDoor,
  type EntryRules,
  type GuestComes,
  type RuleLayer,
  type SlotTurn,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { whoFromRow, type Who } from '../../http/who.js';
import { ownLayers, rulesOfLinks, rulesOfSession } from '../entry/layers.js';
import { joinedOf, type JoinedRow } from '../link/joined.sql.js';
import type { DateRow } from '../plan/changedSession.js';
import { lineFor } from './line.js';
import { NO_LINE, type LinePlace } from './lineStore.js';
import { NO_PLACE, askerAtDoor, type Asker } from './asker.sql.js';
import {
  NO_SITTING,
  doorRow,
  comesTo,
  sessionAtDoorOf,
  type DoorRow,
  type SessionAtDoor,
} from './atDoor.js';
import { readBeforehand } from './links.js';
import { turnFor } from './turn.js';

/** A door as it stands for whoever asks, at this moment of school time. */
export interface DoorFacts {
  row: DoorRow;
  /** Where the lesson meets instead: at another class period's door. Set where this one stays shut meanwhile. */
  shutFor: JoinedRow | null;
  /** How whoever asks has come to this door, where not by its own code. */
  came: { by: 'replaced' | 'together'; until: string | null } | null;
  who: Who;
  /** What a phone caller's place is kept under; null of whoever comes in a browser. */
  call: string | null;
  rules: EntryRules;
  isHost: boolean;
  /** How they come to this session by their address, as a guest. */
  comes: GuestComes | undefined;
  /** Whatever they choose: they came by an address to watch at, or were invited to watch. */
  watchesOnly: boolean;
  /** The code they came by, where that is one to watch at: it tells nobody the link's own. */
  watchCode: string | null;
  /** The code they came by, where it has stopped: only those whom the door is for are told the one of now. */
  stoppedCode: string | null;
  /** Somewhere to go in to: a room of the video service, or an address that a host gave. */
  hasRoom: boolean;
  at: AtDoor<SessionAtDoor> | null;
  /** Near dates that are not held as people knew them. */
  changed: DateRow[];
  /** Their place before a full room. */
  line: LinePlace;
  /** Of a session that is cut into slots: how it stands with theirs. Null of any other, and of its hosts. */
  turn: SlotTurn | null;
  now: string;
}

/** Whether a door that opens at an instant is one that a host at `now` would open. */
const isNear = (opens: string, now: string): boolean =>
  opens <= plusMinutes(now, EARLY_OPENING_MINUTES);

/** In the audience of the link, or of a class period that meets here too. */
export const isOnRoll = ({ row, at }: Pick<DoorFacts, 'row' | 'at'>): boolean =>
  row.on_roll || Boolean(at?.occurrence.joined_roll);

interface Look {
  /** An instant of school time; left out, now. */
  at?: string | undefined;
  /** This very door, though its class period meets at another's. */
  straight?: boolean;
  /** Reads the link itself anew, for whoever writes next. */
  fresh?: boolean;
  /** By a code to watch at: nobody is more there than a watcher. */
  watchCode?: string | null;
}

/** Reads a door as it stands now or at another instant; nothing where no link has the code. */
export async function readDoor(
  glen: Glen,
  code: string,
  asker: Asker,
  look: Look = {},
): Promise<DoorFacts | undefined> {
  const facts = await readOwnDoor(glen, code, asker, look);
  const { watchCode = null } = look;
  if (!facts || watchCode === null) return facts;
  return { ...facts, isHost: false, watchesOnly: true, watchCode };
}

async function readOwnDoor(
  glen: Glen,
  code: string,
  asker: Asker,
  { at: instant, straight = false, fresh = false }: Look,
): Promise<DoorFacts | undefined> {
  const now = instant ?? glen.clock.school();
  // What is kept is kept for now.
  const isKept = !fresh && instant === undefined;
  const door = await (isKept
    ? glen.doors.byCode(code)
    : readBeforehand(
        glen.db,
        code,
        { at: now, machine: glen.clock.machine() },
        { toEnter: fresh },
      ));
  if (!door) return undefined;
  const { link, dates, changed, sittings } = door;
  const sittingIds = [...sittings.values()].map((sitting) => sitting.sitting_id!);
  const { asker: asking, places } = await askerAtDoor(glen, link.link_id, asker, sittingIds);
  const row = doorRow(link, asking);
  const sessions = dates.map((date) => {
    const sitting = sittings.get(date.occurrence_id) ?? NO_SITTING;
    const place = places.get(sitting.sitting_id ?? 0) ?? NO_PLACE;
    return sessionAtDoorOf(date, { sitting, place }, row, now);
  });
  const at = new Moment(row, sessions, now);
  // What this class period holds at another's door stands there: its own door leads on, or stays shut meanwhile.
  const shared = at.mayMeetElsewhere && !straight ? await sharedFrom(glen, row, now) : [];
  const own = withoutShared(at.sessions, shared);
  const away = shared.length > 0 ? await sharedAt(glen, at, own, shared) : null;
  if (away?.own_door === 'leads') {
    const there = await readOwnDoor(glen, away.code, asker, { at: instant, straight: true, fresh });
    if (there) return { ...there, came: { by: 'together', until: null } };
  }
  const found = factsOf(at, away, { sessions: own, changed, makesRooms: glen.video !== null });
  const facts = { ...found, call: callOf(asker) };
  const session = facts.at?.occurrence;
  const [line, turn] = await Promise.all([lineFor(glen, facts, session), turnFor(glen, facts)]);
  return { ...facts, line, turn };
}

const callOf = (asker: Asker): string | null => ('call' in asker && asker.call) || null;

/** The rules where nobody knocks without an account: no stranger, and no caller. */
const askingForAccounts = (rules: EntryRules): EntryRules => ({
  ...rules,
  whoMayEnter: rules.whoMayEnter === 'anyone' ? 'signed-in' : rules.whoMayEnter,
  phone: 'none',
});

/** What one look at the database tells of a door, at an instant. */
class Moment {
  /** Host here by the class period or the link, at any time. */
  readonly linkHost: boolean;
  readonly linkRules: EntryRules;
  private readonly layers: RuleLayer[];

  constructor(
    readonly row: DoorRow,
    readonly sessions: SessionAtDoor[],
    readonly now: string,
  ) {
    this.layers = row.layers;
    this.linkRules = row.rules;
    this.linkHost = this.isOfSchool && (row.class_host || row.link_host);
  }

  get isOfSchool(): boolean {
    return this.row.kind === 'school';
  }

  get mayMeetElsewhere(): boolean {
    const { link_state, for_class, meets_elsewhere } = this.row;
    return link_state === 'live' && Boolean(for_class) && Boolean(meets_elsewhere);
  }

  readonly rulesAt = (session: SessionAtDoor): EntryRules => {
    const rules = this.rulesOn(session);
    return session.asks_account === 1 ? askingForAccounts(rules) : rules;
  };

  private rulesOn({ layers }: SessionAtDoor): EntryRules {
    if (layers === null) return this.linkRules;
    return resolveRules([...this.layers, ...ownLayers(layers)]).rules;
  }
}

const sharedFrom = async (glen: Glen, row: DoorRow, now: string): Promise<JoinedRow[]> =>
  (await joinedOf(glen.db, [row.class_id], now)).filter((j) => j.link_id !== row.link_id);

interface Behind {
  sessions: SessionAtDoor[];
  changed: DateRow[];
  /** A video service makes a room wherever none was given. */
  makesRooms: boolean;
}

/** Whether somebody is host at this session alone: it was handed over to them, they come with a class period, or nobody else is in to host it. */
function actsAsHost({ occurrence, opens }: AtDoor<SessionAtDoor>, now: string): boolean {
  if (occurrence.acting) return true;
  return isNear(opens, now) && (occurrence.joined_host || isTheirsToTake(occurrence));
}

/** Whether one who takes over may do so now: nobody hosts, and no host has ended it. */
const isTheirsToTake = ({
  takes_over,
  hostInside,
  ended_at,
}: Pick<SessionAtDoor, 'takes_over' | 'hostInside' | 'ended_at'>): boolean =>
  takes_over && !hostInside && ended_at === null;

function factsOf(
  at: Moment,
  away: JoinedRow | null,
  { sessions, changed, makesRooms }: Behind,
): Omit<DoorFacts, 'call'> {
  const { row, now, linkHost, isOfSchool } = at;
  const session = away ? null : (linkHost ? sessionToOpen : doorSession)(sessions, at.rulesAt, now);
  const acting = session !== null && actsAsHost(session, now);
  const comes = comesTo(row, session?.occurrence);
  return {
    row,
    who: whoFromRow(row),
    rules: session ? at.rulesAt(session.occurrence) : at.linkRules,
    isHost: linkHost || (isOfSchool && acting),
    comes,
    watchesOnly: comes === 'watcher',
    watchCode: null,
    stoppedCode: null,
    hasRoom:
      makesRooms ||
      row.room_address !== null ||
      (session?.occurrence.room_address_kept ?? null) !== null,
    at: session,
    changed,
    line: NO_LINE,
    turn: null,
    now,
    shutFor: away,
    came: null,
  };
}

/** The session at another's door that this door stands for now, if it does: open there, or the next to come of all. */
async function sharedAt(
  glen: Glen,
  { now, linkHost, rulesAt }: Moment,
  own: SessionAtDoor[],
  shared: JoinedRow[],
): Promise<JoinedRow | null> {
  const rules = await rulesOfLinks(
    glen.db,
    shared.map((j) => j.link_id),
  );
  const spans = [
    ...own.map((session) => ({
      start: session.start,
      end: session.end,
      status: session.status,
      rules: rulesAt(session),
      away: null,
    })),
    ...shared.map((j) => ({
      start: j.start,
      end: j.end,
      status: j.status,
      rules: rulesOfSession(rules.get(j.link_id)!, j),
      away: j,
    })),
  ];
  // Whoever is still in at one's own door keeps it where it is.
  const isHeld = (session: SessionAtDoor): boolean => session.hostInside || session.lives;
  if (own.some((session) => isHeld(session) && session.start <= now)) return null;
  const at = sessionAtDoor(spans, (span) => span.rules, now);
  // A host may open their own door at any time before the shared session is near.
  return at && (!linkHost || isNear(at.opens, now)) ? at.occurrence.away : null;
}
