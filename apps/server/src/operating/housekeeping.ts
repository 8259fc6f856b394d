import type { Glen } from '../glen.js';
import { STEP, leftovers } from './leftoversStore.js';

const MINUTE_MS = 60_000;
/** Not as it starts, when there is other work. */
const FIRST_AFTER_MS = 2 * MINUTE_MS;
const EVERY_MS = 15 * MINUTE_MS;
/** Between two steps, so that those who work go first. */
const PAUSE_MS = 50;

const pause = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, PAUSE_MS);
  });

/** Takes away what is of no use any more, in small steps. Any number of processes may; one does it at a time. */
export class Housekeeping {
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;
  private tidying: Promise<void> | undefined;

  constructor(
    private readonly glen: Glen,
    /** What features tidy themselves: gives how many rows of a table were looked after. */
    private readonly more: Record<string, (glen: Glen) => Promise<number>> = {},
  ) {}

  start(afterMs = FIRST_AFTER_MS): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => {
      this.tidying = this.tidy()
        .catch((error: unknown) => this.glen.log.info({ err: error }, 'tidied later'))
        .finally(() => this.start(EVERY_MS));
    }, afterMs);
    this.timer.unref();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    await this.tidying;
  }

  /** Everything that is left over now. Throws where another process is at it. */
  async tidy(): Promise<void> {
    await this.glen.db.withLock('glen-tidying', () => this.takeAll(), { waitSeconds: 0 });
  }

  private async takeAll(): Promise<void> {
    const { db, clock, config, metrics } = this.glen;
    for (const { table, takeSome } of leftovers({ db, clock, auditDays: config.auditDays })) {
      let taken = STEP;
      while (taken >= STEP && !this.stopped) {
        taken = await takeSome();
        if (taken > 0) metrics.tookAway(table, taken);
        if (taken >= STEP) await pause();
      }
    }
    for (const [table, tidy] of Object.entries(this.more)) {
      const taken = this.stopped ? 0 : await tidy(this.glen);
      if (taken > 0) metrics.tookAway(table, taken);
    }
  }
}
