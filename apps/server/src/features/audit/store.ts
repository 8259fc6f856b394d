import type { Action } from '@glen/core';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';

/** Who (null: Glen itself) did what to what: `subject` is a kind and an id, such as `series:12`. */
export interface AuditEntry {
  by: number | null;
  action: Action;
  subject: string;
  before?: unknown;
  after?: unknown;
}

/** Whatever is told of a thing is plain data. */
const told = (said: unknown): object | null => (said ?? null) as object | null;

/** Keeps it with the machine's time. */
export async function writeEntry(db: Db, clock: Clock, entry: AuditEntry): Promise<void> {
  await db.models.AuditEntry.create({
    at: clock.machine(),
    person_id: entry.by,
    action: entry.action,
    subject: entry.subject,
    before_state: told(entry.before),
    after_state: told(entry.after),
  });
}
