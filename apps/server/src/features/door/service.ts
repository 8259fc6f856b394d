import {
  classTitle,
  doorPath,
  formerCodeLeads,
  howTo,
  placeWallTime,
  readLinkCode,
  type EntryDecision,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { beginSession, type NewSession } from '../../http/who.js';
import { OutsideError } from '../../outside/outsideError.js';
import { countFailures, noteFailure, refuseWhenFull } from '../accounts/failures.js';
import { linkAddress } from '../link/service.js';
import { formerCode, linkById } from '../link/store.js';
import { addSessionNow } from '../plan/books.js';
import { mainLinkOf, readSchool } from '../school/store.js';
import { arrive } from './events.js';
import { decideAt, isOnRoll, readDoor, type DoorFacts } from './facts.js';
import type { Asker } from './store.js';
import {
  ensureSitting,
  ensureRoomName,
  lockLink,
  noteRoomReady,
  openSitting,
  saveVisitor,
  waitingLonger,
} from './store.js';

/** Unknown codes from one network address; a class that shares it and mistypes stays well below. */
const GUESSES = { most: 60, minutes: 10 };
/** Wrong entry codes at one door from one address by one account. */
const CODE_TRIES = { most: 10, minutes: 10 };

const noSuchDoor = (): HttpProblem =>
  new HttpProblem(404, 'No door has this code.', {
    detail: 'A letter may have slipped. Compare it with the link you were given.',
  });

export const titleOf = (row: { class_title: string; period: string | null }): string =>
  classTitle({ title: row.class_title, period: row.period });

/** What a door is called with nothing planned: the class period, or what a link for some of it is labelled. */
export const nameOf = (row: {
  class_title: string;
  period: string | null;
  for_class: number;
  label: string;
}): string => (row.for_class ? titleOf(row) : row.label);

/** A door by the code somebody typed. Unknown codes count as failures of the address they come from. */
async function findDoor(
  glen: Glen,
  typed: string,
  token: string | undefined,
  address: string,
): Promise<DoorFacts> {
  const code = readLinkCode(typed);
  const facts =
    code === null
      ? undefined
      : ((await readDoor(glen, code, { token })) ?? (await byFormerCode(glen, code, { token })));
  if (facts) return facts;
  const bucket = `guess:${address}`;
  const failures = await countFailures(glen.db, glen.clock, bucket, GUESSES.minutes);
  if (failures >= GUESSES.most)
    throw new HttpProblem(
      429,
      `Too many codes that do not exist were tried from here. Wait ${GUESSES.minutes} minutes, or follow the link instead of typing it.`,
    );
  await noteFailure(glen.db, glen.clock, bucket);
  throw noSuchDoor();
}

/** A door by a code that it had before: it leads on to what the door is now, or has stopped. */
async function byFormerCode(
  glen: Glen,
  code: string,
  asker: Asker,
): Promise<DoorFacts | undefined> {
  const former = await formerCode(glen.db, code);
  const facts = former && (await readDoor(glen, former.code, asker));
  if (!former || !facts) return undefined;
  if (!formerCodeLeads({ how: former.how, until: former.until_at }, facts.now))
    return {
      ...facts,
      row: { ...facts.row, link_state: 'retired' },
      came: { by: 'replaced', until: null },
    };
  return facts.came ? facts : { ...facts, came: { by: 'replaced', until: former.until_at } };
}

/** Where somebody whose door is shut for good, or just now, is to go: told only to those the link is for, and its hosts. */
async function elsewhereFor(glen: Glen, facts: DoorFacts): Promise<Answer<'door'>['elsewhere']> {
  const { row, who, shutFor } = facts;
  const isTheirs =
    facts.isHost ||
    row.as_what !== null ||
    (who.account?.kind === 'school' && isOnRoll(facts)) ||
    (who.account !== null && Boolean(row.link_invited));
  if (!isTheirs) return null;
  if (shutFor)
    return {
      why: 'together',
      code: shutFor.code,
      title: classTitle({ title: shutFor.class_title, period: shutFor.period }),
    };
  if (row.link_state !== 'retired') return null;
  const link = await linkById(glen.db, row.link_id);
  if (link?.state === 'live') return { why: 'stopped', code: link.code, title: titleOf(row) };
  const main = await mainLinkOf(glen.db, row.class_id);
  return main && main.state === 'live'
    ? { why: 'stopped', code: main.code, title: titleOf(row) }
    : null;
}

/** What a visitor meets behind a link. Writes nothing. */
export const describeDoor = async (
  glen: Glen,
  typed: string,
  token: string | undefined,
  address: string,
): Promise<Answer<'door'>> => doorAnswer(glen, await findDoor(glen, typed, token, address));

/** How to get in by a link, in plain words, by the rules in force at its class period's usual lessons. */
export async function describeHowTo(
  glen: Glen,
  typed: string,
  token: string | undefined,
  address: string,
): Promise<Answer<'howTo'>> {
  const { row, rules } = await findDoor(glen, typed, token, address);
  const host = row.host_name ?? '';
  return {
    title: nameOf(row),
    classTitle: titleOf(row),
    host,
    pennant: row.pennant,
    code: row.code,
    address: glen.config.publicUrl + doorPath(row.code),
    stopped: row.link_state === 'retired',
    ...howTo({
      rules,
      host,
      classTitle: titleOf(row),
      label: row.for_class ? null : row.label,
      pastedRoom: row.room_address !== null,
    }),
  };
}

/**
 * What the door would say to an account (or to nobody) at a time of school: the same facts and the same decision
 * as at the real door. `hostIn` says whether a host is in then; left out, it is as it is now.
 */
export async function tryDoor(
  glen: Glen,
  linkId: number,
  body: Body<'tryDoor'>,
): Promise<Answer<'tryDoor'>> {
  const link = await linkById(glen.db, linkId);
  if (!link) throw notFound('This link');
  const now = body.at
    ? placeWallTime(body.at.date, body.at.time, 0, (await readSchool(glen.db)).calendar.zone).start
    : glen.clock.school();
  const facts = (await readDoor(glen, link.code, { accountId: body.accountId ?? null }, { now }))!;
  if (body.accountId !== undefined && !facts.who.account)
    throw wrongField('accountId', 'There is no such account.');
  const session = facts.at?.occurrence;
  if (session && body.hostIn !== undefined) {
    session.hostInside = body.hostIn;
    session.ended_at = body.hostIn ? null : session.ended_at;
    session.opened_at = body.hostIn ? (session.opened_at ?? now) : session.opened_at;
  }
  return doorAnswer(glen, facts, body);
}

async function doorAnswer(
  glen: Glen,
  facts: DoorFacts,
  given: { entryCode?: string | undefined; watchOnly?: boolean | undefined } = {},
): Promise<Answer<'door'>> {
  const { row, rules, at } = facts;
  const session = at?.occurrence;
  return {
    linkId: row.link_id,
    title: session?.session_title ?? nameOf(row),
    classTitle: titleOf(row),
    label: row.label,
    host: row.host_name ?? '',
    pennant: row.pennant,
    session: session
      ? {
          title: session.session_title,
          date: session.local_date,
          time: session.local_time,
          minutes: session.minutes,
          start: session.start_at,
          end: session.end_at,
        }
      : null,
    decision: decideAt(facts, given),
    knocked: session?.visitor_state === 'waiting',
    ahead:
      session?.visitor_state === 'waiting'
        ? await waitingLonger(
            glen.db,
            session.sitting_id!,
            session.visitor_id!,
            session.knocked_at!,
          )
        : 0,
    turnedAway: session?.visitor_state === 'turned-away',
    word: session?.visitor_state === 'turned-away' ? session.word : null,
    hostSees: session?.hostInside ?? false,
    code: row.code,
    came: facts.came,
    elsewhere: await elsewhereFor(glen, facts),
    rules: {
      whoMayEnter: rules.whoMayEnter,
      asksCode: rules.entryCode !== null,
      watching: rules.watching,
    },
  };
}

interface Admission {
  decision: EntryDecision;
  seat: {
    room: string;
    ready: boolean;
    address: string | null;
    visitorId: number;
    name: string;
    facts: DoorFacts;
  } | null;
}

/** Writes a knock or an entrance, under the link's lock. */
async function admit(
  glen: Glen,
  facts: DoorFacts,
  decision: EntryDecision,
  sessionId: number,
  name: string,
  entryCode: string | null,
  byHand: boolean,
): Promise<Admission['seat']> {
  const { row, who, now, at } = facts;
  const sittingId = await ensureSitting(glen.db, at!.occurrence.occurrence_id, row.link_id);
  const entering = decision.outcome === 'enter';
  if (entering && decision.role === 'host') await openSitting(glen.db, sittingId, now, byHand);
  const visitorId = await saveVisitor(glen.db, {
    sittingId,
    key: who.account ? `a${who.account.id}` : `s${sessionId}`,
    accountId: who.account?.id ?? null,
    personId: who.person?.id ?? null,
    sessionId,
    name,
    accountKind: who.account?.kind ?? 'none',
    onRoll: isOnRoll(facts) && who.account?.kind === 'school',
    role: decision.role!,
    state: entering ? 'let-in' : 'waiting',
    entryCode,
    now,
  });
  await glen.announce(`class:${row.class_id}`, { thing: 'desk', id: row.link_id });
  if (entering && decision.role === 'host')
    await glen.announce(`door:${row.link_id}`, { thing: 'door', id: row.link_id });
  if (!entering) return null;
  const { room, ready, address } = await ensureRoomName(glen.db, sittingId, row.room_address);
  // A room that Glen cannot look into tells nothing of who arrives: whoever passes the door counts as in.
  if (address !== null)
    await arrive(glen, { visitor_id: visitorId, sitting_id: sittingId, role: decision.role! }, now);
  return { room, ready, address, visitorId, name, facts };
}

/** The address that lets one person into the room; the room is made first where it does not stand yet. */
async function wayIn(
  glen: Glen,
  decision: EntryDecision,
  seat: NonNullable<Admission['seat']>,
): Promise<string> {
  const { row, rules } = seat.facts;
  if (seat.address !== null) return seat.address;
  try {
    if (!seat.ready) {
      const {
        presenters,
        arriveMuted,
        mayUnmute,
        camera,
        hostCamera,
        sharing,
        chat,
        chime,
        recording,
      } = rules;
      await glen.video.makeRoom({
        room: seat.room,
        title: seat.facts.at!.occurrence.session_title,
        classRef: row.class_ref,
        door: linkAddress(glen, row.code),
        rules: {
          presenters,
          arriveMuted,
          mayUnmute,
          camera,
          hostCamera,
          sharing,
          chat,
          chime,
          recording,
        },
      });
      await noteRoomReady(glen.db, seat.room);
    }
    return await glen.video.ticket({
      room: seat.room,
      visitorId: seat.visitorId,
      name: seat.name,
      role: decision.role!,
    });
  } catch (error) {
    if (error instanceof OutsideError)
      throw new HttpProblem(502, `${error.message} Your place is kept; try again in a moment.`);
    throw error;
  }
}

interface Asking {
  typed: string;
  token: string | undefined;
  address: string;
  setSession: (session: NewSession) => void;
}

/** Goes in or knocks. Deciding again under the link's lock, so that an end or the last seat counts for everyone alike. */
export async function enterDoor(
  glen: Glen,
  asking: Asking,
  body: Body<'enterDoor'>,
  byHand = false,
): Promise<Answer<'enterDoor'>> {
  const first = await findDoor(glen, asking.typed, asking.token, asking.address);
  const tries = `code:${first.row.link_id}:${first.who.account?.id ?? 'none'}:${asking.address}`;
  if (body.entryCode) await refuseWhenFull(glen.db, glen.clock, tries, CODE_TRIES);
  const sought = decideAt(first, body);
  if (sought.reason === 'code-wrong') await noteFailure(glen.db, glen.clock, tries);
  if (sought.outcome !== 'enter' && sought.outcome !== 'lobby')
    return { decision: sought, go: null };

  const name = first.who.person?.name ?? body.name?.trim() ?? '';
  if (name === '')
    throw wrongField('name', 'Say who you are, so that the host knows whom to let in.');
  let { token } = asking;
  let sessionId = first.who.sessionId;
  if (sessionId === null) {
    const session = await beginSession(glen.db, glen.clock, null, null);
    asking.setSession(session);
    ({ token, id: sessionId } = session);
  }
  if (first.shutFor) return { decision: sought, go: null };
  const { code } = first.row;
  const { decision, seat } = await glen.db.transaction(async (): Promise<Admission> => {
    await lockLink(glen.db, code);
    const straight = first.came?.by === 'together';
    let facts = (await readDoor(glen, code, { token }, { straight }))!;
    const now = decideAt(facts, body);
    if (now.outcome !== 'enter' && now.outcome !== 'lobby') return { decision: now, seat: null };
    if (!facts.at) {
      // A host at a door with nothing planned, or a link that stands open: it goes on the books.
      await addSessionNow(
        glen,
        { classId: facts.row.class_id, linkId: facts.row.link_id, title: nameOf(facts.row) },
        facts.isHost ? facts.who.person!.id : null,
      );
      facts = (await readDoor(glen, code, { token }, { straight }))!;
    }
    return {
      decision: now,
      seat: await admit(glen, facts, now, sessionId, name, body.entryCode ?? null, byHand),
    };
  });
  return { decision, go: seat ? await wayIn(glen, decision, seat) : null };
}
