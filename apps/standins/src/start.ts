import type { ErrorRequestHandler, Express } from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { courseSiteApp } from './courseSite/app.js';
import { Board, COURSE_SITE_TABLES } from './courseSite/store.js';
import { Store } from './db.js';
import { mailApp } from './mail/app.js';
import { WayBack, type Elsewhere } from './mail/back.js';
import { mailServer } from './mail/server.js';
import { MAIL_TABLES, Mailboxes } from './mail/store.js';
import { problem } from './problem.js';
import { signOnApp } from './signOn/app.js';
import { Directory, SIGN_ON_TABLES } from './signOn/directory.js';
import type { ProviderName } from './signOn/people.js';
import { videoApp } from './video/app.js';
import { Notices } from './video/notices.js';
import { Presence } from './video/presence.js';
import { RECORDING_TABLES, Recordings } from './video/recordings.js';
import { Rooms, VIDEO_TABLES } from './video/store.js';

interface StandinConfig {
  databaseUrl: string;
  host: string;
  videoPort: number;
  courseSitePort: number;
  /** Of the mail service, and of the page of its mailboxes. */
  mail: { host: string; smtpPort: number; pagePort: number; elsewhere: Elsewhere };
  videoSecret: string;
  /** What callers of the video service dial. */
  videoPhone: string;
  courseSiteToken: string;
  /** The folder of style sheets and scripts. */
  publicDir: string;
  /** The script by which pages try cameras and microphones. */
  devices: string;
  /** Where arrivals and leavings are told. */
  webhook: string;
  /** The zone in which the course site shows times. */
  zone: string;
  /** The providers of accounts, each on an address of its own: cookies know no ports. */
  signOn: SignOnConfig[];
}

interface SignOnConfig {
  provider: ProviderName;
  host: string;
  port: number;
  secret: string;
  /** Where Glen is, which alone may ask. */
  glen: string;
}

/** What fails is told and said; nobody waits any more for what fails as the outside world is stopped. */
const tellFailure: ErrorRequestHandler = (error, req, res, _next) => {
  if (req.socket.destroyed) return;
  console.error(error);
  // Half an answer is none: whoever hears a stream comes again.
  if (res.headersSent) return void res.destroy();
  problem(res, 500, 'The outside world has a fault of its own');
};

/** Longer than those who ask keep one: a request never meets a connection that is just given up. */
const IDLE_CONNECTION_MS = 75_000;

const listen = (app: Express, port: number, host: string): Promise<Server> =>
  new Promise((resolve, reject) => {
    app.use(tellFailure);
    const server = app.listen(port, host, (error?: Error) =>
      error ? reject(error) : resolve(server),
    );
    server.keepAliveTimeout = IDLE_CONNECTION_MS;
  });

/** A provider of accounts, answering. */
async function startSignOn(
  store: Store,
  { provider, host, port, secret, glen }: SignOnConfig,
  { publicDir, delay }: { publicDir: string; delay: (ms: number) => Promise<void> },
): Promise<Server> {
  const directory = new Directory(store, provider);
  await directory.fill();
  const app = signOnApp(directory, {
    issuer: `http://${host}:${port}`,
    client: { id: 'glen', secret, glen, path: `/sign-on/${provider}` },
    publicDir,
    delay,
  });
  return listen(app, port, host);
}

/** The mail service and the page of its mailboxes, answering. */
async function startMail(
  store: Store,
  { mail: { host, smtpPort, pagePort, elsewhere }, publicDir }: StandinConfig,
): Promise<{ stop: () => Promise<void> }> {
  const boxes = new Mailboxes(store);
  const back = new WayBack(boxes, elsewhere);
  const smtp = mailServer(boxes, back);
  await new Promise<void>((resolve, reject) => {
    smtp.once('error', reject);
    smtp.listen(smtpPort, host, resolve);
  });
  // Whoever breaks off in mid-letter is no fault of the service.
  smtp.removeAllListeners('error').on('error', () => {});
  const pages = await listen(mailApp(boxes, { publicDir, back }), pagePort, host);
  return {
    stop: async () => {
      pages.closeAllConnections();
      pages.close();
      await new Promise<void>((resolve) => smtp.close(resolve));
    },
  };
}

const delay = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

/** Stops a server, whoever still listens to it. */
const shut = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.closeAllConnections();
    server.close(() => resolve());
  });

/** Starts the outside world in small. */
export async function startStandins(
  config: StandinConfig,
): Promise<{ videoPort: number; courseSitePort: number; stop: () => Promise<void> }> {
  const store = new Store(config.databaseUrl);
  await store.define([
    ...COURSE_SITE_TABLES,
    ...VIDEO_TABLES,
    ...RECORDING_TABLES,
    ...SIGN_ON_TABLES,
    ...MAIL_TABLES,
  ]);
  const rooms = new Rooms(store);
  const notices = new Notices(rooms, config.webhook, config.videoSecret);
  const recordings = new Recordings(store, rooms, notices);
  const presence = new Presence(rooms, notices, recordings);
  await presence.reset();
  const servers = await Promise.all([
    listen(
      videoApp(rooms, presence, {
        secret: config.videoSecret,
        phone: config.videoPhone,
        publicDir: config.publicDir,
        devices: config.devices,
        notices,
        recordings,
      }),
      config.videoPort,
      config.host,
    ),
    listen(
      courseSiteApp(new Board(store), {
        token: config.courseSiteToken,
        publicDir: config.publicDir,
        zone: config.zone,
        delay,
      }),
      config.courseSitePort,
      config.host,
    ),
    ...config.signOn.map((signOn) =>
      startSignOn(store, signOn, { publicDir: config.publicDir, delay }),
    ),
  ]);
  const smtp = await startMail(store, config);
  notices.start();
  const [videoPort, courseSitePort] = servers.map(
    (server) => (server.address() as AddressInfo).port,
  ) as [number, number];
  return {
    videoPort,
    courseSitePort,
    stop: async () => {
      notices.stop();
      await smtp.stop();
      await Promise.all(servers.map(shut));
      await store.close();
    },
  };
}
