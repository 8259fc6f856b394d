import type { Clock } from '../../clock.js';
import { toSql, type Db, type Tx } from '../../db/connect.js';

/** Keeps who did what to what, with the thing before and after, in the transaction that did it. */
export async function audit(
  db: Db,
  clock: Clock,
  entry: { by: number | null; action: string; subject: string; before?: unknown; after?: unknown },
  tx?: Tx,
): Promise<void> {
  const json = (value: unknown): string | null =>
    value === undefined ? null : JSON.stringify(value);
  await db.insert(
    'audit_log',
    {
      at: toSql(clock.machine()),
      person_id: entry.by,
      action: entry.action,
      subject: entry.subject,
      before_state: json(entry.before),
      after_state: json(entry.after),
    },
    tx,
  );
}
