import type { Clock } from '../clock.js';
import type { Db, Values } from '../db/connect.js';
import { toSql } from '../db/sqlTime.js';
import type { Job, JobKind, Wish } from './job.js';

/** A wish as its row says it. */
export const columnsOf = (clock: Clock, wish: Wish) => ({
  kind: wish.kind,
  subject: wish.subject,
  payload: wish.payload ?? {},
  due_school: wish.dueSchool ?? null,
  due_at: clock.machine(wish.waitSeconds ?? 0),
});

/**
 * Renews the job that waits for a subject, if one does; whether one did. In one statement, because two may wish the same at
 * once. The columns are set in this order, so that the times can still ask for the state that was.
 */
export async function renewWaiting(db: Db, clock: Clock, wish: Wish): Promise<boolean> {
  const { kind, subject, payload, due_school, due_at } = columnsOf(clock, wish);
  const values: Values = {
    kind,
    subject,
    payload: JSON.stringify(payload),
    due_school: due_school && toSql(due_school),
    due_at: toSql(due_at),
    sooner: wish.sooner ? 1 : 0,
  };
  const keep = `state = 'queued' AND :sooner`;
  const renewed = await db.change(
    `UPDATE outbox SET due_school = IF(${keep} AND (due_school IS NULL OR due_school < :due_school), due_school, :due_school), due_at = IF(${keep}, LEAST(due_at, :due_at), :due_at),
       state = 'queued', payload = :payload, tries = 0, last_error = NULL
     WHERE kind = :kind AND subject = :subject AND state IN ('queued', 'failed')`,
    values,
  );
  return renewed > 0;
}

interface Sought {
  state: 'queued' | 'running';
  kinds: readonly JobKind[];
}

/** So many are looked at for one that is free. */
const LOOKED_AT = 50;

const DUE = `state = :state AND due_at <= :now AND (due_school IS NULL OR due_school <= :school) AND (lease_until IS NULL OR lease_until <= :now)`;

const dueValues = (clock: Clock, state: Sought['state']): Values => ({
  state,
  now: toSql(clock.machine()),
  school: toSql(clock.school()),
});

/** Due jobs of a state and of some kinds, those first that have been due longest. Nothing is held by looking: a lock would reach the row behind what is looked for, and hide it from others. */
export const dueJobs = (db: Db, clock: Clock, { state, kinds }: Sought): Promise<Job[]> =>
  db.rows<Job>(
    `SELECT id, kind, subject, payload, tries FROM outbox FORCE INDEX (by_due)
     WHERE ${DUE} AND kind IN (:kinds) ORDER BY due_at, id LIMIT ${LOOKED_AT}`,
    { ...dueValues(clock, state), kinds: [...kinds] },
  );

/** Holds one that is due, by its key; nothing where somebody else does, or has done it meanwhile. Sequelize leaves SKIP LOCKED out for this database. */
export const holdIfDue = (
  db: Db,
  clock: Clock,
  { id, state }: { id: number; state: Sought['state'] },
): Promise<Job | undefined> =>
  db.one<Job>(
    `SELECT id, kind, subject, payload, tries FROM outbox WHERE id = :id AND ${DUE} FOR UPDATE SKIP LOCKED`,
    { ...dueValues(clock, state), id },
  );
