import type { Glen } from '../glen.js';

/** Looks after something again and again, from when it is started until it is stopped; never twice at once. What goes wrong is noted, and looked after the next time. */
export class Ticker {
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;
  private looking: Promise<void> | undefined;

  constructor(
    private readonly glen: Glen,
    private readonly everyMs: number,
    private readonly look: () => Promise<void>,
    /** Said where it could not: `rooms cannot be looked after now`. */
    private readonly complaint: string,
  ) {}

  start(): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => {
      this.looking = this.look()
        .catch((error: unknown) => this.glen.log.warn({ err: error }, this.complaint))
        .finally(() => this.start());
    }, this.everyMs);
    this.timer.unref();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    await this.looking;
  }
}
