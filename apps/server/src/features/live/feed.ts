import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import { toSql, type Db, type Tx } from '../../db/connect.js';
import { wakePostsOf } from '../post/wake.js';

/** Whom a change is for: everyone (the clock, the school's calendar), one person, one browser, a class period's teachers, or who watches a door. */
export type Topic =
  'clock' | `person:${number}` | `browser:${number}` | `class:${number}` | `door:${number}`;

/** Notes that a thing changed, within the transaction that changes it. Where it is a class period, its posts follow. */
export async function announce(
  db: Db,
  clock: Clock,
  topic: Topic,
  change: LiveChange,
  tx?: Tx,
): Promise<void> {
  await db.insert(
    'changes',
    { topic, thing: change.thing, thing_id: change.id, at: toSql(clock.machine()) },
    tx,
  );
  if (change.thing === 'class' && tx) await wakePostsOf(db, clock, change.id, tx);
}

interface ChangeRow {
  id: number;
  topic: string;
  thing: LiveChange['thing'];
  thing_id: number;
}
type Listener = { topics: ReadonlySet<string>; tell: (change: LiveChange) => void };

/** How many ids back each look reaches: a transaction that took a lower id may commit after a higher one. */
const LOOK_BACK = 200;

/** Polls the table of changes while anybody listens, and hands each change to those it is for. */
export class LiveFeed {
  private readonly listeners = new Set<Listener>();
  private seen = new Set<number>();
  private last = 0;
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;

  constructor(
    private readonly db: Db,
    private readonly onError: (error: unknown) => void,
    private readonly everyMs = 150,
  ) {}

  async start(): Promise<void> {
    const row = await this.db.one<{ last: number | null }>('SELECT MAX(id) AS last FROM changes');
    this.last = row?.last ?? 0;
    for (let id = Math.max(1, this.last - LOOK_BACK); id <= this.last; id++) this.seen.add(id);
    this.schedule();
  }

  listen(topics: ReadonlySet<string>, tell: (change: LiveChange) => void): () => void {
    const listener = { topics, tell };
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  private schedule(): void {
    if (this.stopped) return;
    this.timer = setTimeout(
      () =>
        void this.look()
          .catch(this.onError)
          .finally(() => this.schedule()),
      this.everyMs,
    );
    this.timer.unref();
  }

  private async look(): Promise<void> {
    const rows = await this.db.rows<ChangeRow>(
      'SELECT id, topic, thing, thing_id FROM changes WHERE id > :from ORDER BY id LIMIT 5000',
      { from: Math.max(0, this.last - LOOK_BACK) },
    );
    for (const row of rows) {
      if (this.seen.has(row.id)) continue;
      this.seen.add(row.id);
      this.last = Math.max(this.last, row.id);
      for (const { topics, tell } of this.listeners)
        if (topics.has(row.topic)) tell({ thing: row.thing, id: row.thing_id });
    }
    if (this.seen.size > 4 * LOOK_BACK)
      this.seen = new Set([...this.seen].filter((id) => id > this.last - 2 * LOOK_BACK));
  }
}
