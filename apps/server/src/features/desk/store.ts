import type { DeskVisitor } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { VisitorRow as VisitorModel } from '../../db/models/Visitor.js';
import { plain, type Plain } from '../../db/plain.js';

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
  may_present: boolean;
  on_roll: boolean;
  session_id: number | null;
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
  const { link_id, occurrence_id, room, room_address, link } = sitting!;
  const { class_id, code } = link!;
  return {
    ...{ id, sitting_id, state, role, may_present, on_roll, session_id, name },
    ...{ link_id, occurrence_id, room, room_address, class_id, code },
  };
}

export async function knownVisitor(db: Db, id: number): Promise<Known | undefined> {
  const visitor = await db.models.Visitor.findByPk(id, {
    include: [{ association: 'sitting', include: ['link'] }],
    lock: true,
  });
  return visitor ? known(visitor) : undefined;
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
  Pick<VisitorRow, 'state' | 'word' | 'role' | 'taken_for' | 'may_present'>
>;

const change = async (db: Db, id: number, columns: VisitorColumns): Promise<void> => {
  await db.models.Visitor.update(columns, { where: { id } });
};

/** Whether the visitor was in one of these states. */
export async function setVisitorState(
  db: Db,
  id: number,
  from: DeskVisitor['state'][],
  to: DeskVisitor['state'],
): Promise<boolean> {
  const [met] = await db.models.Visitor.update(
    { state: to, word: null },
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

export async function addActingHost(
  db: Db,
  { sittingId, personId, by }: { sittingId: number; personId: number; by: number },
): Promise<void> {
  await db.models.ActingHost.bulkCreate(
    [{ sitting_id: sittingId, person_id: personId, given_by: by }],
    { ignoreDuplicates: true },
  );
}

/** Ended for all; its room is gone. */
export async function endSitting(db: Db, sittingId: number, now: string): Promise<void> {
  await db.models.Sitting.update(
    { ended_at: now, room: null, room_ready: false, host_left_at: null },
    { where: { id: sittingId } },
  );
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
