import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';
import { insertChange } from './store.js';

/** Whom a change is for: everyone (the clock, the school's calendar), one person, one browser, those who listen under a signing-in that is over, a class period's teachers, or who watches a door. */
export type Topic =
  | 'clock'
  | `person:${number}`
  | `browser:${number}`
  | `session:${number}`
  | `class:${number}`
  | `door:${number}`;

export type Announce = (topic: Topic, change: LiveChange) => Promise<void>;

/** Does something that follows from a change, in the transaction that made it. */
export type Follower = (change: LiveChange, topic: string) => Promise<void> | void;

/** Notes that things changed, and tells the parts of this server that follow. */
export class Announcements {
  private readonly followers: Follower[] = [];

  constructor(
    private readonly db: Db,
    private readonly clock: Clock,
  ) {}

  /** From now on `follower` hears of every change. */
  follow(follower: Follower): void {
    this.followers.push(follower);
  }

  announce: Announce = async (topic, change) => {
    await insertChange(this.db, this.clock, topic, change);
    for (const follower of this.followers) await follower(change, topic);
  };
}
