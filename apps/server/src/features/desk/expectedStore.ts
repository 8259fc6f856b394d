import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { GuestRow } from '../../db/models/Guest.js';

/** The guests of a link who are invited to one of its sessions, or to all, and have a seat there. */
export const guestsOfDate = (
  db: Db,
  { linkId, seriesId, key }: { linkId: number; seriesId: number; key: string },
): Promise<GuestRow[]> =>
  db.models.Guest.findAll({
    where: {
      link_id: linkId,
      state: 'invited',
      comes: { [Op.ne]: 'watcher' },
      series_id: [0, seriesId],
      key_date: ['', key],
    },
    order: ['name', 'email'],
  });
