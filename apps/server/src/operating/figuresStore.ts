import { Op, col, fn } from 'sequelize';
import { secondsOf } from '@glen/core';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';

/** How things stand in the whole school, whichever process asks. */
export interface FiguresNow {
  jobs: Record<string, number>;
  /** Seconds for which the job that is due longest has been due; none is due: 0. */
  lagSeconds: number;
  rooms: number;
  inside: number;
}

/** Seconds for which the job that is due longest waits to be done. */
export async function outboxLag(db: Db, clock: Clock): Promise<number> {
  const now = clock.machine();
  const oldest = await db.models.OutboxJob.findOne({
    attributes: ['due_at'],
    where: {
      state: 'queued',
      due_at: { [Op.lte]: now },
      due_school: { [Op.or]: [null, { [Op.lte]: clock.school() }] },
    },
    order: ['due_at'],
  });
  return oldest ? secondsOf(now, 'now') - secondsOf(oldest.due_at, 'due_at') : 0;
}

async function jobsByState(db: Db): Promise<Record<string, number>> {
  const rows = (await db.models.OutboxJob.findAll({
    attributes: ['state', [fn('COUNT', col('id')), 'count']],
    group: ['state'],
    raw: true,
  })) as unknown as { state: string; count: number }[];
  return Object.fromEntries(rows.map(({ state, count }) => [state, Number(count)]));
}

export async function figuresNow(db: Db, clock: Clock): Promise<FiguresNow> {
  const [jobs, lagSeconds, rooms, inside] = await Promise.all([
    jobsByState(db),
    outboxLag(db, clock),
    db.models.Sitting.count({ where: { room: { [Op.ne]: null }, ended_at: null } }),
    db.models.Visitor.count({ where: { inside: true } }),
  ]);
  return { jobs: { queued: 0, running: 0, failed: 0, ...jobs }, lagSeconds, rooms, inside };
}
