import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { PollRow } from '../../db/models/Poll.js';
import type { PollGuestRow } from '../../db/models/PollGuest.js';
import type { PollTimeRow } from '../../db/models/PollTime.js';
import { oneMore } from '../../db/versions.js';

/** Times that are offered, with all that belongs to them. */
export interface Poll {
  poll: PollRow;
  /** In order. */
  times: PollTimeRow[];
  guests: PollGuestRow[];
  personIds: number[];
  /** Which times suit which guests. */
  choices: { guestId: number; timeId: number }[];
}

async function withParts(db: Db, polls: PollRow[]): Promise<Poll[]> {
  const of = { where: { poll_id: polls.map((poll) => poll.id) } };
  const [times, guests, people] = await Promise.all([
    db.models.PollTime.findAll({ ...of, order: ['start_at'] }),
    db.models.PollGuest.findAll({ ...of, order: ['id'] }),
    db.models.PollPerson.findAll({ ...of, order: ['person_id'] }),
  ]);
  const choices = await db.models.PollChoice.findAll({
    where: { guest_id: guests.map((guest) => guest.id) },
  });
  return polls.map((poll) => {
    const isOwn = ({ poll_id: id }: { poll_id: number }): boolean => id === poll.id;
    const own = guests.filter(isOwn);
    const ids = new Set(own.map((guest) => guest.id));
    return {
      poll,
      times: times.filter(isOwn),
      guests: own,
      personIds: people.filter(isOwn).map((one) => one.person_id),
      choices: choices
        .filter((choice) => ids.has(choice.guest_id))
        .map(({ guest_id: guestId, time_id: timeId }) => ({ guestId, timeId })),
    };
  });
}

/** What somebody has offered, or others at class periods that they host; the latest first. */
export async function pollsFor(
  db: Db,
  { personId, since }: { personId: number; since: string },
): Promise<Poll[]> {
  const hosted = await db.models.ClassStaff.findAll({
    where: { person_id: personId, as_what: ['host', 'co-teacher'] },
  });
  const classIds = hosted.map((row) => row.class_id);
  const polls = await db.models.Poll.findAll({
    where: {
      [Op.or]: [{ made_by: personId }, { class_id: classIds }],
      closes_at: { [Op.gt]: since },
    },
    order: [['id', 'DESC']],
  });
  return withParts(db, polls);
}

/** One, held against others until the transaction ends. */
export async function heldPoll(db: Db, id: number): Promise<Poll | null> {
  const poll = await db.models.Poll.findByPk(id, { lock: true });
  return poll && (await withParts(db, [poll]))[0]!;
}

export async function pollById(db: Db, id: number): Promise<Poll | null> {
  const poll = await db.models.Poll.findByPk(id);
  return poll && (await withParts(db, [poll]))[0]!;
}

/** Whom an address is for. */
export const guestByToken = (db: Db, tokenHash: string): Promise<PollGuestRow | null> =>
  db.models.PollGuest.findOne({ where: { token_hash: tokenHash } });

type NewPoll = Pick<
  PollRow,
  'class_id' | 'title' | 'minutes' | 'closes_at' | 'made_by' | 'made_at'
>;

interface Parts {
  times: string[];
  personIds: number[];
  guests: { email: string; name: string; tokenHash: string }[];
}

export async function insertPoll(
  db: Db,
  poll: NewPoll,
  { times, personIds, guests }: Parts,
): Promise<number> {
  const { id } = await db.models.Poll.create({ ...poll, state: 'open' });
  await db.models.PollTime.bulkCreate(times.map((start) => ({ poll_id: id, start_at: start })));
  await db.models.PollPerson.bulkCreate(
    personIds.map((personId) => ({ poll_id: id, person_id: personId })),
  );
  await db.models.PollGuest.bulkCreate(
    guests.map(({ email, name, tokenHash }) => ({
      poll_id: id,
      email,
      name,
      token_hash: tokenHash,
    })),
  );
  return id;
}

/** What has become of it. */
export async function settleAs(
  db: Db,
  id: number,
  become: Pick<PollRow, 'state'> & Partial<Pick<PollRow, 'series_id' | 'time_id'>>,
): Promise<void> {
  await db.models.Poll.update({ ...become, version: oneMore('version') }, { where: { id } });
}

/** Which times suit a guest, instead of what they said before. */
export async function writeChoices(
  db: Db,
  guestId: number,
  { timeIds, at }: { timeIds: number[]; at: string },
): Promise<void> {
  await db.models.PollChoice.destroy({ where: { guest_id: guestId } });
  await db.models.PollChoice.bulkCreate(
    timeIds.map((timeId) => ({ guest_id: guestId, time_id: timeId })),
  );
  const answered = { answered_at: at, version: oneMore('version') };
  await db.models.PollGuest.update(answered, { where: { id: guestId } });
}

/** With the names and addresses of all who were asked. */
export async function dropPoll(db: Db, id: number): Promise<void> {
  await db.models.Poll.destroy({ where: { id } });
}
