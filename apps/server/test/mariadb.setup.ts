import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { DEMO_TIME } from './demoTime.js';
import { build } from '../../../scripts/build.mjs';
import { keptParts } from '../../../scripts/kept.mjs';
import { lastingPort, startMariadb, type Mariadb } from '../../../scripts/mariadb.mjs';
import { startDemo } from '../../../scripts/processes.mjs';

/** As many files as run at once (vitest.config.ts). */
const WORKERS = 2;
const FIRST_PORT = 24000;

/** A demo school that tests begin from, and the port of the addresses in it. */
export interface Template {
  name: string;
  port: number;
}

/** The school as it is just loaded, once for each worker: copied in a tenth of the time that loading it takes. */
async function makeTemplate(mariadb: Mariadb, worker: number): Promise<Template> {
  const template = { name: `template_${worker}`, port: await lastingPort(FIRST_PORT + worker) };
  const kept = keptParts();
  const demo = await startDemo({
    ...{ mariadb, kept },
    database: template.name,
    port: template.port,
    at: DEMO_TIME,
    fresh: true,
  });
  await demo.stop();
  await Promise.all([kept.server.end(), kept.standins.end()]);
  return template;
}

/** One throwaway MariaDB for all API tests; each file makes databases of its own in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await build();
  const dir = mkdtempSync(join(tmpdir(), 'glen-test-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  project.provide('mariadbPort', mariadb.port);
  const workers = Array.from({ length: WORKERS }, (_, worker) => worker);
  const templates = await Promise.all(workers.map((worker) => makeTemplate(mariadb, worker)));
  project.provide('templates', templates);
  return async () => {
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  };
}

declare module 'vitest' {
  interface ProvidedContext {
    mariadbPort: number;
    templates: Template[];
  }
}
