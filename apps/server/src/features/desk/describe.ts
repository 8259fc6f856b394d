import {
  checksLeft,
  awayOn,
  classTitle,
  foldedName,
  lookedAt,
  resolveHostsGone,
  type ComingSoFar,
  type EntryRules,
} from '@glen/core';
import type { Answer, DeskVisitor } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { awayBetween } from './awayStore.js';
import { expectedGuests } from './expected.js';
import { lineOfSlots } from './lineOfSlots.js';
import { comingsOf } from './comings.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { sizeOfLine } from '../door/lineStore.js';
import { foldedNames } from '../door/claimedNames.js';
import { nameOf, titleOf } from '../door/names.js';
import { wereRefusedLately } from '../door/strangers.js';
import { peopleOfLink } from '../audience/store.js';
import { linkAddress } from '../../addresses.js';
import { joiningTitles } from '../link/joined.sql.js';
import { codesOf, linkById, type LinkRow } from '../link/store.js';
import { ownLayers } from '../entry/layers.js';
import { staffOf } from '../school/store.js';
import { aloneIn } from '../entry/alone.js';
import { actingHostsOf, invitedTo, visitorsOf, type VisitorRow } from './store.js';

interface KnownNames {
  /** Of those on the roll, by their people. */
  byId: Map<number, string>;
  /** Of hosts and of the roll, folded: whoever uses one without an account has not proven who they are. */
  folded: Set<string>;
}

const visitorOf = (row: VisitorRow, names: KnownNames): DeskVisitor => ({
  id: row.id,
  name: row.name,
  account: row.account_kind,
  notProven: row.account_kind === 'none' && names.folded.has(foldedName(row.name)),
  email: row.email,
  onRoll: Boolean(row.on_roll),
  takenFor:
    row.taken_for === null
      ? null
      : {
          id: row.taken_for,
          name: names.byId.get(row.taken_for) ?? 'somebody who has left the roll',
        },
  role: row.role,
  mayPresent: Boolean(row.may_present),
  mayShare: Boolean(row.may_share),
  state: row.state,
  inside: Boolean(row.inside),
  knockedAt: row.knocked_at,
  leftAt: row.left_at,
});

/** Whoever was put out reads just that, whatever they were before. */
export const putOutOfIt = (): HttpProblem =>
  new HttpProblem(403, 'A host has put you out of this session. Only a host can let you back.');

/** The link and its door as its host sees them; an acting host of an earlier session is none any more. */
export async function doorOfHost(
  glen: Glen,
  linkId: number,
  token: string | undefined,
): Promise<{ link: LinkRow; facts: DoorFacts }> {
  const own = await linkById(glen.db, linkId);
  const facts = own && (await readDoor(glen, own.code, { token }));
  // Where the lesson meets at another class period's door, that door's desk is the one.
  const link =
    facts && facts.row.link_id !== linkId ? await linkById(glen.db, facts.row.link_id) : own;
  if (!link || !facts) throw notFound('This link');
  if (facts.shutFor)
    throw new HttpProblem(
      409,
      `The lesson meets at the door of ${titleOf({ class_title: facts.shutFor.class_title, period: facts.shutFor.period })} just now; this one stays shut meanwhile.`,
    );
  if (facts.at?.occurrence.keptOut && isActing(facts)) throw putOutOfIt();
  if (!facts.isHost)
    throw new HttpProblem(403, 'You are host at this door only while the session is yours.');
  return { link, facts };
}

/** All that a desk is made of. */
interface DeskFacts {
  link: LinkRow;
  facts: DoorFacts;
  visitors: VisitorRow[];
  roll: { id: number; name: string }[];
  staff: { name: string }[];
  /** Strangers were refused at the lobby lately. */
  refusedLately: boolean;
}

type Desk = Answer<'desk'>;

/** Whether somebody is here, on the way in, or waiting. */
const isHere = (v: VisitorRow): boolean =>
  Boolean(v.inside) || v.state === 'waiting' || isComing(v);

const isComing = (v: VisitorRow): boolean =>
  v.state === 'let-in' && !v.inside && v.left_at === null;

/** What is known of those on the roll, by their ids. */
interface OfRoll {
  away: Map<number, string>;
  comings: Map<number, ComingSoFar>;
}

/** Who stands where: knocking, on the way in, inside, turned away; and who of the roll is missing. */
function columnsOf({ visitors, roll, staff, facts }: DeskFacts, { away, comings }: OfRoll) {
  const isOver = Boolean(facts.at?.occurrence.ended_at);
  const names: KnownNames = {
    byId: new Map(roll.map((p) => [p.id, p.name])),
    folded: foldedNames([...roll, ...staff]),
  };
  const these = (test: (v: VisitorRow) => boolean): DeskVisitor[] =>
    visitors.filter(test).map((v) => visitorOf(v, names));
  const here = new Map(visitors.filter(isHere).map((v) => [v.taken_for ?? v.person_id, v]));
  return {
    waiting: isOver ? [] : these((v) => v.state === 'waiting'),
    coming: isOver ? [] : these(isComing),
    inside: these((v) => Boolean(v.inside)),
    away: these((v) => v.state === 'turned-away' || v.state === 'put-out'),
    missing: roll
      .filter((person) => !here.has(person.id))
      .map(({ id, name }) => ({
        ...{ id, name },
        away: away.get(id) ?? null,
        goneAt: comings.get(id)?.goneAt ?? null,
      })),
    here: roll.flatMap(({ id, name }) => {
      const visitor = here.get(id);
      if (!visitor) return [];
      const { lateBy = null, isBack = false } = comings.get(id) ?? {};
      return [{ id, name, as: visitor.taken_for === null ? null : visitor.name, lateBy, isBack }];
    }),
    rollSize: roll.length,
  };
}

/** So many who knock without an account are many. */
const MANY_STRANGERS = 10;

const isStranger = ({ account_kind: kind }: VisitorRow): boolean =>
  kind === 'none' || kind === 'phone';

/** Whether many strangers knock, and whether they are asked for an account. */
function strangersAt({ visitors, facts, refusedLately }: DeskFacts): Desk['strangers'] {
  const waiting = visitors.filter((v) => v.state === 'waiting' && isStranger(v)).length;
  const mayCome = facts.rules.whoMayEnter === 'anyone' || facts.rules.phone !== 'none';
  return {
    areMany: mayCome && (waiting >= MANY_STRANGERS || refusedLately),
    areAsked: facts.at?.occurrence.asks_account === 1,
  };
}

function sessionAt({ facts: { at } }: DeskFacts): Desk['session'] {
  if (!at) return null;
  const session = at.occurrence;
  return {
    title: session.session_title,
    date: session.local_date,
    time: session.local_time,
    minutes: session.minutes,
    start: session.start_at,
    end: session.end_at,
    opens: at.opens,
    closes: at.closes,
    seriesId: session.series_id,
    key: session.key_date,
  };
}

function doorState({ facts: { at } }: DeskFacts): Desk['door'] {
  const session = at?.occurrence;
  if (session?.ended_at) return 'ended';
  return session?.opened_at || session?.inside ? 'open' : 'shut';
}

/** Whether people are in the room behind a door without a host. */
function aloneAt({ at, row, rules }: DoorFacts): Desk['alone'] {
  if (!at) return null;
  const session = at.occurrence;
  const { minutes } = resolveHostsGone([...row.layers, ...ownLayers(session.layers ?? [])]);
  return aloneIn(
    { ...session, room_address: session.room_address_kept },
    { closes: at.closes, withoutHost: rules.withoutHost, minutes },
  );
}

function linkAtDesk(glen: Glen, link: LinkRow): Desk['link'] {
  const { id, code, label, kind, state } = link;
  return { id, code, label, kind, state, address: linkAddress(glen, code) };
}

/** What is still to be looked at in a room that a host gave. */
function lookedAtPart(
  link: LinkRow,
  room: string | null | undefined,
  rules: EntryRules,
): Pick<Desk, 'unseen' | 'powers'> {
  if (room == null) return { unseen: 0, powers: '' };
  const seen = lookedAt(link.room_looked_at, room);
  return { unseen: checksLeft(rules, seen), powers: seen.powers };
}

/** What belongs to the door itself, whoever comes. */
function doorPart({ link, facts, ...rest }: DeskFacts) {
  const { row, at, rules } = facts;
  const session = at?.occurrence;
  const { whoMayEnter, straightIn, presenters, sharing } = rules;
  const room = session?.room ? session.room_address_kept : row.room_address;
  return {
    classId: row.class_id,
    classTitle: titleOf(row),
    pennant: row.pennant,
    title: session?.session_title ?? nameOf(row),
    session: sessionAt({ link, facts, ...rest }),
    door: doorState({ link, facts, ...rest }),
    hostInside: session?.hostInside ?? false,
    alone: aloneAt(facts),
    onTheSpot: !session,
    rules: { whoMayEnter, straightIn, presenters, sharing },
    allShare: session?.all_share === 1,
    chimes: session?.chime == null ? rules.chime : session.chime === 1,
    pastedRoom: room !== null,
    ...lookedAtPart(link, room, rules),
    noRoom: !facts.hasRoom,
  };
}

/** Whether whoever asks is host for this session alone. */
export function isActing({ row, at }: DoorFacts): boolean {
  return !row.class_host && !row.link_host && !at?.occurrence.joined_host;
}

type Successor = Desk['successors'][number];

/** Who could take the session over, and who has. */
async function successorsOf(glen: Glen, { row, at, who }: DoorFacts): Promise<Successor[]> {
  const [staff, acting] = await Promise.all([
    staffOf(glen.db, row.class_id),
    actingHostsOf(glen.db, at?.occurrence.sitting_id ?? 0),
  ]);
  return staff
    .filter((s) => s.id !== who.person?.id)
    .map((s) => ({ ...s, acting: acting.includes(s.id) }));
}

async function guestsOf(glen: Glen, { at }: DoorFacts): Promise<Desk['invited']> {
  const invited = await invitedTo(glen.db, at?.occurrence.occurrence_id ?? 0);
  return invited.map(({ id, name, email, of_school: ofSchool }) => ({
    id,
    name: name ?? email ?? '',
    email,
    ofSchool: Boolean(ofSchool),
  }));
}

async function togetherAt(glen: Glen, { at }: DoorFacts): Promise<Desk['together']> {
  const joining = await joiningTitles(glen.db, at ? [at.occurrence.occurrence_id] : []);
  return joining.map((c) => ({ id: c.id, title: classTitle(c), pennant: c.pennant }));
}

/** Why some of a roll are known not to come to the session that a door stands for. */
async function knownAway(
  glen: Glen,
  { at, row }: DoorFacts,
  roll: { id: number }[],
): Promise<Map<number, string>> {
  if (!at) return new Map();
  const date = at.occurrence.local_date;
  const personIds = roll.map(({ id }) => id);
  const away = await awayBetween(glen.db, { from: date, until: date, personIds });
  const known = awayOn(away, { date, classId: row.class_id });
  return new Map(known.map(({ personId, reason }) => [personId, reason]));
}

/** Who knocks, who is in, who of the roll is missing, for one link's door now. */
export async function describeDesk(
  glen: Glen,
  linkId: number,
  token: string | undefined,
): Promise<Desk> {
  const { link, facts } = await doorOfHost(glen, linkId, token);
  const session = facts.at?.occurrence;
  const [visitors, roll, staff, successors, invited, together, codes, refusedLately, inLine] =
    await Promise.all([
      visitorsOf(glen.db, session?.sitting_id ?? 0),
      peopleOfLink(glen.db, facts.row.link_id, session?.occurrence_id),
      staffOf(glen.db, facts.row.class_id),
      successorsOf(glen, facts),
      guestsOf(glen, facts),
      togetherAt(glen, facts),
      codesOf(glen.db, link.id),
      wereRefusedLately(glen, link.id),
      session?.has_line ? sizeOfLine(glen.db, glen.clock, session.sitting_id!) : 0,
    ]);
  const desk: DeskFacts = { link, facts, visitors, roll, staff, refusedLately };
  const [away, comings] = await Promise.all([
    knownAway(glen, facts, roll),
    comingsOf(glen, facts, roll),
  ]);
  const own = visitors.find((v) => v.person_id === facts.who.person?.id && v.inside);
  return {
    link: linkAtDesk(glen, link),
    ...doorPart(desk),
    ...columnsOf(desk, { away, comings }),
    strangers: strangersAt(desk),
    inLine,
    capacity: facts.rules.capacity,
    replacedAt: codes.at(-2)?.replaced_at ?? null,
    together,
    acting: isActing(facts),
    own: own?.id ?? null,
    successors,
    invited,
    slots: await lineOfSlots(glen, facts),
    guests: await expectedGuests(glen, facts, visitors),
  };
}
