import { Op } from 'sequelize';
import { foldedName, type EntryRules } from '@glen/core';
import type { DeskVisitor } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { VisitorRow as VisitorModel } from '../../db/models/Visitor.js';
import { plain, type Plain } from '../../db/plain.js';
import type { OccurrenceLayers } from '../entry/store.js';
import { dropLine } from '../door/lineStore.js';
import { dropTickets } from '../door/keptOutStore.js';

export interface VisitorRow extends Plain<VisitorModel> {
  email: string | null;
}

/** Who came to a sitting, in the order in which they knocked. */
export async function visitorsOf(db: Db, sittingId: number): Promise<VisitorRow[]> {
  const visitors = await db.models.Visitor.findAll({
    where: { sitting_id: sittingId },
    include: [{ association: 'account', attributes: ['email'] }],
    order: ['knocked_at', 'id'],
  });
  return visitors.map((visitor) => ({
    ...plain(visitor),
    email: visitor.account?.email ?? null,
  }));
}

export interface Known {
  id: number;
  sitting_id: number;
  state: DeskVisitor['state'];
  role: DeskVisitor['role'];
  account_kind: DeskVisitor['account'];
  may_present: boolean;
  on_roll: boolean;
  session_id: number | null;
  person_id: number | null;
  browser: string | null;
  network: string;
  link_id: number;
  occurrence_id: number;
  class_id: number;
  code: string;
  room: string | null;
  room_address: string | null;
  name: string;
}

/** A visitor with their sitting and its link, all held against others. */
function known(visitor: VisitorModel): Known {
  const { id, sitting_id, state, role, may_present, on_roll, session_id, name, sitting } = visitor;
  const { person_id, browser, network, account_kind } = visitor;
  const { link_id, occurrence_id, room, room_address, link } = sitting!;
  const { class_id, code } = link!;
  return {
    ...{ id, sitting_id, state, role, may_present, on_roll, session_id, name },
    ...{ person_id, browser, network, account_kind },
    ...{ link_id, occurrence_id, room, room_address, class_id, code },
  };
}

/** At which link's door somebody is. */
export async function linkOfVisitor(db: Db, id: number): Promise<number | undefined> {
  const visitor = await db.models.Visitor.findByPk(id, {
    attributes: ['id'],
    include: [{ association: 'sitting', attributes: ['link_id'] }],
  });
  return visitor?.sitting?.link_id;
}

export async function knownVisitor(db: Db, id: number): Promise<Known | undefined> {
  const visitor = await db.models.Visitor.findByPk(id, {
    include: [{ association: 'sitting', include: ['link'] }],
    lock: true,
  });
  return visitor ? known(visitor) : undefined;
}

/**
 * The other visitors of a sitting that are the same person: by their accounts, or, of whoever has none, by the browser or
 * by the same name from the same network.
 */
export async function visitorsKnownBy(db: Db, visitor: Known): Promise<Known[]> {
  const { id, sitting_id, person_id, browser, network } = visitor;
  const without = { account_kind: 'none' as const };
  const others = [
    ...(person_id === null ? [] : [{ person_id }]),
    ...(browser === null ? [] : [{ browser, ...without }]),
    ...(person_id === null ? [{ network, ...without }] : []),
  ];
  const visitors = await db.models.Visitor.findAll({
    where: { sitting_id, id: { [Op.ne]: id }, [Op.or]: others },
    include: [{ association: 'sitting', include: ['link'] }],
    lock: true,
  });
  const isSame = (other: Known): boolean =>
    (person_id !== null && other.person_id === person_id) ||
    (browser !== null && other.browser === browser) ||
    foldedName(other.name) === foldedName(visitor.name);
  return visitors.map(known).filter(isSame);
}

/** Who hosts at a link by themselves: by its class period, at this link alone, or with a class period that joins. */
export async function hostsOfLink(db: Db, linkId: number): Promise<Set<number>> {
  const hosts = await db.models.LinkPerson.findAll({
    attributes: ['person_id'],
    where: { link_id: linkId, as_what: ['host', 'tutor', 'joining-host'] },
  });
  return new Set(hosts.map((row) => row.person_id));
}

/** It is theirs no longer. */
export async function dropActingHost(db: Db, sittingId: number, personId: number): Promise<void> {
  await db.models.ActingHost.destroy({ where: { sitting_id: sittingId, person_id: personId } });
}

/** Who waits at a link's door. */
export async function waitingAt(db: Db, linkId: number): Promise<Known[]> {
  const visitors = await db.models.Visitor.findAll({
    where: { state: 'waiting' },
    include: [
      { association: 'sitting', where: { link_id: linkId, ended_at: null }, include: ['link'] },
    ],
    lock: true,
  });
  return visitors.map(known);
}

type VisitorColumns = Partial<
  Pick<VisitorRow, 'state' | 'word' | 'role' | 'taken_for' | 'may_present' | 'may_share'>
>;

const change = async (db: Db, id: number, columns: VisitorColumns): Promise<void> => {
  await db.models.Visitor.update(columns, { where: { id } });
};

/** What ends with being turned away or put out: a way in that was not used, and presenting or sharing for a while. */
const AT_AN_END = { ticket: null, ticket_until: null, may_present: false, may_share: false };

/** Whether the visitor was in one of these states. */
export async function setVisitorState(
  db: Db,
  id: number,
  from: DeskVisitor['state'][],
  to: DeskVisitor['state'],
): Promise<boolean> {
  const [met] = await db.models.Visitor.update(
    { state: to, word: null, turn_over: false, ...(to === 'let-in' ? {} : AT_AN_END) },
    { where: { id, state: from } },
  );
  return met > 0;
}

export const setWord = (db: Db, id: number, word: string | null) => change(db, id, { word });

export const setRole = (db: Db, id: number, role: DeskVisitor['role']) => change(db, id, { role });

/** For the register alone. */
export const setTakenFor = (db: Db, id: number, personId: number | null) =>
  change(db, id, { taken_for: personId });

export const setMayPresent = (db: Db, id: number, mayPresent: boolean, role: DeskVisitor['role']) =>
  change(db, id, { may_present: mayPresent, role });

export const setMayShare = (db: Db, id: number, mayShare: boolean) =>
  change(db, id, { may_share: mayShare });

export async function setAllShare(db: Db, sittingId: number, allShare: boolean): Promise<void> {
  await db.models.Sitting.update({ all_share: allShare }, { where: { id: sittingId } });
}

/** For one session, whatever the rules say. */
export async function setChime(db: Db, sittingId: number, chime: boolean): Promise<void> {
  await db.models.Sitting.update({ chime }, { where: { id: sittingId } });
}

/** A room of the video service's making that stands, and what decides its rules. */
export interface RoomToRule {
  id: number;
  link_id: number;
  class_id: number;
  code: string;
  room: string;
  layers: OccurrenceLayers;
  all_share: boolean;
  chime: boolean | null;
  rules_told: Partial<EntryRules> | null;
}

export async function roomToRule(db: Db, sittingId: number): Promise<RoomToRule | undefined> {
  const sitting = await db.models.Sitting.findOne({
    where: { id: sittingId, room_ready: true, room_address: null, ended_at: null },
    include: [
      { association: 'link', attributes: ['class_id', 'code'] },
      { association: 'occurrence', attributes: ['layers'] },
    ],
  });
  if (!sitting || sitting.room === null) return undefined;
  const { id, link_id, room, all_share, chime, rules_told, link, occurrence } = sitting;
  const { class_id, code } = link!;
  const { layers } = occurrence!;
  return { id, link_id, class_id, code, room, all_share, chime, rules_told, layers };
}

export async function noteRulesTold(
  db: Db,
  sittingId: number,
  rules: Partial<EntryRules>,
): Promise<void> {
  await db.models.Sitting.update({ rules_told: rules }, { where: { id: sittingId } });
}

/** Who is in a room with a role that the rules have given them. */
export const peopleInRoom = (db: Db, sittingId: number): Promise<VisitorModel[]> =>
  db.models.Visitor.findAll({
    attributes: ['id', 'account_id', 'role', 'entry_code'],
    where: {
      sitting_id: sittingId,
      inside: true,
      role: ['presenter', 'participant'],
      may_present: false,
    },
  });

/** Somebody's standing at a sitting; of several browsers the one that is inside. */
export async function visitorOfPerson(
  db: Db,
  sittingId: number,
  personId: number,
): Promise<{ id: number; inside: boolean } | undefined> {
  const visitor = await db.models.Visitor.findOne({
    attributes: ['id', 'inside'],
    where: { sitting_id: sittingId, person_id: personId },
    order: [
      ['inside', 'DESC'],
      ['id', 'DESC'],
    ],
  });
  return visitor ? { id: visitor.id, inside: visitor.inside } : undefined;
}

export async function actingHostsOf(db: Db, sittingId: number): Promise<number[]> {
  const hosts = await db.models.ActingHost.findAll({ where: { sitting_id: sittingId } });
  return hosts.map((host) => host.person_id);
}

/** A host is in a room that had none. */
export async function noteHostIsIn(db: Db, sittingId: number): Promise<void> {
  await db.models.Sitting.update({ host_left_at: null }, { where: { id: sittingId } });
}

/** Ended for all; its room is gone. */
export async function endSitting(db: Db, sittingId: number, now: string): Promise<void> {
  await db.models.Sitting.update(
    {
      ended_at: now,
      room: null,
      room_ready: false,
      all_share: false,
      chime: null,
      host_left_at: null,
    },
    { where: { id: sittingId } },
  );
  await dropLine(db, sittingId);
  await dropTickets(db, sittingId);
}

/** From now on whoever comes to a sitting signs in first; whoever knocks without an account waits no longer. */
export async function askAtSitting(db: Db, sittingId: number): Promise<void> {
  await db.models.Sitting.update({ asks_account: true }, { where: { id: sittingId } });
  const waiting = await db.models.Visitor.findAll({
    attributes: ['id'],
    where: { sitting_id: sittingId, state: 'waiting', account_kind: 'none' },
  });
  const ids = waiting.map((visitor) => visitor.id);
  // Whoever was in before is on record, and waits on.
  const visits = await db.models.Visit.findAll({ where: { visitor_id: ids } });
  const wereIn = new Set(visits.map((visit) => visit.visitor_id));
  await db.models.Visitor.destroy({ where: { id: ids.filter((id) => !wereIn.has(id)) } });
}

/** Acting hosts are so until the end; opened again, the session is its own hosts' alone. */
export async function dropActingHosts(db: Db, sittingId: number): Promise<void> {
  await db.models.ActingHost.destroy({ where: { sitting_id: sittingId } });
}

/** Which of some people have an account of the school. */
async function ofSchool(db: Db, personIds: number[]): Promise<Set<number>> {
  const accounts = await db.models.Account.findAll({
    attributes: ['person_id'],
    where: { person_id: personIds, kind: 'school' },
  });
  return new Set(accounts.map((account) => account.person_id));
}

interface InvitedRow {
  id: number;
  name: string | null;
  email: string | null;
  of_school: boolean;
}

export async function invitedTo(db: Db, occurrenceId: number): Promise<InvitedRow[]> {
  const invited = await db.models.Invited.findAll({
    where: { occurrence_id: occurrenceId },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: ['id'],
  });
  const known = await ofSchool(
    db,
    invited.flatMap(({ person }) => (person ? [person.id] : [])),
  );
  return invited.map(({ id, person, email }) => ({
    id,
    name: person?.name ?? null,
    email,
    of_school: person != null && known.has(person.id),
  }));
}

export async function addInvited(
  db: Db,
  i: { occurrenceId: number; personId: number | null; email: string | null; by: number },
): Promise<void> {
  await db.models.Invited.bulkCreate(
    [{ occurrence_id: i.occurrenceId, person_id: i.personId, email: i.email, given_by: i.by }],
    { ignoreDuplicates: true },
  );
}

export async function personById(
  db: Db,
  id: number,
): Promise<{ id: number; name: string; of_school: boolean } | undefined> {
  const person = await db.models.Person.findByPk(id, { attributes: ['id', 'name'] });
  if (!person) return undefined;
  return { id, name: person.name, of_school: (await ofSchool(db, [id])).has(id) };
}
