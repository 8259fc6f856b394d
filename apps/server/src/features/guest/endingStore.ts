import { Op, col, fn } from 'sequelize';
import { withoutGuest, type Action } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { GuestRow } from '../../db/models/Guest.js';
import { addWords } from '../accounts/store.js';

/** Guests who were withdrawn before an instant of machine time. */
export const withdrawnBefore = (db: Db, instant: string, most: number): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: { state: 'withdrawn', left_at: { [Op.lt]: instant } },
    limit: most,
  });

/** Invitations that stand, some at a time in the order of their numbers. */
export const invitationsAfter = (db: Db, after: number, most: number): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: { state: 'invited', id: { [Op.gt]: after } },
    order: ['id'],
    limit: most,
  });

type LastEndOf = (guest: Pick<GuestRow, 'link_id' | 'series_id' | 'key_date'>) => string | null;

/** A session that is held, or was. */
const HELD = { status: ['planned' as const, 'moved' as const], draft: false };

/** When the last session ends, past or to come, of each of some links or series. */
async function lastOf(
  db: Db,
  column: 'link_id' | 'series_id',
  ids: number[],
): Promise<Map<number, string>> {
  const rows = await db.models.Occurrence.findAll({
    attributes: [column, [fn('MAX', col('end_at')), 'end_at']],
    where: { [column]: ids, ...HELD },
    group: [column],
  });
  return new Map(rows.map((row) => [row[column], row.end_at]));
}

/** When the last session ends that an invitation holds for; where its own are gone, the link's last. */
export async function lastEndsOf(db: Db, guests: GuestRow[]): Promise<LastEndOf> {
  const seriesIds = guests.map((guest) => guest.series_id);
  const [ofLink, ofSeries, dates] = await Promise.all([
    lastOf(
      db,
      'link_id',
      guests.map((guest) => guest.link_id),
    ),
    lastOf(db, 'series_id', seriesIds),
    db.models.Occurrence.findAll({
      attributes: ['series_id', 'key_date', 'end_at'],
      where: { series_id: seriesIds, key_date: guests.map((guest) => guest.key_date), ...HELD },
    }),
  ]);
  const ofDate = new Map(dates.map((row) => [`${row.series_id} ${row.key_date}`, row.end_at]));
  return ({ link_id: linkId, series_id: seriesId, key_date: key }) => {
    const own = key === '' ? ofSeries.get(seriesId) : ofDate.get(`${seriesId} ${key}`);
    return own ?? ofLink.get(linkId) ?? null;
  };
}

interface Pseudonym {
  name: string;
  email: string;
}

export const heldInvitation = (db: Db, id: number): Promise<GuestRow | null> =>
  db.models.Guest.findByPk(id, { lock: true });

/** Whether an address is anybody's guest still, or was withdrawn lately. */
export const isKnownGuest = async (db: Db, email: string): Promise<boolean> =>
  (await db.models.Guest.count({ where: { email } })) > 0;

/** What hosts wrote of a guest's invitation, by which their address stands in the log. */
const TELLS: Action[] = [
  'add-link',
  'set-audience',
  'add-guests',
  'edit-guest',
  'withdraw-guest',
  'make-guest-address',
  'come-as-guest',
];

type State = object | string | number | boolean | null;

/** Takes an address out of what the log says of a link. */
export async function clearLog(
  db: Db,
  { linkId, email }: { linkId: number; email: string },
  instead: Pseudonym,
): Promise<void> {
  const entries = await db.models.AuditEntry.findAll({
    where: { subject: `link:${linkId}`, action: TELLS },
  });
  for (const entry of entries) {
    const { before_state: before, after_state: after } = entry;
    if (!JSON.stringify([before, after]).includes(email)) continue;
    await entry.update({
      before_state: withoutGuest(before, email, instead) as State,
      after_state: withoutGuest(after, email, instead) as State,
    });
  }
}

/** Ends a guest’s account for good: nobody signs in by it, and what they did stands under their number alone. */
export async function endPerson(
  db: Db,
  { personId, accountId }: { personId: number; accountId: number },
  { pseudonym, now }: { pseudonym: Pseudonym; now: string },
): Promise<void> {
  const { Account, Passkey, Person, PersonWord, SignOn, Visitor } = db.models;
  const { name, email } = pseudonym;
  const ofAccount = { where: { account_id: accountId } };
  await Promise.all([Passkey.destroy(ofAccount), SignOn.destroy(ofAccount)]);
  await Account.update({ email, password_hash: null }, { where: { id: accountId } });
  await Person.update({ name, retired_at: now }, { where: { id: personId } });
  await PersonWord.destroy({ where: { person_id: personId } });
  await addWords(db, personId, { name, emails: [] });
  await Visitor.update({ name }, ofAccount);
}
