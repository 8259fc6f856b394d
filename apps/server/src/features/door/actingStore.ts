import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';

/** Makes somebody host of a sitting until it ends. `by`: who gave it to them; they themselves where they took over. */
export async function addActingHost(
  db: Db,
  { sittingId, personId, by }: { sittingId: number; personId: number; by: number },
): Promise<void> {
  await db.models.ActingHost.bulkCreate(
    [{ sitting_id: sittingId, person_id: personId, given_by: by }],
    { ignoreDuplicates: true },
  );
}

/** Who is inside and may take over there while no host is, the first who came. */
export async function whoTakesOver(
  db: Db,
  { sittingId, linkId }: { sittingId: number; linkId: number },
): Promise<{ visitorId: number; personId: number } | undefined> {
  const { Sitting, LinkPerson, Visitor } = db.models;
  const sitting = await Sitting.findByPk(sittingId, {
    include: [{ association: 'occurrence', attributes: ['series_id', 'key_date'] }],
  });
  if (!sitting) return undefined;
  const { series_id, key_date } = sitting.occurrence!;
  const named = await LinkPerson.findAll({
    attributes: ['person_id'],
    where: {
      link_id: linkId,
      as_what: 'takes-over',
      series_id: [0, series_id],
      key_date: ['', key_date],
    },
  });
  const first = await Visitor.findOne({
    attributes: ['id', 'person_id'],
    where: {
      sitting_id: sittingId,
      inside: true,
      account_kind: 'school',
      person_id: { [Op.in]: named.map((row) => row.person_id) },
    },
    order: ['id'],
  });
  return first ? { visitorId: first.id, personId: first.person_id! } : undefined;
}
