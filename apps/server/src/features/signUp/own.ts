import { addDays } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { findDoor, type Caller } from '../door/findDoor.js';
import type { DoorFacts } from '../door/facts.js';
import { titleOf } from '../door/names.js';
import { isTheirSlot } from '../slot/whose.js';
import { isTheirs } from '../door/whose.js';
import { scheduleSlots } from '../slot/schedule.js';
import {
  addSignUp,
  changeSignUp,
  dropSignUps,
  groupsOfPerson,
  signUpById,
  slottedSeries,
} from '../slot/signUpStore.js';
import { heldWays } from '../slot/waysStore.js';
import { groupsIn } from './groupStore.js';
import {
  cutSessions,
  daysOf,
  holderOf,
  nowOf,
  shownTo,
  whyNot,
  whyNotWait,
  type Cut,
  type Now,
} from './sessions.js';

type Answered = Answer<'signUps'>;

/** Whether somebody may sign up at a door, or why not. */
function stateOf(facts: DoorFacts): Answered['state'] {
  if (facts.who.account === null) return 'sign-in';
  if (facts.row.link_state === 'retired') return 'not-yours';
  if (facts.isHost || facts.row.class_host || facts.row.link_host) return 'host';
  return isTheirs(facts) && facts.who.person !== null ? 'may' : 'not-yours';
}

/** What there is to sign up for at a door, as whoever asks may see it. */
async function answerFor(glen: Glen, facts: DoorFacts, typed: string): Promise<Answered> {
  const { row, who } = facts;
  const state = stateOf(facts);
  const door = {
    state,
    classTitle: titleOf(row),
    host: row.host_name ?? '',
    pennant: row.pennant,
    // A code of before tells nobody the one of now but those whom the door is for.
    code: state === 'may' || state === 'host' ? row.code : typed,
  };
  if (state !== 'may') return { ...door, sessions: [], groups: [] };
  const at = await nowOf(glen);
  const personId = who.person!.id;
  const cut = await cutSessions(glen, await slottedSeries(glen.db, [row.link_id]), at);
  const groups = await groupsOfPerson(glen.db, personId);
  const isMine = (one: SignUpRow): boolean => isTheirSlot(one, personId, groups);
  const theirs = daysOf(cut, personId);
  return {
    ...door,
    sessions: cut
      .filter((one) => isNear(one, at) || one.signUps.some(isMine))
      .slice(0, MOST_SHOWN)
      .map((one) => shownTo(one, { at, personId, isMine, theirs })),
    groups: await groupsIn(glen.db, row.class_id, groups),
  };
}

/** Whether the slots of a session can be taken already, as far as its day goes. */
const isNear = ({ date, ways }: Cut, { today }: Now): boolean =>
  date.local_date <= addDays(today, ways.opensDays);

/** So many sessions are shown ahead. */
const MOST_SHOWN = 12;

/** A door by its code; by one to watch at there is nothing to sign up for. */
async function doorBy(glen: Glen, code: string, caller: Caller): Promise<DoorFacts> {
  const facts = await findDoor(glen, code, caller);
  if (facts.watchesOnly) throw notFound('A place to sign up');
  return facts;
}

export const describeSignUps = async (
  glen: Glen,
  code: string,
  caller: Caller,
): Promise<Answered> => answerFor(glen, await doorBy(glen, code, caller), code);

/** The door of whoever may sign up at it. */
async function doorOf(glen: Glen, code: string, caller: Caller): Promise<DoorFacts> {
  const facts = await doorBy(glen, code, caller);
  const state = stateOf(facts);
  if (state === 'may') return facts;
  throw new HttpProblem(
    403,
    state === 'host' ? 'You host here: give slots at your own page.' : 'This is not for you.',
  );
}

/** What somebody wants: a slot of a session of the door, or (`nth` null) to wait for one. */
interface Wanted {
  seriesId: number;
  on: string;
  nth: number | null;
}

/** A session that is wanted, held against others until the transaction ends, among all that the door has in slots. */
export async function heldSession(
  glen: Glen,
  { seriesId, on }: Wanted,
  { linkId, at }: { linkId: number; at: Now },
): Promise<{ wanted: Cut; all: Cut[] }> {
  // First of all, so that what is read after it stands until the end.
  const ways = await heldWays(glen.db, seriesId);
  const series = ways ? await slottedSeries(glen.db, [linkId]) : [];
  const all = series.includes(seriesId) ? await cutSessions(glen, series, at) : [];
  const wanted = all.find(({ date }) => date.series_id === seriesId && date.key_date === on);
  if (!wanted) throw notFound('This slot');
  return { wanted, all };
}

/** Throws where a slot cannot be had, or waited for. */
export function mustBeFree(
  wanted: Cut,
  nth: number | null,
  { at, theirs, isForced = false }: { at: Now; theirs: { date: string }[]; isForced?: boolean },
): void {
  if (nth === null) {
    const isFree = wanted.slots.some(
      (_, one) => !holderOf(wanted, one) && whyNot(wanted, one, at, theirs) === null,
    );
    const why = isFree ? 'One is free still: take it.' : whyNotWait(wanted, at, theirs);
    if (why !== null) throw wrongField('nth', why);
    return;
  }
  if (!wanted.slots[nth]) throw notFound('This slot');
  if (holderOf(wanted, nth)) throw new HttpProblem(409, TAKEN);
  const isOver = wanted.slots[nth].end <= at.now;
  const why = isForced && !isOver ? null : whyNot(wanted, nth, at, theirs);
  if (why !== null) throw wrongField('nth', why);
}

const TAKEN = 'Somebody was a moment faster: this slot is taken. These are free still.';

/** Says how all stands now to whoever was too late. */
export async function orHowItStands<T>(work: Promise<T>, now: () => Promise<unknown>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof HttpProblem && error.status === 409 && error.more.current === undefined)
      throw new HttpProblem(409, error.message, { current: await now() });
    throw error;
  }
}

/** Somebody who may sign up at a door. */
interface AtTheDoor {
  linkId: number;
  classId: number;
  personId: number;
}

/** Does something to the slots of a door, for whoever may; gives how all stands then, to whoever was too late as well. */
async function atTheDoor(
  glen: Glen,
  { code, caller }: { code: string; caller: Caller },
  work: (door: AtTheDoor) => Promise<void>,
): Promise<Answered> {
  const { row, who } = await doorOf(glen, code, caller);
  const door = { linkId: row.link_id, classId: row.class_id, personId: who.person!.id };
  const now = (): Promise<Answered> => describeSignUps(glen, code, caller);
  await orHowItStands(
    glen.db.transaction(() => work(door)),
    now,
  );
  glen.nudge();
  return now();
}

/** All that shows slots hears of it, and who is first in line moves up. */
export async function tellSlots(glen: Glen, classId: number, seriesId: number): Promise<void> {
  await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
  await scheduleSlots(glen, seriesId);
}

/** Takes a slot, or waits for one. */
export function takeSlot(
  glen: Glen,
  code: string,
  caller: Caller,
  body: Body<'signUp'>,
): Promise<Answered> {
  return atTheDoor(glen, { code, caller }, async ({ linkId, classId, personId }) => {
    const at = await nowOf(glen);
    const { wanted, all } = await heldSession(glen, body, { linkId, at });
    const groups = await groupsOfPerson(glen.db, personId);
    const ownGroups = await groupsIn(glen.db, classId, groups);
    if (body.groupId !== null && !ownGroups.some(({ id }) => id === body.groupId))
      throw wrongField('groupId', 'You are not in this group.');
    const waits = wanted.signUps.some((one) => one.person_id === personId && isWaiting(one));
    if (body.nth === null && waits) return;
    mustBeFree(wanted, body.nth, { at, theirs: daysOf(all, personId) });
    // Whoever gets one waits no more.
    if (waits) await dropSignUps(glen.db, waitingOf(wanted, personId));
    await addSignUp(
      glen.db,
      { seriesId: body.seriesId, key: body.on },
      {
        nth: body.nth,
        person_id: personId,
        group_id: body.groupId,
        about: body.about,
        address: body.address || null,
        known_begin: body.nth === null ? null : wanted.slots[body.nth]!.start,
        since: at.now,
        made_by: personId,
        made_at: at.now,
      },
    );
    const after = { on: body.on, nth: body.nth };
    await glen.audit({
      by: personId,
      action: 'sign-up',
      subject: `slots:${body.seriesId}`,
      after,
    });
    await tellSlots(glen, classId, body.seriesId);
  });
}

const isWaiting = (one: SignUpRow): boolean => one.nth === null && one.missed_nth === null;
const waitingOf = ({ signUps }: Cut, personId: number): number[] =>
  signUps.filter((one) => one.person_id === personId && isWaiting(one)).map(({ id }) => id);

/** Holds the series of a sign-up, and another, before either is read; in one order, so that no two wait for each other. */
async function holdSeriesOf(glen: Glen, id: number, ...others: number[]): Promise<void> {
  const found = await signUpById(glen.db, id);
  const series = new Set([...(found ? [found.series_id] : []), ...others]);
  for (const seriesId of [...series].sort((a, b) => a - b)) await heldWays(glen.db, seriesId);
}

/** One's own sign-up at a door, as it was read. */
async function ownSignUp(
  glen: Glen,
  { id, version }: { id: number; version: number },
  { personId, linkId }: { personId: number; linkId: number },
): Promise<SignUpRow> {
  const found = await signUpById(glen.db, id);
  const series = await slottedSeries(glen.db, [linkId]);
  if (!found || found.person_id !== personId || !series.includes(found.series_id))
    throw notFound('This slot of yours');
  if (found.version !== version) throw stale(undefined);
  return found;
}

/** Changes a sign-up of one's own: to another slot, or what it is about. */
export function moveSlot(
  glen: Glen,
  code: string,
  caller: Caller,
  body: Body<'changeSignUp'>,
): Promise<Answered> {
  return atTheDoor(glen, { code, caller }, async ({ linkId, classId, personId }) => {
    await holdSeriesOf(glen, body.id, body.seriesId);
    const at = await nowOf(glen);
    const { wanted, all } = await heldSession(glen, body, { linkId, at });
    const own = await ownSignUp(glen, body, { personId, linkId });
    const isSame =
      own.series_id === body.seriesId && own.key_date === body.on && own.nth === body.nth;
    if (!isSame) mustBeFree(wanted, body.nth, { at, theirs: daysOf(all, personId, own.id) });
    await changeSignUp(glen.db, own.id, {
      about: body.about,
      address: body.address || null,
      ...(isSame
        ? {}
        : {
            series_id: body.seriesId,
            key_date: body.on,
            nth: body.nth,
            missed_nth: null,
            since: at.now,
            known_begin: body.nth === null ? null : wanted.slots[body.nth]!.start,
          }),
    });
    const before = { on: own.key_date, nth: own.nth };
    const after = { on: body.on, nth: body.nth };
    const subject = `slots:${body.seriesId}`;
    await glen.audit({ by: personId, action: 'change-sign-up', subject, before, after });
    if (own.series_id !== body.seriesId) await scheduleSlots(glen, own.series_id);
    await tellSlots(glen, classId, body.seriesId);
  });
}

/** Gives a slot of one's own up, or waits no more; who is first in line moves up. */
export function giveUpSlot(
  glen: Glen,
  code: string,
  caller: Caller,
  body: Body<'dropSignUp'>,
): Promise<Answered> {
  return atTheDoor(glen, { code, caller }, async ({ linkId, classId, personId }) => {
    await holdSeriesOf(glen, body.id);
    const own = await ownSignUp(glen, body, { personId, linkId });
    await dropSignUps(glen.db, [own.id]);
    const before = { on: own.key_date, nth: own.nth };
    const subject = `slots:${own.series_id}`;
    await glen.audit({ by: personId, action: 'drop-sign-up', subject, before });
    await tellSlots(glen, classId, own.series_id);
  });
}
