import {
  PRIVATE_SESSION,
  changeInWords,
  changeToTell,
  classTitle,
  howTo,
  placeWallTime,
  registerWays,
  type EntryDecision,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { linkAddress, watchAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import { privateTo } from '../entry/privateTitles.js';
import { byPhone } from '../link/byPhone.js';
import { linkById } from '../link/store.js';
import { mainLinkOf } from '../school/classes.sql.js';
import { changedSession } from '../plan/changedSession.js';
import { readSchool } from '../school/store.js';
import { slottedSeries } from '../slot/signUpStore.js';
import { decideAt, roomGiven } from './decide.js';
import { readDoor, type DoorFacts } from './facts.js';
import { isKeptFrom, isTheirs } from './whose.js';
import { findDoor, type Caller } from './findDoor.js';
import { nameOf, titleOf } from './names.js';
import { hostInside, noteTried, waitingLonger } from './store.js';

/** Where somebody whose door is shut for good, or just now, is to go: told only to those the link is for, and its hosts. */
async function elsewhereFor(glen: Glen, facts: DoorFacts): Promise<Answer<'door'>['elsewhere']> {
  const { row, shutFor } = facts;
  if (facts.watchCode !== null || !isTheirs(facts)) return null;
  if (shutFor) {
    const title = classTitle({ title: shutFor.class_title, period: shutFor.period });
    return { why: 'together', code: shutFor.code, title };
  }
  if (row.link_state !== 'retired') return null;
  const link = await linkById(glen.db, row.link_id);
  const works = link?.state === 'live' ? link : await mainLinkOf(glen.db, row.class_id);
  if (works?.state !== 'live') return null;
  return { why: 'stopped', code: works.code, title: titleOf(row) };
}

/** What a door is called, and its session, for whoever asks. */
interface Called {
  title: string;
  /** What the link is labelled; nothing where it is not for whoever asks to read. */
  label: string;
  session: string;
}

function calledFor(facts: DoorFacts, isHidden: boolean): Called {
  const { row, at } = facts;
  if (isHidden) return { title: PRIVATE_SESSION, label: '', session: PRIVATE_SESSION };
  const session = at?.occurrence.session_title ?? nameOf(row);
  return { title: nameOf(row), label: row.label, session };
}

/** What a visitor meets behind a link. Writes nothing. */
export const describeDoor = async (
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'door'>> => doorAnswer(glen, await findDoor(glen, typed, caller));

/** The code that whoever asks may know: the one they came by, and of one that leads on the door's own. */
function codeToTell(facts: DoorFacts): string {
  const { row, watchCode, stoppedCode } = facts;
  if (watchCode !== null) return watchCode;
  return stoppedCode !== null && !isTheirs(facts) ? stoppedCode : row.code;
}

/** How to get in by a link, in plain words, by the rules in force at its class period's usual lessons. */
export async function describeHowTo(
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'howTo'>> {
  const facts = await findDoor(glen, typed, caller);
  const { row, rules } = facts;
  const host = row.host_name ?? '';
  const called = calledFor(facts, isKeptFrom(facts));
  return {
    title: called.title,
    classTitle: titleOf(row),
    host,
    pennant: row.pennant,
    code: codeToTell(facts),
    address: facts.watchCode
      ? watchAddress(glen, facts.watchCode)
      : linkAddress(glen, codeToTell(facts)),
    stopped: row.link_state === 'retired',
    ...howTo({
      rules,
      host,
      classTitle: titleOf(row),
      label: row.for_class ? null : called.label || null,
      pastedRoom: row.room_address !== null,
      phone: phoneFor(glen, facts),
      keepsChat: registerWays((await readSchool(glen.db)).registers).keepsChat,
      inSlots: await hasSlotsFor(glen, facts),
    }),
  };
}

/** Whether slots are taken for it: told to those alone whom the link is for, as nobody else can take one. */
async function hasSlotsFor({ db }: Glen, facts: DoorFacts): Promise<boolean> {
  const { row, watchCode } = facts;
  if (watchCode !== null || row.link_state === 'retired' || !isTheirs(facts)) return false;
  return (await slottedSeries(db, [row.link_id])).length > 0;
}

/** How to come by telephone: told to those alone whom the link is for, as callers need no account. */
function phoneFor(glen: Glen, facts: DoorFacts): ReturnType<typeof byPhone> {
  const { row, rules } = facts;
  if (facts.watchCode !== null || row.link_state === 'retired' || !isTheirs(facts)) return null;
  const { link_id: id, code, room_address } = row;
  return byPhone(glen, { id, code, room_address }, rules);
}

/**
 * What the door would say to an account (or to nobody) at a time of school: the same facts and the same decision
 * as at the real door. `hostIn` says whether a host is in then; left out, it is as it is now. Who tries it as somebody
 * else reads no more than they may read themselves.
 */
export async function tryDoor(
  glen: Glen,
  { linkId, by }: { linkId: number; by: number },
  body: Body<'tryDoor'>,
): Promise<Answer<'tryDoor'>> {
  const link = await linkById(glen.db, linkId);
  if (!link) throw notFound('This link');
  if (await noteTried(glen.db, link.class_id))
    await glen.announce(`class:${link.class_id}`, { thing: 'classes', id: link.class_id });
  const now = body.at
    ? placeWallTime(body.at.date, body.at.time, 0, (await readSchool(glen.db)).calendar.zone).start
    : glen.clock.school();
  const asker = { accountId: body.accountId ?? null };
  const facts = asKind((await readDoor(glen, link.code, asker, { at: now }))!, body.kind);
  if (body.accountId !== undefined && !facts.who.account)
    throw wrongField('accountId', 'There is no such account.');
  const session = facts.at?.occurrence;
  if (session && body.hostIn !== undefined) asIfHostIs(session, body.hostIn, now);
  const held = { link_id: facts.row.link_id, layers: session?.layers ?? null };
  const isHidden = await privateTo(glen.db, [held], by);
  return doorAnswer(glen, facts, { ...body, isHidden: isHidden(held) });
}

/** An account and roles such as anybody of a kind has who is nothing to the class period in particular. */
const OF_KIND = {
  colleague: { kind: 'school', roles: ['teacher'] },
  'other-student': { kind: 'school', roles: ['student'] },
  'signed-in-guest': { kind: 'personal', roles: ['guest'] },
} as const;

/** A door as somebody of a kind meets it; as it was read where no kind is asked about. */
function asKind(facts: DoorFacts, kind: Body<'tryDoor'>['kind']): DoorFacts {
  if (!kind) return facts;
  if (kind === 'caller') return { ...facts, call: 'tried' };
  const { kind: account, roles } = OF_KIND[kind];
  const who = {
    sessionId: null,
    account: { id: 0, kind: account, email: '' },
    person: { id: 0, name: '', roles: [...roles] },
  };
  return { ...facts, who };
}

/** Has a session be as if a host were in it, or none were. */
function asIfHostIs(session: Session, isIn: boolean, now: string): void {
  session.hostInside = isIn;
  session.hosts_inside = isIn ? Math.max(1, session.hosts_inside) : 0;
  if (!isIn) return;
  session.ended_at = null;
  session.opened_at ??= now;
}

interface Given {
  entryCode?: string | undefined;
  watchOnly?: boolean | undefined;
  /** Whoever reads the answer is not to read what is held here. */
  isHidden?: boolean;
}

/** What is told of a session that is not held as people knew it: to those alone whom the link is for. */
async function changeFor(glen: Glen, facts: DoorFacts): Promise<string | null> {
  if (facts.changed.length === 0 || !isTheirs(facts)) return null;
  const { zone } = (await readSchool(glen.db)).calendar;
  const changed = facts.changed.flatMap((row) => changedSession(row) ?? []);
  const told = changeToTell(changed, { now: facts.now, zone });
  return told && changeInWords(told);
}

async function doorAnswer(
  glen: Glen,
  facts: DoorFacts,
  given: Given = {},
): Promise<Answer<'door'>> {
  const { row, rules, at } = facts;
  const session = at?.occurrence;
  const decision = decideAt(facts, given);
  const turnedAway = session?.visitor_state === 'turned-away';
  const called = calledFor(facts, given.isHidden || isKeptFrom(facts));
  return {
    linkId: row.link_id,
    title: called.session,
    classTitle: titleOf(row),
    label: called.label,
    host: row.host_name ?? '',
    pennant: row.pennant,
    session: session ? sessionAtDoor(session, called.session) : null,
    change: given.isHidden ? null : await changeFor(glen, facts),
    decision,
    // Whose slot begins, or whom the rules let in meanwhile, waits no more.
    knocked: session?.visitor_state === 'waiting' && decision.outcome !== 'enter',
    inLine: facts.line.isIn && decision.reason === 'full',
    ahead: decision.reason === 'full' ? facts.line.ahead : await waitingBefore(glen, session),
    mayWatch: mayWatch(facts, given, decision),
    turnedAway,
    word: turnedAway ? session.word : null,
    hostIn: await hostInFor(glen, facts, decision),
    noRoom: !facts.hasRoom,
    pastedRoom: roomGiven(facts) !== null,
    hosts: facts.isHost,
    isOver: row.put_away_at !== null,
    code: codeToTell(facts),
    watchesOnly: facts.watchesOnly,
    invitedThen: row.invitations.length > 0 && facts.comes === undefined,
    turn: facts.turn,
    came: facts.came,
    elsewhere: await elsewhereFor(glen, facts),
    rules: {
      whoMayEnter: rules.whoMayEnter,
      asksCode: rules.entryCode !== null,
      watching: rules.watching,
      recording: rules.recording,
      chat: rules.chat,
    },
  };
}

/** Reasons after which an entry code decides, which is asked of those who watch, too. */
const ASKS_CODE = ['code-needed', 'code-wrong'];

/** Whether whoever asks could go in to watch only; a host, and who waits already, has no need of it. */
function mayWatch(facts: DoorFacts, given: Given, { reason }: EntryDecision): boolean {
  const isWaiting = facts.at?.occurrence.visitor_state === 'waiting';
  if (!facts.rules.watching || facts.watchesOnly || reason === 'host' || isWaiting) return false;
  const watching = decideAt(facts, { ...given, watchOnly: true });
  return watching.outcome === 'enter' || ASKS_CODE.includes(watching.reason);
}

/** A host who is in to let people in, by name. */
async function hostInFor(
  glen: Glen,
  { at, row }: DoorFacts,
  { outcome }: EntryDecision,
): Promise<string | null> {
  if (outcome !== 'lobby' || !at?.occurrence.hostInside) return null;
  const { sitting_id: sittingId, hosts_inside: count } = at.occurrence;
  if (count === 0) return null;
  // Where it is tried as if one were in, that is the class period's first.
  return (await hostInside(glen.db, sittingId ?? 0)) ?? row.host_name;
}

type Session = NonNullable<DoorFacts['at']>['occurrence'];

const sessionAtDoor = (session: Session, title: string): Answer<'door'>['session'] => ({
  title,
  date: session.local_date,
  time: session.local_time,
  minutes: session.minutes,
  start: session.start_at,
  end: session.end_at,
});

/** How many knocked before whoever asks, and wait still. */
async function waitingBefore(glen: Glen, session: Session | undefined): Promise<number> {
  if (session?.visitor_state !== 'waiting') return 0;
  return waitingLonger(glen.db, {
    sittingId: session.sitting_id!,
    visitorId: session.visitor_id!,
    knockedAt: session.knocked_at!,
  });
}
