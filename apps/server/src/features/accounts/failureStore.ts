import { Op } from 'sequelize';
import type { Clock } from '../../clock.js';
import { type Db } from '../../db/connect.js';
import { HttpProblem } from '../../http/problem.js';

/** How many failures a bucket may hold in how many minutes. Only failures count, never visits. */
interface Limit {
  most: number;
  minutes: number;
}

export const countFailures = (
  db: Db,
  clock: Clock,
  bucket: string,
  minutes: number,
): Promise<number> =>
  db.models.Failure.count({ where: { bucket, at: { [Op.gt]: clock.machine(-minutes * 60) } } });

export async function noteFailure(db: Db, clock: Clock, bucket: string): Promise<void> {
  await db.models.Failure.create({ bucket, at: clock.machine() });
}

/** Throws 429 where the bucket is full. */
export async function refuseWhenFull(
  db: Db,
  clock: Clock,
  bucket: string,
  limit: Limit,
): Promise<void> {
  if ((await countFailures(db, clock, bucket, limit.minutes)) >= limit.most) {
    throw new HttpProblem(
      429,
      `Too many tries. Wait up to ${limit.minutes} minutes, then try again.`,
    );
  }
}
