import { Op } from 'sequelize';
import { withoutCodes, type Action } from '@glen/core';
import { helperNow } from '../../http/helping.js';
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

/** Keeps it with the machine's time and the school's; entry codes are told of, never told. */
export async function writeEntry(db: Db, clock: Clock, entry: AuditEntry): Promise<void> {
  const { before, after } = withoutCodes(entry.before, entry.after);
  await db.models.AuditEntry.create({
    at: clock.machine(),
    school_at: clock.school(),
    person_id: entry.by,
    helper_id: helperNow(),
    action: entry.action,
    subject: entry.subject,
    before_state: told(before),
    after_state: told(after),
  });
}

/** Minutes in which the same is one entry, with how often it was. */
const COUNTED_MINUTES = 60;

/** Keeps what others can have happen as often as they like: one entry an hour, and how often. */
export async function countEntry(
  db: Db,
  clock: Clock,
  { action, subject }: Pick<AuditEntry, 'action' | 'subject'>,
): Promise<void> {
  const since = clock.machine(-COUNTED_MINUTES * 60);
  await db.transaction(async () => {
    const known = await db.models.AuditEntry.findOne({
      where: { action, subject, at: { [Op.gt]: since } },
      order: [['id', 'DESC']],
      lock: true,
    });
    const times = Number((known?.after_state as { times?: number } | null)?.times ?? 0) + 1;
    if (known) await known.update({ after_state: told({ times }) });
    else await writeEntry(db, clock, { by: null, action, subject, after: { times } });
  });
}
