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
  type Visitor,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { isStaff } from '../../http/access.js';
import { whoFromRow, type Who } from '../../http/who.js';
import { layersFrom, ownLayers, rulesOfLinks, rulesOfSession } from '../entry/service.js';
import { joinedOf, type JoinedRow } from '../link/shareStore.js';
import { doorRows, type Asker, type DoorRow, type DoorSessionRow } from './store.js';

type Session = DoorSessionRow & { start: string; end: string; hostInside: boolean };

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
  at: AtDoor<Session> | null;
  now: string;
}

/** Whether a door that opens at an instant is one that a host at `now` would open. */
const isNear = (opens: string, now: string): boolean =>
  opens <= plusMinutes(now, EARLY_OPENING_MINUTES);

/** In the audience of the link, or of a class period that meets here too. */
export const isOnRoll = ({ row, at }: Pick<DoorFacts, 'row' | 'at'>): boolean =>
  Boolean(row.on_roll) || Boolean(at?.occurrence.joined_roll);

const hostIsInside = (row: DoorSessionRow, now: string): boolean =>
  row.sitting_id !== null &&
  row.ended_at === null &&
  (row.hosts_inside > 0 ||
    (row.host_left_at !== null && plusMinutes(row.host_left_at, HOST_GRACE_MINUTES) > now));

/** Reads a door as it stands now or at another instant; nothing where no link has the code. */
export async function readDoor(
  glen: Glen,
  code: string,
  asker: Asker,
  { now = glen.clock.school(), straight = false }: { now?: string; straight?: boolean } = {},
): Promise<DoorFacts | undefined> {
  const { row, sessions: rows } = await doorRows(glen.db, glen.clock, code, asker, now);
  if (!row) return undefined;
  const who = whoFromRow(row);
  const layers = layersFrom(row);
  const { rules: linkRules } = resolveRules(layers);
  const rulesAt = (session: Session): EntryRules =>
    session.layers === null
      ? linkRules
      : resolveRules([...layers, ...ownLayers(session.layers)]).rules;
  const ofSchool = row.kind === 'school';
  const linkHost =
    ofSchool && (row.as_what === 'host' || row.as_what === 'co-teacher' || Boolean(row.link_host));
  const all = rows.map((r): Session => ({
    ...r,
    start: r.start_at,
    end: r.end_at,
    hostInside: hostIsInside(r, now),
  }));

  // What this class period holds at another's door stands there: its own door leads on, or stays shut meanwhile.
  const shared =
    row.link_state === 'live' && row.for_class && row.meets_elsewhere && !straight
      ? (await joinedOf(glen.db, [row.class_id], now)).filter((j) => j.link_id !== row.link_id)
      : [];
  const sessions = withoutShared(all, shared);
  const away =
    shared.length > 0 ? await sharedAt(glen, sessions, shared, rulesAt, now, linkHost) : null;
  if (away?.own_door === 'leads') {
    const there = await readDoor(glen, away.code, asker, { now, straight: true });
    if (there) return { ...there, came: { by: 'together', until: null } };
  }
  const at = away ? null : (linkHost ? sessionToOpen : doorSession)(sessions, rulesAt, now);
  const joinedHost = ofSchool && Boolean(at?.occurrence.joined_host) && isNear(at!.opens, now);
  const isHost = linkHost || (ofSchool && Boolean(at?.occurrence.acting)) || joinedHost;
  return {
    row,
    who,
    rules: at ? rulesAt(at.occurrence) : linkRules,
    isHost,
    at,
    now,
    shutFor: away,
    came: null,
  };
}

/** The session at another's door that this door stands for now, if it does: open there, or the next to come of all. */
async function sharedAt(
  glen: Glen,
  own: Session[],
  shared: JoinedRow[],
  rulesAt: (session: Session) => EntryRules,
  now: string,
  linkHost: boolean,
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

/** What the core decides for whoever asks. `given` is what they typed or chose at the door. */
export function decideAt(
  facts: DoorFacts,
  given: { entryCode?: string | undefined; watchOnly?: boolean | undefined } = {},
): EntryDecision {
  const { row, who, rules, at, now, isHost, shutFor } = facts;
  if (shutFor && row.link_state === 'live')
    return { outcome: 'not-yet', reason: 'nothing-planned' };
  const session = at?.occurrence;
  const state = session?.visitor_state;
  const code = given.entryCode ?? session?.entry_code ?? undefined;
  const visitor: Visitor = {
    account: who.account?.kind ?? 'none',
    host: isHost,
    staff: isStaff(who),
    named: row.as_what === 'presenter' || Boolean(session?.joined_named),
    onRoll: isOnRoll(facts),
    invited: Boolean(session?.invited) || Boolean(row.link_invited),
    // Whom a host brought in need not knock either.
    letIn: state === 'let-in' || Boolean(session?.invited),
    ...(code === undefined ? {} : { code }),
    watchOnly: given.watchOnly ?? false,
    removed: state === 'turned-away' || state === 'put-out',
  };
  const door: Door = {
    link: row.link_state,
    opens: at?.opens ?? null,
    closes: at?.closes ?? null,
    openedByHost: Boolean(session?.opened_at),
    hostInside: session?.hostInside ?? false,
    ended: Boolean(session?.ended_at),
    inside: session?.inside ?? 0,
  };
  const decision = decideEntry({ rules, visitor, door, now });
  // Let present for a while by a host: until this session's end, also after coming back.
  return session?.may_present && decision.role === 'participant'
    ? { ...decision, role: 'presenter' }
    : decision;
}
