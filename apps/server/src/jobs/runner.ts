import { ANSWERING, afterTry, mayAsk } from '@glen/core';
import type { Glen } from '../glen.js';
import { OutsideError } from '../outside/outsideError.js';
import { announcePlacement } from '../features/post/sync.js';
import type { Job, JobKind } from './job.js';
import { claim, finish, putBack } from './outbox.js';
import { perform } from './perform.js';

/**
 * Jobs that are done apart from others, so that a service that hangs holds up nothing but its own: to put somebody out
 * waits neither for the course site nor for rooms that are being closed. `workers`: how many at once.
 */
interface LaneOf {
  kinds: readonly JobKind[];
  workers: number;
}

const LANES: readonly LaneOf[] = [
  { kinds: ['put-out', 'mute'], workers: 2 },
  {
    kinds: ['end-room', 'set-role', 'room-rules', 'let-share', 'drop-recording', 'room-word'],
    workers: 2,
  },
  { kinds: ['placement', 'look'], workers: 3 },
  { kinds: ['post'], workers: 1 },
  { kinds: ['slots', 'poll', 'programme', 'appointments'], workers: 1 },
  { kinds: ['gather'], workers: 1 },
  { kinds: ['morning', 'week'], workers: 1 },
  { kinds: ['letter'], workers: 3 },
];

/** One lane's work, as long as its service answers. */
class Lane {
  private readonly working = new Set<Promise<void>>();
  private stopped = false;
  private breaker = ANSWERING;

  constructor(
    private readonly glen: Glen,
    private readonly of: LaneOf,
  ) {}

  /** Has what is due be done, as far as the service answers; where somebody waits for it, it is tried in any case. */
  look({ isAwaited }: { isAwaited: boolean }): void {
    const may = mayAsk(this.breaker, this.of.workers, this.glen.clock.machine());
    const wanted = isAwaited ? Math.max(1, may) : may;
    // Beside those that are at work: one that hangs holds up the others as little as other lanes.
    for (let at = this.working.size; at < wanted && !this.stopped; at++) {
      const work: Promise<void> = this.oneAfterAnother()
        .catch((error: unknown) =>
          this.glen.log.warn({ err: error }, 'the outbox cannot be read just now'),
        )
        .finally(() => this.working.delete(work));
      this.working.add(work);
    }
  }

  async stop(): Promise<void> {
    this.stopped = true;
    await Promise.all(this.working);
  }

  private async oneAfterAnother(): Promise<void> {
    const { db, clock } = this.glen;
    do {
      const job = await claim(db, clock, this.of.kinds);
      if (!job) return;
      await this.runOne(job);
    } while (!this.stopped && mayAsk(this.breaker, 1, clock.machine()) > 0);
  }

  private async runOne(job: Job): Promise<void> {
    const { db, clock, log } = this.glen;
    let isAway = false;
    try {
      await perform(this.glen, job);
      await finish(db, job);
    } catch (error) {
      const outside = error instanceof OutsideError;
      if (!outside) log.error({ err: error, job }, 'a job failed');
      isAway = outside && !error.permanent;
      await putBack(db, clock, job, {
        reason: outside ? error.message : 'Something went wrong on our side.',
        permanent: outside && error.permanent,
      });
    }
    this.breaker = afterTry(this.breaker, !isAway, clock.machine());
    if (job.kind === 'placement') await announcePlacement(this.glen, Number(job.subject));
    // What a post comes to is put in with it.
    if (job.kind === 'post') this.glen.nudge();
  }
}

/** Does what waits in the outbox. Any number of processes may run one each. */
export class JobRunner {
  private readonly lanes: Lane[];
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;

  constructor(
    glen: Glen,
    private readonly everyMs = 400,
  ) {
    this.lanes = LANES.map((of) => new Lane(glen, of));
  }

  /** From now on it looks by itself. */
  start(): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => {
      this.look({ isAwaited: false });
      this.start();
    }, this.everyMs);
    this.timer.unref();
  }

  /** Looks at once: something was just put in. */
  nudge(): void {
    this.look({ isAwaited: true });
  }

  private look(how: { isAwaited: boolean }): void {
    if (this.stopped) return;
    for (const lane of this.lanes) lane.look(how);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    await Promise.all(this.lanes.map((lane) => lane.stop()));
  }
}
