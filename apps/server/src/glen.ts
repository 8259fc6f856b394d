import type { Logger } from 'pino';
import type { Clock } from './clock.js';
import type { Config } from './config.js';
import type { Db } from './db/connect.js';
import type { LiveFeed } from './features/live/feed.js';
import type { CourseSite } from './outside/courseSite.js';
import type { VideoService } from './outside/videoService.js';

/** What every part of the server is given: nothing is found by looking around. */
export interface Glen {
  config: Config;
  db: Db;
  clock: Clock;
  log: Logger;
  video: VideoService;
  courseSite: CourseSite;
  feed: LiveFeed;
  /** Wakes the job runner of this process after something was put in the outbox. */
  nudge: () => void;
}
