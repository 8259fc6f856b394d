import { cleanName, type EntryDecision } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { beginSession, type NewSession } from '../../http/browserSessions.js';
import { networkOf } from '../../http/from.js';
import { noteFailure, refuseWhenFull } from '../accounts/failureStore.js';
import { hashOfBrowser, knownHash } from '../accounts/knownBrowsers.js';
import { countTry, succeeded } from '../accounts/slowDown.js';
import { addSessionNow } from '../plan/occurrenceRows.js';
import { admit, type Seated } from './admit.js';
import { decideAt } from './decide.js';
import { readDoor, type DoorFacts } from './facts.js';
import { findDoor, type Caller } from './findDoor.js';
import { nameKey } from './keptOut.js';
import { isKeptOut } from './keptOutStore.js';
import { visitorKey } from './line.js';
import { standInLine } from './lineStore.js';
import { nameOf } from './names.js';
import { TooManyStrangers, limitStrangers, noteRefused } from './strangers.js';
import { lockLink } from './store.js';
import { wayIn } from './wayIn.js';

/** Wrong entry codes at one door by whoever is not signed in. */
const CODE_TRIES = { most: 60, minutes: 10 };

/** Somebody at a door, with the code as they typed it. */
interface Asking extends Caller {
  typed: string;
  setSession: (session: NewSession) => void;
  /** A host pressed Open, at the desk. */
  byHand?: boolean;
}

const lets = ({ outcome }: EntryDecision): boolean => outcome === 'enter' || outcome === 'lobby';

/** Goes in or knocks. Deciding again under the link's lock, so that an end or the last seat counts for everyone alike. */
export async function enterDoor(
  glen: Glen,
  asking: Asking,
  body: Body<'enterDoor'>,
): Promise<Answer<'enterDoor'>> {
  const first = await findDoor(glen, asking.typed, asking);
  const sought = await decideWithin(glen, first, asking, body);
  const waits = (decision: EntryDecision): boolean =>
    Boolean(body.wait) && decision.reason === 'full';
  if (!lets(sought) && !waits(sought)) return { decision: sought, go: null };
  const name = first.who.person?.name ?? cleanName(body.name ?? '');
  if (name === '')
    throw wrongField('name', 'Say who you are, so that the host knows whom to let in.');
  const session = await sessionOf(glen, first, asking);
  if (first.shutFor) return { decision: sought, go: null };
  const visitor = { ...session, name, ...whereFrom(glen, first, asking) };
  const { byHand } = asking;
  return goIn(glen, first, byHand ? { ...visitor, byHand } : visitor, body);
}

/** Lets whoever may in, or has them knock; where they go in, with the way there. */
export async function goIn(
  glen: Glen,
  first: DoorFacts,
  entering: Entering,
  body: Body<'enterDoor'>,
): Promise<{ decision: EntryDecision; go: string | null }> {
  const { decision, seat } = await takePlace(glen, first, entering, body).catch(
    async (error: unknown) => {
      // Told apart from what was undone with it.
      if (error instanceof TooManyStrangers) await noteRefused(glen, first);
      throw error;
    },
  );
  return { decision, go: seat ? await wayIn(glen, seat) : null };
}

/** What a visitor is known again by, beside their account. */
function whereFrom(
  glen: Glen,
  { who }: DoorFacts,
  { from }: Asking,
): { browser: string | null; network: string } {
  const browser = who.account ? (knownHash(glen, from) ?? null) : hashOfBrowser(glen, from);
  return { browser, network: networkOf(from.address) };
}

/** Whose tries of entry codes are counted together: those of an account, of a browser, or of a network. */
function triesOf({ who, row }: DoorFacts, { from }: Asking): string {
  const door = `code:${row.link_id}`;
  if (who.account) return `${door}:account:${who.account.id}`;
  if (who.sessionId !== null) return `${door}:browser:${who.sessionId}`;
  return `${door}:network:${networkOf(from.address)}`;
}

/** Whether an entry code that was given decides: where the door refuses for another reason, nothing is learnt of it. */
const isCodeLookedAt = (
  facts: DoorFacts,
  body: Body<'enterDoor'>,
  { reason }: EntryDecision,
): boolean =>
  Boolean(body.entryCode) &&
  (reason === 'code-wrong' ||
    decideAt(facts, { ...body, entryCode: undefined }).reason === 'code-needed');

/**
 * What the door says before anything is written. Whoever tries wrong entry codes waits longer each time; many of them at
 * one door hold up others only who are not signed in.
 */
async function decideWithin(
  glen: Glen,
  facts: DoorFacts,
  asking: Asking,
  body: Body<'enterDoor'>,
): Promise<EntryDecision> {
  const decision = decideAt(facts, body);
  if (!isCodeLookedAt(facts, body, decision)) return decision;
  const own = triesOf(facts, asking);
  const ofStrangers = `code:${facts.row.link_id}:strangers`;
  const isStranger = facts.who.account === null;
  if (isStranger) await refuseWhenFull(glen.db, glen.clock, ofStrangers, CODE_TRIES);
  await countTry(glen, own);
  if (decision.reason !== 'code-wrong') await succeeded(glen, own);
  else if (isStranger) await noteFailure(glen.db, glen.clock, ofStrangers);
  return decision;
}

/** The browser session that keeps somebody's place; a guest's begins here. */
async function sessionOf(
  glen: Glen,
  { who }: DoorFacts,
  asking: Asking,
): Promise<{ sessionId: number; token: string | undefined }> {
  if (who.sessionId !== null) return { sessionId: who.sessionId, token: asking.token };
  const session = await beginSession(glen, {
    accountId: null,
    replaces: null,
    userAgent: asking.from.userAgent,
    way: null,
  });
  asking.setSession(session);
  return { sessionId: session.id, token: session.token };
}

/** Whoever goes in or knocks: by their browser's session, or by telephone. */
export interface Entering {
  token: string | undefined;
  sessionId: number | null;
  call?: string;
  name: string;
  browser: string | null;
  network: string;
  byHand?: boolean;
}

function takePlace(
  glen: Glen,
  first: DoorFacts,
  entering: Entering,
  body: Body<'enterDoor'>,
): Promise<{ decision: EntryDecision; seat: Seated | null }> {
  const { code } = first.row;
  const { watchCode } = first;
  const { token, browser, call } = entering;
  const asker = { token, browser: browser ?? undefined, call };
  const straight = first.came?.by === 'together';
  const look = async (): Promise<DoorFacts> =>
    (await readDoor(glen, code, asker, { straight, fresh: true, watchCode }))!;
  return glen.db.transaction(async () => {
    await lockLink(glen.db, code);
    let facts = await look();
    const decision = decideAt(facts, body);
    if (body.wait && decision.reason === 'full') await wait(glen, facts, entering);
    if (!lets(decision)) return { decision, seat: null };
    if (await isKeptOutByName(glen, facts, entering)) return { decision: REMOVED, seat: null };
    if (decision.outcome === 'lobby') await limitStrangers(glen, facts, entering);
    if (!facts.at) {
      await putNowOnBooks(glen, facts);
      facts = await look();
    }
    const visitor = { ...entering, entryCode: body.entryCode ?? null };
    return { decision, seat: await admit(glen, facts, decision, visitor) };
  });
}

/** Stands in the line before a full room, or is still awake there. */
async function wait(glen: Glen, facts: DoorFacts, entering: Entering): Promise<void> {
  const sittingId = facts.at!.occurrence.sitting_id!;
  if (!facts.line.isIn) await limitStrangers(glen, facts, entering);
  const key = visitorKey(facts, entering.sessionId);
  if (!(await standInLine(glen.db, glen.clock, { sittingId, key }))) return;
  await glen.announce(`class:${facts.row.class_id}`, { thing: 'desk', id: facts.row.link_id });
}

const REMOVED: EntryDecision = { outcome: 'refused', reason: 'removed' };

/** Whether somebody of the same name, from the same network, was turned away or put out, where no account says who it is. */
async function isKeptOutByName(
  glen: Glen,
  { who, at }: DoorFacts,
  { name, network }: Entering,
): Promise<boolean> {
  const sittingId = at?.occurrence.sitting_id ?? null;
  if (who.account !== null || sittingId === null) return false;
  return isKeptOut(glen.db, sittingId, [nameKey({ name, network })]);
}

/** A host at a door with nothing planned, or a link that stands open: it goes on the books. */
const putNowOnBooks = (glen: Glen, { row, isHost, who }: DoorFacts): Promise<void> =>
  addSessionNow(
    glen,
    { classId: row.class_id, linkId: row.link_id, title: nameOf(row) },
    isHost ? who.person!.id : null,
  );
