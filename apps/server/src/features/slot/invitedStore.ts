import { comesAt } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import { invitationsOf } from '../audience/guestStore.js';

/** Those of some people who are guests of a date, by an address of theirs. */
export async function invitedTo(
  db: Db,
  date: Pick<OccurrenceRow, 'link_id' | 'series_id' | 'key_date'>,
  personIds: number[],
): Promise<number[]> {
  if (personIds.length === 0) return [];
  const [accounts, invitations] = await Promise.all([
    db.models.Account.findAll({ where: { person_id: personIds } }),
    invitationsOf(db, date.link_id),
  ]);
  const on = { seriesId: date.series_id, key: date.key_date };
  return accounts
    .filter(({ email }) => comesAt(invitations.get(email) ?? [], on) !== undefined)
    .map((account) => account.person_id);
}
