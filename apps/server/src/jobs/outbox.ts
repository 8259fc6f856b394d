import { Op } from 'sequelize';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';
import type { Job, Wish } from './job.js';
import { columnsOf, nextDue, renewWaiting } from './outbox.sql.js';

/** Seconds for which a claimed job is its claimer's; after that anyone may take it over. */
const LEASE_SECONDS = 30;
/** After the last try a job is kept as failed, with its reason. */
const MOST_TRIES = 10;
/** Growing pauses between tries: 2, 4, 8 … seconds, five minutes at most. */
const pauseAfter = (tries: number): number => Math.min(300, 2 ** tries);

/**
 * Puts what must happen outside in the outbox, within the transaction that makes it necessary.
 * One job at the most waits for each subject: a later wish renews the one that waits.
 */
export async function enqueue(db: Db, clock: Clock, wish: Wish): Promise<void> {
  if (await renewWaiting(db, clock, wish)) return;
  await db.models.OutboxJob.create(columnsOf(clock, wish));
}

/** Whether another job of the same subject is under way. */
async function hasRunningSibling(db: Db, clock: Clock, job: Job): Promise<boolean> {
  const siblings = await db.models.OutboxJob.count({
    where: {
      kind: job.kind,
      subject: job.subject,
      state: 'running',
      id: { [Op.ne]: job.id },
      lease_until: { [Op.gt]: clock.machine() },
    },
  });
  return siblings > 0;
}

/** Takes the next due job under a lease, if there is one; one whose lease ran out too. Two jobs of one subject never run at once. */
export function claim(db: Db, clock: Clock): Promise<Job | undefined> {
  return db.transaction(async () => {
    for (const state of ['queued', 'running'] as const) {
      const passedOver: number[] = [];
      for (
        let job = await nextDue(db, clock, state, passedOver);
        job;
        job = await nextDue(db, clock, state, passedOver)
      ) {
        if (await hasRunningSibling(db, clock, job)) {
          passedOver.push(job.id);
          continue;
        }
        const tries = job.tries + 1;
        await db.models.OutboxJob.update(
          { state: 'running', lease_until: clock.machine(LEASE_SECONDS), tries },
          { where: { id: job.id } },
        );
        return { ...job, tries };
      }
    }
    return undefined;
  });
}

/** Only while it is still its claimer's. */
const asClaimed = ({ id, tries }: Job) => ({ where: { id, tries, state: 'running' as const } });

export async function finish(db: Db, job: Job): Promise<void> {
  await db.models.OutboxJob.update(
    { state: 'done', lease_until: null, last_error: null },
    asClaimed(job),
  );
}

/** Back into the queue after a pause, or kept as failed after the last try or a refusal. */
export async function putBack(
  db: Db,
  clock: Clock,
  job: Job,
  { reason, permanent }: { reason: string; permanent: boolean },
): Promise<void> {
  const isOver = permanent || job.tries >= MOST_TRIES;
  await db.models.OutboxJob.update(
    {
      state: isOver ? 'failed' : 'queued',
      lease_until: null,
      due_at: clock.machine(pauseAfter(job.tries)),
      last_error: reason.slice(0, 500),
    },
    asClaimed(job),
  );
}
