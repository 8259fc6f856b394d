import { classTitle, howTo, placeWallTime } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import { linkById } from '../link/store.js';
import { mainLinkOf } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { decideAt, isOnRoll, readDoor, type DoorFacts } from './facts.js';
import { findDoor, type Caller } from './findDoor.js';
import { nameOf, titleOf } from './names.js';
import { noteTried, waitingLonger } from './store.js';

/** Where somebody whose door is shut for good, or just now, is to go: told only to those the link is for, and its hosts. */
async function elsewhereFor(glen: Glen, facts: DoorFacts): Promise<Answer<'door'>['elsewhere']> {
  const { row, shutFor } = facts;
  if (!isTheirs(facts)) return null;
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

/** Whether a link is for whoever asks, or they host there. */
function isTheirs(facts: DoorFacts): boolean {
  const { row, who, isHost } = facts;
  if (isHost || row.class_host || row.class_presenter) return true;
  if (who.account === null) return false;
  return row.link_invited || (who.account.kind === 'school' && isOnRoll(facts));
}

/** What a visitor meets behind a link. Writes nothing. */
export const describeDoor = async (
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'door'>> => doorAnswer(glen, await findDoor(glen, typed, caller));

/** How to get in by a link, in plain words, by the rules in force at its class period's usual lessons. */
export async function describeHowTo(
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'howTo'>> {
  const { row, rules } = await findDoor(glen, typed, caller);
  const host = row.host_name ?? '';
  return {
    title: nameOf(row),
    classTitle: titleOf(row),
    host,
    pennant: row.pennant,
    code: row.code,
    address: linkAddress(glen, row.code),
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
  if (await noteTried(glen.db, link.class_id))
    await glen.announce(`class:${link.class_id}`, { thing: 'classes', id: link.class_id });
  const now = body.at
    ? placeWallTime(body.at.date, body.at.time, 0, (await readSchool(glen.db)).calendar.zone).start
    : glen.clock.school();
  const facts = (await readDoor(
    glen,
    link.code,
    { accountId: body.accountId ?? null },
    { at: now },
  ))!;
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
  const turnedAway = session?.visitor_state === 'turned-away';
  return {
    linkId: row.link_id,
    title: session?.session_title ?? nameOf(row),
    classTitle: titleOf(row),
    label: row.label,
    host: row.host_name ?? '',
    pennant: row.pennant,
    session: session ? sessionAtDoor(session) : null,
    decision: decideAt(facts, given),
    knocked: session?.visitor_state === 'waiting',
    ahead: await waitingBefore(glen, session),
    turnedAway,
    word: turnedAway ? session.word : null,
    hostSees: session?.hostInside ?? false,
    noRoom: !facts.hasRoom,
    hosts: facts.isHost,
    isOver: row.put_away_at !== null,
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

type Session = NonNullable<DoorFacts['at']>['occurrence'];

const sessionAtDoor = (session: Session): Answer<'door'>['session'] => ({
  title: session.session_title,
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
