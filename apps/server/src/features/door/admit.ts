import { randomUUID } from 'node:crypto';
import type { EntryDecision } from '@glen/core';
import type { Glen } from '../../glen.js';
import { isOnRoll, type DoorFacts } from './facts.js';
import { visitorKey } from './line.js';
import { leaveLine } from './lineStore.js';
import { addActingHost } from './actingStore.js';
import { ensureRoomName, ensureSitting, openSitting, saveVisitor } from './store.js';
import { arrive } from './visitStore.js';

/** A place behind the door that somebody has been given, and the room it is in. */
export interface Seated {
  decision: EntryDecision;
  facts: DoorFacts;
  visitorId: number;
  name: string;
  /** A host lets them share. */
  shares: boolean;
  /** The number of their ticket to the room. */
  ticket: string;
  room: string;
  /** The video service has made the room. */
  ready: boolean;
  /** Of a pasted room, where it is. */
  address: string | null;
}

interface Entering {
  /** None of whoever comes by telephone. */
  sessionId: number | null;
  name: string;
  entryCode: string | null;
  browser: string | null;
  network: string;
  byHand?: boolean;
}

/** Seconds for which a way in that was given and not used is good. */
const TICKET_SECONDS = 60;

/** A ticket's number, and what is kept of it until it is taken. */
function freshTicket({ tokens, clock }: Glen) {
  const number = randomUUID();
  return {
    number,
    kept: { ticket: tokens.hash('ticket', number), ticketUntil: clock.machine(TICKET_SECONDS) },
  };
}

const NO_TICKET = { ticket: null, ticketUntil: null };

/** Who a visitor is at this door: the same one again for the same account, or without one for the same browser. */
function identityOf(facts: DoorFacts, sessionId: number | null) {
  const { account, person } = facts.who;
  return {
    key: visitorKey(facts, sessionId),
    accountId: account?.id ?? null,
    personId: person?.id ?? null,
    accountKind: account?.kind ?? (facts.call === null ? ('none' as const) : ('phone' as const)),
    onRoll: isOnRoll(facts) && account?.kind === 'school',
  };
}

/** Whether whoever goes in as host does so because nobody else hosts. */
const takesOver = ({ row, at }: DoorFacts): boolean =>
  at!.occurrence.takes_over &&
  !(row.class_host || row.link_host || at!.occurrence.joined_host || at!.occurrence.acting);

/** Whoever has taken over stays host until this session's end, whoever comes meanwhile. */
async function keepAsHost(glen: Glen, { who }: DoorFacts, sittingId: number): Promise<void> {
  const { id: personId } = who.person!;
  await addActingHost(glen.db, { sittingId, personId, by: personId });
  await glen.audit({ by: personId, action: 'take-over', subject: `sitting:${sittingId}` });
}

/** Writes a knock or an entrance, under the link's lock; gives the seat of whoever goes in. */
export async function admit(
  glen: Glen,
  facts: DoorFacts,
  decision: EntryDecision,
  { sessionId, name, entryCode, browser, network, byHand = false }: Entering,
): Promise<Seated | null> {
  const { row, now, at } = facts;
  const sittingId = await ensureSitting(glen.db, at!.occurrence.occurrence_id, row.link_id);
  const entering = decision.outcome === 'enter';
  const hosting = entering && decision.role === 'host';
  if (hosting) await openSitting(glen.db, sittingId, now, byHand);
  if (hosting && takesOver(facts)) await keepAsHost(glen, facts, sittingId);
  const ticket = entering ? freshTicket(glen) : null;
  const { id: visitorId, shares } = await saveVisitor(glen.db, {
    ...identityOf(facts, sessionId),
    sittingId,
    sessionId,
    name,
    role: decision.role!,
    state: entering ? 'let-in' : 'waiting',
    entryCode,
    browser,
    network,
    ...(ticket?.kept ?? NO_TICKET),
    now,
  });
  if (facts.line.isIn) await leaveLine(glen.db, { sittingId, key: visitorKey(facts, sessionId) });
  await glen.announce(`class:${row.class_id}`, { thing: 'desk', id: row.link_id });
  if (hosting) await glen.announce(`door:${row.link_id}`, { thing: 'door', id: row.link_id });
  if (!entering) return null;
  const room = await ensureRoomName(glen.db, sittingId, row.room_address);
  const seat = { visitor_id: visitorId, sitting_id: sittingId, role: decision.role! };
  // A room that Glen cannot look into tells nothing of who arrives: whoever passes the door counts as in.
  if (room.address !== null) await arrive(glen.db, seat, now);
  return { ...room, decision, facts, visitorId, name, shares, ticket: ticket!.number };
}
