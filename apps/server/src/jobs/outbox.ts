import type { Clock } from '../clock.js';
import { toSql, type Db } from '../db/connect.js';

export type JobKind = 'placement' | 'end-room' | 'put-out' | 'set-role' | 'post' | 'look';
export interface Job {
  id: number;
  kind: JobKind;
  subject: string;
  payload: Record<string, string | number>;
  tries: number;
}

/** Seconds for which a claimed job is its claimer's; after that anyone may take it over. */
const LEASE_SECONDS = 30;
/** After the last try a job is kept as failed, with its reason. */
const MOST_TRIES = 10;
/** Growing pauses between tries: 2, 4, 8 … seconds, five minutes at most. */
const pauseAfter = (tries: number): number => Math.min(300, 2 ** tries);

/** `sooner`: where one waits already, the earlier of both times counts; else the later wish's. */
export interface Wish {
  kind: JobKind;
  subject: string;
  payload?: Record<string, string | number>;
  dueSchool?: string | null;
  waitSeconds?: number;
  sooner?: boolean;
}

/**
 * Puts what must happen outside in the outbox, within the transaction that makes it necessary.
 * One job at the most waits for each subject: a later wish renews the one that waits.
 */
export async function enqueue(db: Db, clock: Clock, wish: Wish): Promise<void> {
  const values = {
    kind: wish.kind,
    subject: wish.subject,
    payload: JSON.stringify(wish.payload ?? {}),
    due_school: wish.dueSchool ? toSql(wish.dueSchool) : null,
    due_at: toSql(clock.machine(wish.waitSeconds ?? 0)),
  };
  // The columns are set in this order, so that the times can still ask for the state that was.
  const keep = `state = 'queued' AND :sooner`;
  const renewed = await db.change(
    `UPDATE outbox SET due_school = IF(${keep} AND (due_school IS NULL OR due_school < :due_school), due_school, :due_school), due_at = IF(${keep}, LEAST(due_at, :due_at), :due_at),
       state = 'queued', payload = :payload, tries = 0, last_error = NULL
     WHERE kind = :kind AND subject = :subject AND state IN ('queued', 'failed')`,
    { ...values, sooner: wish.sooner ? 1 : 0 },
  );
  if (renewed === 0) await db.insert('outbox', values);
}

/** The next due job of a state that no other process is looking at, and that is not among those passed over. */
const nextDue = (
  db: Db,
  clock: Clock,
  state: 'queued' | 'running',
  passedOver: number[],
): Promise<Job | undefined> =>
  db.one<Job>(
    `SELECT id, kind, subject, payload, tries FROM outbox FORCE INDEX (by_due)
     WHERE state = :state AND due_at <= :now AND (due_school IS NULL OR due_school <= :school) AND (lease_until IS NULL OR lease_until <= :now) AND id NOT IN (:passedOver)
     ORDER BY due_at, id LIMIT 1 FOR UPDATE SKIP LOCKED`,
    {
      state,
      now: toSql(clock.machine()),
      school: toSql(clock.school()),
      passedOver: [0, ...passedOver],
    },
  );

const hasRunningSibling = async (db: Db, clock: Clock, job: Job): Promise<boolean> =>
  (await db.one(
    `SELECT id FROM outbox WHERE kind = :kind AND subject = :subject AND state = 'running' AND id <> :id AND lease_until > :now`,
    { kind: job.kind, subject: job.subject, id: job.id, now: toSql(clock.machine()) },
  )) !== undefined;

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
        await db.change(
          `UPDATE outbox SET state = 'running', lease_until = :until, tries = tries + 1 WHERE id = :id`,
          { id: job.id, until: toSql(clock.machine(LEASE_SECONDS)) },
        );
        return { ...job, tries: job.tries + 1 };
      }
    }
    return undefined;
  });
}

export async function finish(db: Db, job: Job): Promise<void> {
  await db.change(
    `UPDATE outbox SET state = 'done', lease_until = NULL, last_error = NULL WHERE id = :id AND state = 'running' AND tries = :tries`,
    { id: job.id, tries: job.tries },
  );
}

/** Back into the queue after a pause, or kept as failed after the last try or a refusal. */
export async function putBack(
  db: Db,
  clock: Clock,
  job: Job,
  { reason, permanent }: { reason: string; permanent: boolean },
): Promise<void> {
  const over = permanent || job.tries >= MOST_TRIES;
  await db.change(
    `UPDATE outbox SET state = :state, lease_until = NULL, due_at = :due, last_error = :reason WHERE id = :id AND state = 'running' AND tries = :tries`,
    {
      id: job.id,
      tries: job.tries,
      state: over ? 'failed' : 'queued',
      due: toSql(clock.machine(pauseAfter(job.tries))),
      reason: reason.slice(0, 500),
    },
  );
}
