import { Op } from 'sequelize';
import { richOf, richToPlain } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { Body, PlacementRow } from '../../db/models/Placement.js';

/** Something that stands in a class period for all of it. */
export interface News {
  placementId: number;
  title: string;
  html: string;
  code: string;
  by: string;
  /** Instants of school time. */
  since: string;
  changedAt: string;
}

/** So many are told: readers keep what they had. */
const MOST = 50;
const LONGEST_TITLE = 90;

const titleOf = (body: Body, words: string): string => {
  if (body.kind === 'item') return body.title;
  if (body.kind === 'mail') return body.subject;
  const [first = ''] = words.split('\n');
  return first.slice(0, LONGEST_TITLE);
};

/** Of one post for one session the same is told once, however many places it stands at. */
function firstOfEach(rows: PlacementRow[]): PlacementRow[] {
  const known = new Map<string, PlacementRow>();
  for (const row of rows) {
    const of = `${row.post_id} ${row.occurrence_id}`;
    if (!known.has(of)) known.set(of, row);
  }
  return [...known.values()];
}

/** What all of a class period reads, the newest first; calendars have a feed of their own. */
export async function newsOfClass(db: Db, classId: number): Promise<News[]> {
  const rows = await db.models.Placement.findAll({
    where: { out_since: { [Op.not]: null }, wish: 'out', part: 'thing' },
    include: [
      {
        association: 'place',
        where: { class_id: classId, kind: ['stream', 'item', 'mail'] },
        include: [{ association: 'post', include: ['author'] }],
      },
    ],
    order: [
      ['changed_at', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: MOST * 3,
  });
  const forAll = rows.filter((row) => row.place!.shape.readers === 'class' && row.sent_body);
  return firstOfEach(forAll)
    .slice(0, MOST)
    .map((row) => {
      const { post } = row.place!;
      const body = row.sent_body!;
      return {
        placementId: row.id,
        title: titleOf(body, richToPlain(richOf(post!.words))) || post!.link_words,
        html: 'html' in body ? body.html : '',
        code: row.sent_code ?? row.code,
        by: post!.author?.name ?? '',
        since: row.out_since!,
        changedAt: row.changed_at ?? row.out_since!,
      };
    });
}
