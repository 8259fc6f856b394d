import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { build } from '../../../scripts/build.mjs';
import { startMariadb } from '../../../scripts/mariadb.mjs';

/** One throwaway MariaDB for all API tests; each file makes databases of its own in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await build();
  const dir = mkdtempSync(join(tmpdir(), 'glen-test-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  project.provide('mariadbPort', mariadb.port);
  return async () => {
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  };
}

declare module 'vitest' {
  interface ProvidedContext {
    mariadbPort: number;
  }
}
