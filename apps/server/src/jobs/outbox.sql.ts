import type { Clock } from '../clock.js';
import type { Db, Values } from '../db/connect.js';
import { toSql } from '../db/sqlTime.js';
import type { Job, Wish } from './job.js';

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

/** The next due job of a state that no other process is looking at, and that is not among those passed over. Sequelize leaves SKIP LOCKED out for this database. */
export const nextDue = (
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
