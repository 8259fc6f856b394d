import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { startMariadb, type Mariadb } from '../../../scripts/mariadb.mjs';
import { statement, surroundings } from '../../../scripts/processes.mjs';
import { freePort } from '../../../scripts/mariadb.mjs';
import { readConfig } from '../src/config.js';
import { startServer, type RunningServer } from '../src/start.js';
import { writeSchool } from '../src/features/school/store.js';
import { SCHOOL_NAME, calendar, schoolLocks, schoolRules } from '../../../demo/school.js';
import { until } from './support.js';

let dir: string;
let mariadb: Mariadb;
let running: RunningServer;
let url: string;

beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'glen-recover-'));
  mariadb = await startMariadb(dir);
  await statement(mariadb, 'CREATE DATABASE recover CHARACTER SET utf8mb4');
  const around = await surroundings({ mariadb, database: 'recover', port: await freePort() });
  url = around.publicUrl;
  running = await startServer(readConfig(around.server), { checkAnswers: true });
  await writeSchool(running.glen.db, {
    name: SCHOOL_NAME,
    calendar,
    region: null,
    rules: schoolRules,
    locked: schoolLocks,
  });
});
afterAll(async () => {
  await running.stop();
  await mariadb.stop();
  rmSync(dir, { recursive: true, force: true });
});

const me = async (): Promise<{ status: number; title?: string }> => {
  const response = await fetch(`${url}/api/me`);
  return { status: response.status, ...((await response.json()) as object) };
};

it('a database restarted under the server: said plainly meanwhile, and all is well after', async () => {
  expect((await me()).status).toBe(200);
  const { port } = mariadb;
  await mariadb.kill();
  expect(await me()).toMatchObject({
    status: 503,
    title: 'The database does not answer just now; try again in a moment.',
  });
  mariadb = await startMariadb(dir, { port });
  expect((await until(me, (answer) => answer.status === 200)).status).toBe(200);
});
