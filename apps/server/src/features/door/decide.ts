import {
  decideEntry,
  type Door,
  type EntryDecision,
  type EntryRules,
  type Visitor,
} from '@glen/core';
import { isStaff } from '../../http/access.js';
import { isOnRoll, type DoorFacts } from './facts.js';

// What the core decides at a door, for whoever asks.

/** What whoever asks typed or chose at the door. */
interface Given {
  entryCode?: string | undefined;
  watchOnly?: boolean | undefined;
}

/** The address of a room that a host has given: the session's, once it has begun, else the link's. */
export const roomGiven = ({ at, row }: Pick<DoorFacts, 'at' | 'row'>): string | null =>
  at?.occurrence.room ? at.occurrence.room_address_kept : row.room_address;

/** What the core decides for whoever asks. */
export function decideAt(facts: DoorFacts, given: Given = {}): EntryDecision {
  const { row, rules, at, now, shutFor } = facts;
  if (shutFor && row.link_state === 'live')
    return { outcome: 'not-yet', reason: 'nothing-planned' };
  // The telephone leads to rooms of the video service's making alone.
  if (facts.call !== null && roomGiven(facts) !== null)
    return { outcome: 'refused', reason: 'no-phone' };
  const decision = decideEntry({
    rules: facts.turn ? oneByOne(rules) : rules,
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

/** In slots people come one by one: nobody but those who teach goes straight in, whatever the rules say of a lesson. */
function oneByOne(rules: EntryRules): EntryRules {
  const goesIn = rules.straightIn === 'hosts' ? 'hosts' : 'presenters';
  return { ...rules, straightIn: goesIn };
}

/**
 * What has become of a visitor in this session so far. Whom a host brought in, or asked to speak, need not knock either; who came to watch
 * only was not let in to more than that; whose slot has begun needs nobody to let them in.
 */
function soFar({ at, comes, turn }: DoorFacts): Pick<Visitor, 'letIn' | 'removed'> {
  const state = at?.occurrence.visitor_state;
  const wasLetIn = state === 'let-in' && !at?.occurrence.watched && !at?.occurrence.turn_over;
  return {
    letIn:
      turn?.kind === 'now' || wasLetIn || comes === 'speaker' || Boolean(at?.occurrence.invited),
    removed: Boolean(at?.occurrence.keptOut) || state === 'turned-away' || state === 'put-out',
  };
}

/** What somebody was named or invited as: at the link, by its class period, for this session, or as a guest. */
function namedOf(facts: DoorFacts): Pick<Visitor, 'named' | 'onRoll' | 'invited'> {
  const { row, at, comes } = facts;
  const session = at?.occurrence;
  return {
    named: row.class_presenter || comes === 'speaker' || Boolean(session?.joined_named),
    onRoll: isOnRoll(facts),
    invited: Boolean(session?.invited) || row.link_invited || comes !== undefined,
  };
}

function visitorOf(facts: DoorFacts, given: Given): Visitor {
  const { who, at, isHost } = facts;
  const code = given.entryCode ?? at?.occurrence.entry_code ?? undefined;
  return {
    ...soFar(facts),
    ...namedOf(facts),
    account: facts.call === null ? (who.account?.kind ?? 'none') : 'phone',
    host: isHost,
    staff: isStaff(who),
    ...(code === undefined ? {} : { code }),
    watchOnly: facts.watchesOnly || (given.watchOnly ?? false),
  };
}

/** Who waits for a seat goes before whoever comes later: to them the room is fuller by so many. */
function doorOf({ row, at, line }: DoorFacts): Door {
  const session = at?.occurrence;
  return {
    link: row.link_state,
    opens: at?.opens ?? null,
    closes: at?.closes ?? null,
    openedByHost: Boolean(session?.opened_at),
    hostInside: session?.hostInside ?? false,
    ended: Boolean(session?.ended_at),
    inside: (session?.seats ?? 0) + line.ahead,
  };
}
