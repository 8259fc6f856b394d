import type { Action } from '@glen/core';
import type { Clock } from '../../clock.js';
import { toSql, type Db } from '../../db/connect.js';

/** Who (null: Glen itself) did what to what: `subject` is a kind and an id, such as `series:12`. */
export interface AuditEntry {
  by: number | null;
  action: Action;
  subject: string;
  before?: unknown;
  after?: unknown;
}

const json = (value: unknown): string | null =>
  value === undefined ? null : JSON.stringify(value);

/** Keeps it with the machine's time. */
export async function writeEntry(db: Db, clock: Clock, entry: AuditEntry): Promise<void> {
  await db.insert('audit_log', {
    at: toSql(clock.machine()),
    person_id: entry.by,
    action: entry.action,
    subject: entry.subject,
    before_state: json(entry.before),
    after_state: json(entry.after),
  });
}
