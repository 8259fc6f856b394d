import type { InferAttributes } from 'sequelize';
import type { Db } from '../../db/connect.js';
import type { FeedRow } from '../../db/models/Feed.js';

type Feed = InferAttributes<FeedRow>;
type Of = { personId: number } | { classId: number };

const whose = (of: Of) =>
  'personId' in of ? { person_id: of.personId } : { class_id: of.classId };

export const feedByToken = (db: Db, token: string): Promise<Feed | null> =>
  db.models.Feed.findOne({ where: { token } });

export const feedOf = (db: Db, of: Of): Promise<Feed | null> =>
  db.models.Feed.findOne({ where: whose(of) });

/** Makes a feed's address, or puts a new one in the place of the old, which is gone from then on. */
export async function putFeed(db: Db, of: Of, token: string, madeAt: string): Promise<void> {
  await db.models.Feed.upsert({ ...whose(of), token, made_at: madeAt });
}
