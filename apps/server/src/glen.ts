import type { Logger } from 'pino';
import type { Clock } from './clock.js';
import type { Config } from './config.js';
import type { Db } from './db/connect.js';
import type { AuditEntry } from './features/audit/store.js';
import type { Announce } from './features/live/announcements.js';
import type { LinksAtDoors } from './features/door/links.js';
import type { LiveFeed } from './features/live/feed.js';
import type { Wish } from './jobs/job.js';
import type { CourseSite } from './outside/courseSite.js';
import type { Metrics } from './operating/metrics.js';
import type { Mail } from './outside/mail.js';
import type { ReturnAddresses } from './outside/returnAddresses.js';
import type { Tokens } from './tokens.js';
import type { SignOnProvider } from './outside/signOnProvider.js';
import type { VideoService } from './outside/videoService.js';

/**
 * What every part of the server is given: nothing is found by looking around. What it writes is part of the transaction
 * that runs, if one does.
 */
export interface Glen {
  config: Config;
  db: Db;
  /** School time and machine time; nothing else asks the time. */
  clock: Clock;
  /** Tokens as the database keeps them. */
  tokens: Tokens;
  log: Logger;
  /** Makes rooms and looks into them; where there is none, every room is an address that a host gives. */
  video: VideoService | null;
  /** Takes what is posted; where there is none, places are filled by hand. */
  courseSite: CourseSite | null;
  /** Takes letters; where there is none, nobody is written to. */
  mail: Mail | null;
  /** Addresses to which letters come back; none where Glen takes no mail in. */
  returns: ReturnAddresses | null;
  /** Where people sign on beside passwords, by name. */
  signOn: ReadonlyMap<string, SignOnProvider>;
  /** Figures of this process. */
  metrics: Metrics;
  feed: LiveFeed;
  /** Links as those who look at doors need them. */
  doors: LinksAtDoors;
  /** Keeps who did what to what, with the thing before and after. */
  audit: (entry: AuditEntry) => Promise<void>;
  /** Keeps what others can have happen as often as they like: once an hour, with how often. */
  auditCounted: (entry: Pick<AuditEntry, 'action' | 'subject'>) => Promise<void>;
  /** Says that a thing changed, to those who may know; parts that follow it hear of it in the same transaction. */
  announce: Announce;
  /** Puts what must happen outside in the outbox. */
  enqueue: (wish: Wish) => Promise<void>;
  /** Wakes the job runner of this process after something was put in the outbox. */
  nudge: () => void;
}
