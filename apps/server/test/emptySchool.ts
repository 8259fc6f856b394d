import { randomUUID } from 'node:crypto';
import { inject } from 'vitest';
import { yearCalendar, type SchoolCalendar } from '@glen/core';
import type { Sent } from '@glen/contract';
import { freePort } from '../../../scripts/mariadb.mjs';
import { statement } from '../../../scripts/processes.mjs';
import { readConfig, type Config } from '../src/config.js';
import { offerMovingIn } from '../src/features/moveIn/service.js';
import { startServer, type RunningServer } from '../src/start.js';
import { Browser } from './support.js';

/** What the tests' own installations keep their tokens with. */
export const SECRET = 'a secret that only tests keep it with';

export interface EmptyGlen {
  url: string;
  running: RunningServer;
  browser: () => Browser;
  /** A fresh one-time address for moving in, as a start tells it. */
  offer: () => Promise<string>;
  /** Another process on the same database. */
  another: (more?: Partial<Config>) => Promise<RunningServer>;
  stop: () => Promise<void>;
}

/** A server on a database that nothing is in, with no service outside: as it is on an empty machine. */
export async function startEmpty(
  more: NodeJS.ProcessEnv = {},
  { webDir }: { webDir?: string } = {},
): Promise<EmptyGlen> {
  const port = inject('mariadbPort');
  const database = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  await statement({ port }, `CREATE DATABASE ${database} CHARACTER SET utf8mb4`);
  const ownPort = await freePort();
  const url = `http://127.0.0.1:${ownPort}`;
  const config = readConfig({
    GLEN_DATABASE_URL: `mariadb://root@127.0.0.1:${port}/${database}`,
    GLEN_PUBLIC_URL: url,
    GLEN_SECRET: SECRET,
    GLEN_PORT: String(ownPort),
    GLEN_UNDO_SECONDS: '0',
    ...more,
  });
  const running = await startServer(config, {
    checkAnswers: true,
    ...(webDir === undefined ? {} : { webDir }),
  });
  return {
    url,
    running,
    browser: () => new Browser(url),
    offer: async () => (await offerMovingIn(running.glen))!.slice(`${url}/move-in/`.length),
    another: (differs = {}) => startServer({ ...config, port: 0, ...differs }),
    stop: async () => {
      await running.stop();
      await statement({ port }, `DROP DATABASE ${database}`);
    },
  };
}

export const someCalendar = (): SchoolCalendar =>
  yearCalendar({
    zone: 'America/Halifax',
    terms: [{ name: 'Autumn', first: '2026-09-08', last: '2026-12-18' }],
    holidays: [],
    periods: [],
    cycle: [],
  });

/** All that moving in comes to, for a school of one teacher. */
export const moving = (more: Partial<Sent<'finishMoveIn'>> = {}): Sent<'finishMoveIn'> => ({
  school: {
    name: 'Harbour Street Evening School',
    region: 'CA-NS',
    dateOrder: 'dmy',
    hours: '24',
    help: 'The desk at Harbour Street',
    alone: true,
  },
  calendar: someCalendar() as Sent<'finishMoveIn'>['calendar'],
  you: { name: 'Ines Okoro', email: 'Ines@Harbour.example', password: 'paper and thread' },
  ...more,
});

/** A Glen whose first account is signed in. */
export async function moveIn(glen: EmptyGlen): Promise<Browser> {
  const browser = glen.browser();
  await browser.post(`/api/move-in/${await glen.offer()}/finish`, moving());
  return browser;
}
