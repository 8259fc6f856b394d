import { Op } from 'sequelize';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';
import { JOB_KINDS, type Job, type JobKind, type Wish } from './job.js';
import { columnsOf, dueJobs, holdIfDue, renewWaiting } from './outbox.sql.js';

/** Seconds for which a claimed job is its claimer's; after that anyone may take it over. */
const LEASE_SECONDS = 30;
/** Growing pauses between tries: 2, 4, 8 … seconds, a quarter of an hour at most. */
const LONGEST_PAUSE_SECONDS = 900;
const pauseAfter = (tries: number): number => Math.min(LONGEST_PAUSE_SECONDS, 2 ** tries);
/** After the last try a job is kept as failed, with its reason: with those pauses two days after the first, so that it outlives an outage. */
const MOST_TRIES = 200;

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

/** Takes a job under a lease. */
async function take(db: Db, clock: Clock, job: Job): Promise<Job> {
  const tries = job.tries + 1;
  await db.models.OutboxJob.update(
    { state: 'running', lease_until: clock.machine(LEASE_SECONDS), tries },
    { where: { id: job.id } },
  );
  return { ...job, tries };
}

/** Takes the next due job of some kinds under a lease, if there is one; one whose lease ran out too. Two jobs of one subject never run at once. */
export async function claim(
  db: Db,
  clock: Clock,
  kinds: readonly JobKind[] = JOB_KINDS,
): Promise<Job | undefined> {
  for (const state of ['queued', 'running'] as const)
    for (const { id } of await dueJobs(db, clock, { state, kinds })) {
      const taken = await db.transaction(async () => {
        const job = await holdIfDue(db, clock, { id, state });
        return job && !(await hasRunningSibling(db, clock, job)) ? take(db, clock, job) : undefined;
      });
      if (taken) return taken;
    }
  return undefined;
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
