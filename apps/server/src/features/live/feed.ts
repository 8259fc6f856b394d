import type { LiveChange } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { changesAfter, lastChangeId } from './store.js';

type Watcher = (change: LiveChange, topic: string) => void;
type Listener = { topics: ReadonlySet<string>; tell: (change: LiveChange) => void };

/** How many ids back each look reaches: a transaction that took a lower id may commit after a higher one. */
const LOOK_BACK = 200;

/** Polls the table of changes while anybody listens, and hands each change to those it is for. */
export class LiveFeed {
  private readonly listeners = new Set<Listener>();
  private readonly watchers: Watcher[] = [];
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
    this.last = await lastChangeId(this.db);
    for (let id = Math.max(1, this.last - LOOK_BACK); id <= this.last; id++) this.seen.add(id);
    this.schedule();
  }

  listen(topics: ReadonlySet<string>, tell: (change: LiveChange) => void): () => void {
    const listener = { topics, tell };
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** How many hear of changes. */
  get listening(): number {
    return this.listeners.size;
  }

  /** Tells of every change, of this process and of others, whomever it is for. */
  watch(watcher: Watcher): void {
    this.watchers.push(watcher);
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
    const rows = await changesAfter(this.db, Math.max(0, this.last - LOOK_BACK));
    for (const row of rows) {
      if (this.seen.has(row.id)) continue;
      this.seen.add(row.id);
      this.last = Math.max(this.last, row.id);
      const change = { thing: row.thing, id: row.thing_id };
      for (const watcher of this.watchers) watcher(change, row.topic);
      for (const { topics, tell } of this.listeners) if (topics.has(row.topic)) tell(change);
    }
    if (this.seen.size > 4 * LOOK_BACK)
      this.seen = new Set([...this.seen].filter((id) => id > this.last - 2 * LOOK_BACK));
  }
}
