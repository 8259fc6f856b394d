import type { Role } from '@glen/core';
import type { Glen } from '../glen.js';
import { OutsideError } from '../outside/outsideError.js';
import { reconcilePost } from '../features/post/reconcilePost.js';
import { lookByItself, syncPlacement, announcePlacement } from '../features/post/sync.js';
import { type Job } from './job.js';
import { claim, finish, putBack } from './outbox.js';

async function perform(glen: Glen, job: Job): Promise<void> {
  switch (job.kind) {
    case 'placement':
      return syncPlacement(glen, Number(job.subject));
    case 'post':
      return reconcilePost(glen, Number(job.subject));
    case 'look':
      return lookByItself(glen, Number(job.subject));
    // A room of a service that is set up no more is nobody's to end.
    case 'end-room':
      return glen.video?.endRoom(job.subject);
    case 'put-out':
      return glen.video?.putOut(
        String(job.payload.room),
        Number(job.payload.visitor),
        job.payload.why === 'left' ? 'left' : 'put-out',
      );
    case 'set-role':
      return glen.video?.setRole(
        String(job.payload.room),
        Number(job.payload.visitor),
        job.payload.role as Role,
      );
  }
}

/** Does what waits in the outbox. Any number of processes may run one each. */
export class JobRunner {
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;
  private running: Promise<void> | undefined;
  private again = false;

  constructor(
    private readonly glen: Glen,
    private readonly everyMs = 400,
  ) {}

  start(): void {
    this.schedule();
  }

  /** Looks at once: something was just put in. */
  nudge(): void {
    if (this.stopped) return;
    if (this.running) this.again = true;
    else void this.drain();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    await this.running;
  }

  private schedule(): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => {
      void this.drain().finally(() => this.schedule());
    }, this.everyMs);
    this.timer.unref();
  }

  private drain(): Promise<void> {
    this.running ??= this.work()
      .catch((error) => this.glen.log.warn({ err: error }, 'the outbox cannot be read just now'))
      .finally(() => {
        this.running = undefined;
        if (this.again) {
          this.again = false;
          this.nudge();
        }
      });
    return this.running;
  }

  private async work(): Promise<void> {
    const lane = async (): Promise<void> => {
      for (
        let job = await claim(this.glen.db, this.glen.clock);
        job && !this.stopped;
        job = await claim(this.glen.db, this.glen.clock)
      )
        await this.runOne(job);
    };
    await Promise.all([lane(), lane(), lane()]);
  }

  private async runOne(job: Job): Promise<void> {
    const { db, clock, log } = this.glen;
    try {
      await perform(this.glen, job);
      await finish(db, job);
    } catch (error) {
      const outside = error instanceof OutsideError;
      if (!outside) log.error({ err: error, job }, 'a job failed');
      await putBack(db, clock, job, {
        reason: outside ? error.message : 'Something went wrong on our side.',
        permanent: outside && error.permanent,
      });
    }
    if (job.kind === 'placement') await announcePlacement(this.glen, Number(job.subject));
  }
}
