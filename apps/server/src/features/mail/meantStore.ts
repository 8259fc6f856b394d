import { Op } from 'sequelize';
import { comesAt, holdsAt, type HoldsFor } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { inParts } from '../../db/inParts.js';
import type { MeantAs } from '../../db/models/LinkPerson.js';
import { ownAddress } from './ownAddress.js';

/** Somebody who comes to a session. */
interface Meant {
  personId: number;
  email: string | null;
  /** They host it, by its class period or at its link. */
  hosts: boolean;
  /** A guest who has no seat, and learns no address that leads to one. */
  watches: boolean;
}

interface At extends HoldsFor {
  linkId: number;
}

const HOSTS: MeantAs[] = ['host', 'tutor', 'joining-host'];

/** Who teaches, presents or attends by the school's own books. */
async function ofSchool(db: Db, { linkId, ...date }: At): Promise<Map<number, Meant>> {
  const rows = await db.models.LinkPerson.findAll({
    where: { link_id: linkId },
    include: [
      {
        association: 'person',
        attributes: ['id'],
        include: [{ association: 'accounts', attributes: ['email', 'kind'] }],
      },
    ],
  });
  const meant = new Map<number, Meant>();
  for (const { person, series_id: seriesId, key_date: key, as_what } of rows) {
    if (!holdsAt({ seriesId, key }, date)) continue;
    const { id: personId, accounts = [] } = person!;
    const hosts = HOSTS.includes(as_what) || (meant.get(personId)?.hosts ?? false);
    meant.set(personId, { personId, email: ownAddress(accounts), hosts, watches: false });
  }
  return meant;
}

/** Guests by their addresses, with how they come; but who has said that they will not. */
async function guestsAt(db: Db, { linkId, ...date }: At): Promise<Map<string, boolean>> {
  const guests = await db.models.Guest.findAll({
    where: {
      link_id: linkId,
      state: 'invited',
      said: { [Op.or]: [{ [Op.is]: null }, { [Op.eq]: 'yes' }] },
    },
  });
  const invited = new Map<string, Parameters<typeof comesAt>[0][number][]>();
  for (const { email, comes, series_id: seriesId, key_date: key } of guests)
    invited.set(email, [...(invited.get(email) ?? []), { comes, seriesId, key }]);
  return new Map(
    [...invited].flatMap(([email, invitations]) => {
      const comes = comesAt(invitations, date);
      return comes === undefined ? [] : [[email, comes === 'watcher']];
    }),
  );
}

/** Everybody who teaches, presents or attends a session, guests who have an account among them, each once. */
export async function meantAt(db: Db, at: At): Promise<Meant[]> {
  const meant = await ofSchool(db, at);
  const guests = await guestsAt(db, at);
  for (const part of inParts([...guests.keys()])) {
    const accounts = await db.models.Account.findAll({
      where: { email: part },
      include: [{ association: 'person', attributes: ['id'], where: { retired_at: null } }],
    });
    for (const { person_id: personId, email } of accounts)
      if (!meant.has(personId))
        meant.set(personId, { personId, email, hosts: false, watches: guests.get(email) ?? false });
  }
  return [...meant.values()];
}
