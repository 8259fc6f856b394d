import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.js';
import { Clock } from './clock.js';
import type { Config } from './config.js';
import { Db } from './db/connect.js';
import { migrate } from './db/migrate.js';
import { keepMissingWords } from './features/accounts/missingWords.js';
import { countEntry, writeEntry } from './features/audit/store.js';
import { Announcements } from './features/live/announcements.js';
import { LiveFeed } from './features/live/feed.js';
import { LinksAtDoors } from './features/door/links.js';
import { watchCovers } from './features/cover/watch.js';
import { endThings } from './features/afterLesson/things.js';
import { forgetArrivals } from './features/register/forget.js';
import { settling } from './features/register/settle.js';
import { weeks } from './features/register/weekWord.js';
import { RoomWatch } from './features/desk/roomWatch.js';
import { programmesFollow } from './features/evening/schedule.js';
import { appointmentsFollow } from './features/appointment/schedule.js';
import { slotsFollow } from './features/slot/schedule.js';
import { postsFollow } from './features/post/scheduleReconcile.js';
import type { Glen } from './glen.js';
import { takeReturns } from './takeReturns.js';
import { useSecret } from './db/useSecret.js';
import { endGuests } from './features/guest/ending.js';
import { Housekeeping } from './operating/housekeeping.js';
import { Metrics } from './operating/metrics.js';
import { Tokens } from './tokens.js';
import { enqueue } from './jobs/outbox.js';
import { JobRunner } from './jobs/runner.js';
import { httpCourseSite } from './outside/httpCourseSite.js';
import { datesFollow } from './features/mail/changedDates.js';
import { reminders } from './features/mail/remind.js';
import { ReturnAddresses } from './outside/returnAddresses.js';
import { mornings } from './features/myDay/morning.js';
import { smtpMail } from './outside/smtpMail.js';
import { httpVideoService } from './outside/httpVideoService.js';
import { openIdProviders } from './outside/openIdProvider.js';

/** Seconds after which a process notices that another has moved the demo's clock. */
const CLOCK_REFRESH_MS = 1000;

/** Everything that the server's parts are given, on a migrated database; nothing runs yet. */
async function assemble(config: Config): Promise<Glen> {
  const log = pino({ level: process.env.GLEN_LOG ?? 'warn' });
  const db = new Db(config.databaseUrl, config.poolSize);
  await migrate(db);
  await keepMissingWords(db);
  const tokens = new Tokens(config.secret);
  await useSecret(db, tokens, { anew: config.secretAnew });
  const clock = new Clock(db);
  await clock.refresh();
  const feed = new LiveFeed(db, (error) =>
    log.warn({ err: error }, 'changes cannot be read just now'),
  );
  const doors = new LinksAtDoors(db, clock);
  feed.watch(doors.forget);
  const announcements = new Announcements(db, clock);
  announcements.follow(doors.forget);
  const glen: Glen = {
    config,
    db,
    clock,
    tokens,
    log,
    metrics: new Metrics(),
    feed,
    doors,
    video: config.video && httpVideoService(config.video, clock),
    courseSite: config.courseSite && httpCourseSite(config.courseSite),
    mail: config.mail && smtpMail(config.mail),
    returns: config.mailIn && new ReturnAddresses(tokens, config.mailIn.domain),
    signOn: openIdProviders(config.signOn, config.publicUrl, clock),
    audit: (entry) => writeEntry(db, clock, entry),
    auditCounted: (entry) => countEntry(db, clock, entry),
    announce: announcements.announce,
    enqueue: (wish) => enqueue(db, clock, wish),
    nudge: () => {},
  };
  announcements.follow(postsFollow(glen));
  announcements.follow(datesFollow(glen));
  announcements.follow(slotsFollow(glen));
  announcements.follow(appointmentsFollow(glen));
  announcements.follow(programmesFollow(glen));
  return glen;
}

/**
 * How long a connection that asks nothing is kept. Longer than what asks over it
 * keeps it (common practice: proxies about a minute): whoever gives it up first
 * is never the one that a request is just on its way to.
 */
const IDLE_CONNECTION_MS = 75_000;

export interface RunningServer {
  glen: Glen;
  server: Server;
  port: number;
  stop: () => Promise<void>;
}

/** Starts answering on the configured port (0: any free one), doing jobs and telling changes. */
export async function startServer(
  config: Config,
  options: { webDir?: string; checkAnswers?: boolean } = {},
): Promise<RunningServer> {
  const glen = await assemble(config);
  const runner = new JobRunner(glen);
  // What the runner does is no part of the transaction in which it was woken.
  glen.nudge = () => glen.db.apart(() => runner.nudge());
  await glen.feed.start();
  runner.start();
  const covers = await watchCovers(glen);
  const watches = [
    new RoomWatch(glen),
    reminders(glen),
    mornings(glen),
    settling(glen),
    weeks(glen),
  ];
  for (const watch of watches) watch.start();
  const housekeeping = new Housekeeping(glen, {
    guests: endGuests,
    arrivals: forgetArrivals,
    after_lessons: endThings,
  });
  housekeeping.start();
  const refresh = setInterval(() => void glen.clock.refresh().catch(() => {}), CLOCK_REFRESH_MS);
  refresh.unref();
  const mailIn = takeReturns(glen);
  await mailIn?.start();
  const app = createApp(glen, options);
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(config.port, config.host, (error?: Error) =>
      error ? reject(error) : resolve(listening),
    );
  });
  server.keepAliveTimeout = IDLE_CONNECTION_MS;
  return {
    glen,
    server,
    port: (server.address() as AddressInfo).port,
    stop: async () => {
      clearInterval(refresh);
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      glen.feed.stop();
      await covers.stop();
      for (const watch of watches) await watch.stop();
      await housekeeping.stop();
      await runner.stop();
      await mailIn?.stop();
      glen.mail?.close();
      await glen.db.close();
    },
  };
}
