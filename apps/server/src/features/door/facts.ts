import {
  EARLY_OPENING_MINUTES,
  HOST_GRACE_MINUTES,
  decideEntry,
  doorSession,
  plusMinutes,
  resolveRules,
  sessionAtDoor,
  sessionToOpen,
  withoutShared,
  type AtDoor,
  type Door,
  type EntryDecision,
  type EntryRules,
  type RuleLayer,
  type Visitor,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { isStaff } from '../../http/access.js';
import { rolesFrom, whoFromRow, type Who } from '../../http/who.js';
import { ownLayers, rulesOfLinks, rulesOfSession } from '../entry/layers.js';
import { joinedOf, type JoinedRow } from '../link/joined.sql.js';
import {
  askerAtDoor,
  type Asker,
  type AskerRow,
  type DoorSessionRow,
  type MeantHere,
} from './door.sql.js';
import { readLinkAtDoor, type LinkAtDoor } from './links.js';

/** The link, its class period and its rules, and who asks with what they are there at any time. */
export interface DoorRow extends LinkAtDoor, AskerRow {
  /** In the link's audience. */
  on_roll: boolean;
  /** Host or presenter by the class period, or host at this link alone. */
  class_host: boolean;
  class_presenter: boolean;
  link_host: boolean;
  /** The link is for them by name or address, as a guest. */
  link_invited: boolean;
}

interface Session extends DoorSessionRow {
  start: string;
  end: string;
  hostInside: boolean;
  /** With a class period that joins this session. */
  joined_roll: boolean;
  joined_host: boolean;
  joined_named: boolean;
}

/** A door as it stands for whoever asks, at this moment of school time. */
export interface DoorFacts {
  row: DoorRow;
  /** Where the lesson meets instead: at another class period's door. Set where this one stays shut meanwhile. */
  shutFor: JoinedRow | null;
  /** How whoever asks has come to this door, where not by its own code. */
  came: { by: 'replaced' | 'together'; until: string | null } | null;
  who: Who;
  rules: EntryRules;
  isHost: boolean;
  /** Somewhere to go in to: a room of the video service, or an address that a host gave. */
  hasRoom: boolean;
  at: AtDoor<Session> | null;
  now: string;
}

/** Whether a door that opens at an instant is one that a host at `now` would open. */
const isNear = (opens: string, now: string): boolean =>
  opens <= plusMinutes(now, EARLY_OPENING_MINUTES);

/** In the audience of the link, or of a class period that meets here too. */
export const isOnRoll = ({ row, at }: Pick<DoorFacts, 'row' | 'at'>): boolean =>
  row.on_roll || Boolean(at?.occurrence.joined_roll);

const hostIsInside = (row: DoorSessionRow, now: string): boolean =>
  row.sitting_id !== null &&
  row.ended_at === null &&
  (row.hosts_inside > 0 ||
    (row.host_left_at !== null && plusMinutes(row.host_left_at, HOST_GRACE_MINUTES) > now));

const isAs = (meant: MeantHere[], as: MeantHere['as']): boolean => meant.some((m) => m.as === as);

/** Whether somebody joins one session, as what they are with their class period. */
const joinsAs = (meant: MeantHere[], as: MeantHere['as'], session: DoorSessionRow): boolean =>
  meant.some(
    (m) =>
      m.as === as &&
      (m.seriesId === 0 || m.seriesId === session.series_id) &&
      (m.key === '' || m.key === session.key_date),
  );

function doorRow(link: LinkAtDoor, asker: AskerRow): DoorRow {
  const { meant, by_address, person_roles } = asker;
  const isMember = isAs(meant, 'member');
  const isGuest = rolesFrom(person_roles).includes('guest');
  return {
    ...link,
    ...asker,
    on_roll: isMember,
    class_host: isAs(meant, 'host'),
    class_presenter: isAs(meant, 'presenter'),
    link_host: isAs(meant, 'tutor'),
    link_invited: Boolean(by_address) || (isMember && isGuest),
  };
}

interface Look {
  /** An instant of school time; left out, now. */
  now?: string;
  /** This very door, though its class period meets at another's. */
  straight?: boolean;
  /** Reads the link itself anew, for whoever writes next. */
  fresh?: boolean;
}

/** Reads a door as it stands now or at another instant; nothing where no link has the code. */
export async function readDoor(
  glen: Glen,
  code: string,
  asker: Asker,
  { now = glen.clock.school(), straight = false, fresh = false }: Look = {},
): Promise<DoorFacts | undefined> {
  const link = await (fresh ? readLinkAtDoor(glen.db, code) : glen.doors.byCode(code));
  if (!link) return undefined;
  const asked = await askerAtDoor(glen, link.link_id, asker, now);
  const row = doorRow(link, asked.asker);
  const at = new Moment(row, asked.sessions, now);
  // What this class period holds at another's door stands there: its own door leads on, or stays shut meanwhile.
  const shared = at.mayMeetElsewhere && !straight ? await sharedFrom(glen, row, now) : [];
  const sessions = withoutShared(at.sessions, shared);
  const away = shared.length > 0 ? await sharedAt(glen, at, sessions, shared) : null;
  if (away?.own_door === 'leads') {
    const there = await readDoor(glen, away.code, asker, { now, straight: true, fresh });
    if (there) return { ...there, came: { by: 'together', until: null } };
  }
  return factsOf(at, away, { sessions, makesRooms: glen.video !== null });
}

/** What one look at the database tells of a door, at an instant. */
class Moment {
  readonly sessions: Session[];
  /** Host here by the class period or the link, at any time. */
  readonly linkHost: boolean;
  readonly linkRules: EntryRules;
  private readonly layers: RuleLayer[];

  constructor(
    readonly row: DoorRow,
    rows: DoorSessionRow[],
    readonly now: string,
  ) {
    this.layers = row.layers;
    this.linkRules = row.rules;
    this.linkHost = this.isOfSchool && (row.class_host || row.link_host);
    this.sessions = rows.map((r) => ({
      ...r,
      start: r.start_at,
      end: r.end_at,
      hostInside: hostIsInside(r, now),
      joined_roll: joinsAs(row.meant, 'joining-member', r),
      joined_host: joinsAs(row.meant, 'joining-host', r),
      joined_named: joinsAs(row.meant, 'joining-presenter', r),
    }));
  }

  get isOfSchool(): boolean {
    return this.row.kind === 'school';
  }

  get mayMeetElsewhere(): boolean {
    const { link_state, for_class, meets_elsewhere } = this.row;
    return link_state === 'live' && Boolean(for_class) && Boolean(meets_elsewhere);
  }

  readonly rulesAt = ({ layers }: Session): EntryRules =>
    layers === null ? this.linkRules : resolveRules([...this.layers, ...ownLayers(layers)]).rules;
}

const sharedFrom = async (glen: Glen, row: DoorRow, now: string): Promise<JoinedRow[]> =>
  (await joinedOf(glen.db, [row.class_id], now)).filter((j) => j.link_id !== row.link_id);

interface Behind {
  sessions: Session[];
  /** A video service makes a room wherever none was given. */
  makesRooms: boolean;
}

function factsOf(at: Moment, away: JoinedRow | null, { sessions, makesRooms }: Behind): DoorFacts {
  const { row, now, linkHost, isOfSchool } = at;
  const session = away ? null : (linkHost ? sessionToOpen : doorSession)(sessions, at.rulesAt, now);
  const joinedHost = Boolean(session?.occurrence.joined_host) && isNear(session!.opens, now);
  const acting = Boolean(session?.occurrence.acting) || joinedHost;
  return {
    row,
    who: whoFromRow(row),
    rules: session ? at.rulesAt(session.occurrence) : at.linkRules,
    isHost: linkHost || (isOfSchool && acting),
    hasRoom:
      makesRooms ||
      row.room_address !== null ||
      (session?.occurrence.room_address_kept ?? null) !== null,
    at: session,
    now,
    shutFor: away,
    came: null,
  };
}

/** The session at another's door that this door stands for now, if it does: open there, or the next to come of all. */
async function sharedAt(
  glen: Glen,
  { now, linkHost, rulesAt }: Moment,
  own: Session[],
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
  // A host who is still in at one's own door keeps it where it is.
  if (own.some((session) => session.hostInside && session.start <= now)) return null;
  const at = sessionAtDoor(spans, (span) => span.rules, now);
  // A host may open their own door at any time before the shared session is near.
  return at && (!linkHost || isNear(at.opens, now)) ? at.occurrence.away : null;
}

/** What whoever asks typed or chose at the door. */
interface Given {
  entryCode?: string | undefined;
  watchOnly?: boolean | undefined;
}

/** What the core decides for whoever asks. */
export function decideAt(facts: DoorFacts, given: Given = {}): EntryDecision {
  const { row, rules, at, now, shutFor } = facts;
  if (shutFor && row.link_state === 'live')
    return { outcome: 'not-yet', reason: 'nothing-planned' };
  const decision = decideEntry({
    rules,
    visitor: visitorOf(facts, given),
    door: doorOf(facts),
    now,
  });
  // Whoever would go in has nowhere to go to: a host has yet to give the room.
  if (!facts.hasRoom && decision.outcome === 'enter')
    return { outcome: 'not-yet', reason: 'no-host' };
  // Let present for a while by a host: until this session's end, also after coming back.
  return at?.occurrence.may_present && decision.role === 'participant'
    ? { ...decision, role: 'presenter' }
    : decision;
}

/** What has become of a visitor in this session so far. Whom a host brought in need not knock either. */
function soFar({ at }: DoorFacts): Pick<Visitor, 'letIn' | 'removed'> {
  const state = at?.occurrence.visitor_state;
  return {
    letIn: state === 'let-in' || Boolean(at?.occurrence.invited),
    removed: state === 'turned-away' || state === 'put-out',
  };
}

function visitorOf(facts: DoorFacts, given: Given): Visitor {
  const { row, who, at, isHost } = facts;
  const session = at?.occurrence;
  const code = given.entryCode ?? session?.entry_code ?? undefined;
  return {
    ...soFar(facts),
    account: who.account?.kind ?? 'none',
    host: isHost,
    staff: isStaff(who),
    named: row.class_presenter || Boolean(session?.joined_named),
    onRoll: isOnRoll(facts),
    invited: Boolean(session?.invited) || row.link_invited,
    ...(code === undefined ? {} : { code }),
    watchOnly: given.watchOnly ?? false,
  };
}

function doorOf({ row, at }: DoorFacts): Door {
  const session = at?.occurrence;
  return {
    link: row.link_state,
    opens: at?.opens ?? null,
    closes: at?.closes ?? null,
    openedByHost: Boolean(session?.opened_at),
    hostInside: session?.hostInside ?? false,
    ended: Boolean(session?.ended_at),
    inside: session?.inside ?? 0,
  };
}
