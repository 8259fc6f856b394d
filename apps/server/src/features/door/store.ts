import { Op } from 'sequelize';
import type { EntryRules } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { VisitorRow } from '../../db/models/Visitor.js';

/** A class period's door has been tried as somebody; its day no longer asks for that. Whether that is news. */
export async function noteTried(db: Db, classId: number): Promise<boolean> {
  const [changed] = await db.models.ClassPeriod.update(
    { door_tried: true },
    { where: { id: classId, door_tried: false } },
  );
  return changed > 0;
}

/** How many of a sitting's visitors have waited longer than one of them. */
export const waitingLonger = (
  db: Db,
  { sittingId, visitorId, knockedAt }: { sittingId: number; visitorId: number; knockedAt: string },
): Promise<number> =>
  db.models.Visitor.count({
    where: {
      sitting_id: sittingId,
      state: 'waiting',
      [Op.or]: [
        { knocked_at: { [Op.lt]: knockedAt } },
        { knocked_at: knockedAt, id: { [Op.lt]: visitorId } },
      ],
    },
  });

/** The name of a host who is in the room, the first who came. */
export const hostInside = async (db: Db, sittingId: number): Promise<string | null> => {
  const where = { sitting_id: sittingId, inside: true, role: 'host' as const };
  const host = await db.models.Visitor.findOne({ attributes: ['name'], where, order: ['id'] });
  return host?.name ?? null;
};

/** How many without an account wait at a sitting. */
export const strangersWaiting = (db: Db, sittingId: number): Promise<number> =>
  db.models.Visitor.count({
    where: { sitting_id: sittingId, state: 'waiting', account_kind: ['none', 'phone'] },
  });

/** Whoever waits on the line has hung up; whether they were waiting. */
export const forgetWaiting = async (db: Db, visitorId: number): Promise<boolean> =>
  (await db.models.Visitor.destroy({
    where: { id: visitorId, state: 'waiting', account_kind: 'phone' },
  })) > 0;

/** Entering, knocking, opening and ending at one link happen one after another. */
export async function lockLink(db: Db, code: string): Promise<{ id: number } | undefined> {
  const link = await db.models.Link.findOne({ attributes: ['id'], where: { code }, lock: true });
  return link ? { id: link.id } : undefined;
}

/** The same by its number. */
export async function lockLinkById(db: Db, id: number): Promise<void> {
  await db.models.Link.findByPk(id, { attributes: ['id'], lock: true });
}

export async function ensureSitting(db: Db, occurrenceId: number, linkId: number): Promise<number> {
  const { Sitting } = db.models;
  const sitting = await Sitting.findOne({
    attributes: ['id'],
    where: { occurrence_id: occurrenceId },
    lock: true,
  });
  return (sitting ?? (await Sitting.create({ occurrence_id: occurrenceId, link_id: linkId }))).id;
}

interface RoomOfSitting {
  room: string;
  ready: boolean;
  /** Of a pasted room, which stays this sitting's when the link gets another. */
  address: string | null;
}

/** Gives the sitting a room name of its own where it has none, and tells of its room. */
export async function ensureRoomName(
  db: Db,
  sittingId: number,
  address: string | null,
): Promise<RoomOfSitting> {
  const { Sitting } = db.models;
  const held = (await Sitting.findByPk(sittingId, { lock: true }))!;
  if (held.room === null) {
    const made = held.rooms_made + 1;
    await held.update({
      room: `g${sittingId}-${made}`,
      room_address: address,
      room_ready: false,
      rooms_made: made,
    });
  }
  return { room: held.room!, ready: held.room_ready, address: held.room_address };
}

/** A room stands and holds these rules; gives whose it is, if it still is anybody's. */
export async function noteRoomReady(
  db: Db,
  room: string,
  rules: Partial<EntryRules>,
): Promise<number | undefined> {
  const { Sitting } = db.models;
  const made = { room_ready: true, rules_told: rules, all_share: false, chime: null };
  await Sitting.update(made, { where: { room, room_ready: false } });
  return (await Sitting.findOne({ attributes: ['id'], where: { room } }))?.id;
}

/** An opening clears an end. A host who only comes in opens nothing that stands open by itself. */
export async function openSitting(
  db: Db,
  sittingId: number,
  now: string,
  byHand: boolean,
): Promise<void> {
  const held = (await db.models.Sitting.findByPk(sittingId, { lock: true }))!;
  const wasEnded = held.ended_at !== null;
  const opens = byHand || wasEnded;
  const since = wasEnded ? now : (held.opened_at ?? now);
  await held.update({ ended_at: null, ...(opens ? { opened_at: since } : {}) });
}

interface NewVisitor {
  sittingId: number;
  key: string;
  accountId: number | null;
  personId: number | null;
  sessionId: number | null;
  name: string;
  accountKind: VisitorRow['account_kind'];
  onRoll: boolean;
  role: VisitorRow['role'];
  state: VisitorRow['state'];
  entryCode: string | null;
  browser: string | null;
  network: string;
  ticket: string | null;
  ticketUntil: string | null;
  now: string;
}

/** Each by its number: to look for them under locks would hold up everybody else who enters. */
async function dropOtherTickets(
  db: Db,
  { sittingId, personId, key }: Pick<NewVisitor, 'sittingId' | 'personId' | 'key'>,
): Promise<void> {
  const { Visitor } = db.models;
  const others = await Visitor.findAll({
    attributes: ['id'],
    where: { sitting_id: sittingId, person_id: personId, visitor_key: { [Op.ne]: key } },
  });
  for (const { id } of others)
    await Visitor.update({ ticket: null, ticket_until: null }, { where: { id } });
}

const SEEN_BEFORE = ['id', 'state', 'knocked_at', 'may_share'];

/** Writes somebody's place at a sitting, under the link's lock; whoever came before has theirs again. */
export async function saveVisitor(db: Db, v: NewVisitor): Promise<{ id: number; shares: boolean }> {
  const { Visitor } = db.models;
  const where = { sitting_id: v.sittingId, visitor_key: v.key };
  const known = await Visitor.findOne({ attributes: SEEN_BEFORE, where });
  const columns = {
    session_id: v.sessionId,
    name: v.name,
    on_roll: v.onRoll,
    role: v.role,
    state: v.state,
    browser: v.browser,
    network: v.network,
    ticket: v.ticket,
    ticket_until: v.ticketUntil,
    turn_over: false,
  };
  // A person has one way in: what they got before, with whatever account, is worth nothing now.
  if (v.ticket !== null && v.personId !== null) await dropOtherTickets(db, v);
  if (known) {
    // A knock that still waits keeps its place in the row.
    const knocked_at = known.state === 'waiting' ? known.knocked_at : v.now;
    const code = v.entryCode === null ? {} : { entry_code: v.entryCode };
    await Visitor.update(
      { ...columns, ...code, knocked_at, word: null },
      { where: { id: known.id } },
    );
    return { id: known.id, shares: known.may_share };
  }
  const made = await Visitor.create({
    ...where,
    ...columns,
    account_id: v.accountId,
    person_id: v.personId,
    account_kind: v.accountKind,
    entry_code: v.entryCode,
    knocked_at: v.now,
  });
  return { id: made.id, shares: false };
}
