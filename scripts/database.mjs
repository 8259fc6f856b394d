// ./glen db migrate and ./glen db status: the shape of a school's database, without starting Glen.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { withOwnDatabase } from './backup.mjs';
import { root } from './build.mjs';

const run = (verb, url) =>
  spawnSync(process.execPath, [join(root, 'apps/server/dist/database.js'), verb], {
    stdio: 'inherit',
    env: { ...process.env, GLEN_DATABASE_URL: url },
  }).status ?? 1;

/** Of the database that the environment names, or of the one in a folder; gives the exit code. */
export function database(verb, dir) {
  const named = process.env.GLEN_DATABASE_URL;
  return named ? run(verb, named) : withOwnDatabase(dir, (url) => run(verb, url.href));
}
