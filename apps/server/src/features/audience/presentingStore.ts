import { Op } from 'sequelize';
import { holdsAt } from '@glen/core';
import type { Db } from '../../db/connect.js';

interface Presenting {
  name: string;
  /** While no host is in they open, let in and close. */
  takesOver: boolean;
}

/** A date that somebody is named to present at. */
interface PresentedDate {
  linkId: number;
  label: string;
  seriesId: number;
  key: string;
  title: string;
  date: string;
  time: string;
  presenters: Presenting[];
}

/** Who is named at links, by name, and for what. Who presents at any time by the class period counts where they take over. */
async function namedAt(db: Db, linkIds: number[], always: number[]) {
  const rows = await db.models.LinkPerson.findAll({
    where: { link_id: linkIds, as_what: ['presenter', 'takes-over'] },
    include: [{ association: 'person', attributes: ['name'] }],
    order: [['person', 'name', 'ASC']],
  });
  const counts = rows.filter(
    (row) => row.as_what === 'takes-over' || !always.includes(row.person_id),
  );
  return counts.map((row) => ({
    linkId: row.link_id,
    personId: row.person_id,
    name: row.person!.name,
    takesOver: row.as_what === 'takes-over',
    holdsFor: { seriesId: row.series_id, key: row.key_date },
  }));
}

/** The next dates of a class period that are held, at most so many, each with whoever presents at it by being named. `now`: an instant of school time. */
export async function whoPresents(
  db: Db,
  classId: number,
  { now, most }: { now: string; most: number },
): Promise<PresentedDate[]> {
  const dates = await db.models.Occurrence.findAll({
    where: {
      class_id: classId,
      status: ['planned', 'moved'],
      draft: false,
      end_at: { [Op.gt]: now },
    },
    include: [{ association: 'link', attributes: ['label'] }],
    order: ['start_at', 'id'],
    limit: most,
  });
  const staff = await db.models.ClassStaff.findAll({
    where: { class_id: classId, as_what: 'presenter' },
  });
  const named = await namedAt(
    db,
    [...new Set(dates.map((date) => date.link_id))],
    staff.map((row) => row.person_id),
  );
  return dates.map((date) => {
    const at = { seriesId: date.series_id, key: date.key_date };
    const presenters = new Map<number, Presenting>();
    for (const { linkId, personId, name, takesOver, holdsFor } of named)
      if (linkId === date.link_id && holdsAt(holdsFor, at))
        presenters.set(personId, {
          name,
          takesOver: takesOver || presenters.get(personId)?.takesOver === true,
        });
    return {
      ...at,
      linkId: date.link_id,
      label: date.link!.label,
      title: date.title,
      date: date.local_date,
      time: date.local_time,
      presenters: [...presenters.values()],
    };
  });
}
