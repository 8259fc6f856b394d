import { utcOf } from '@glen/core';
import type { Db } from './db/connect.js';

/**
 * The two clocks; nothing else asks the time. School time is what sessions, doors and posts go by;
 * in the demo it stands off from machine time by an offset kept in the database, shared by all processes.
 * Machine time is for leases, sessions, tickets and signatures.
 */
export class Clock {
  private offset = 0;
  /** Counts settings, so that a slow reading never undoes one. */
  private settings = 0;

  constructor(
    private readonly db: Db,
    private readonly machineSeconds: () => number = () => Math.floor(Date.now() / 1000),
  ) {}

  get offsetSeconds(): number {
    return this.offset;
  }

  /** Machine time as an instant. */
  machine(plusSeconds = 0): string {
    return utcOf(this.machineSeconds() + plusSeconds);
  }

  /** School time as an instant. */
  school(plusSeconds = 0): string {
    return utcOf(this.machineSeconds() + this.offset + plusSeconds);
  }

  /** Reads the offset anew: at start, and whenever another process has moved it. */
  async refresh(): Promise<void> {
    const before = this.settings;
    const row = await this.db.models.SchoolClock.findByPk(1);
    if (before === this.settings) this.offset = row?.offset_seconds ?? 0;
  }

  async setOffset(seconds: number): Promise<void> {
    this.settings += 1;
    await this.db.models.SchoolClock.upsert({ id: 1, offset_seconds: seconds });
    this.settings += 1;
    this.offset = seconds;
  }
}
