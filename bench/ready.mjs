import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { startMariadb } from '../scripts/processes.mjs';
import { median } from './numbers.mjs';

const MOST_SECONDS = 6;

/** Seconds until `./glen up` says that it is ready; it is stopped then. */
const secondsUp = (dir) =>
  new Promise((resolve, reject) => {
    const began = performance.now();
    const child = spawn(process.execPath, [join(root, 'scripts/glen.mjs'), 'up', '--data', dir], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let seconds;
    child.stdout.on('data', (data) => {
      if (!String(data).includes('Glen is ready at')) return;
      seconds = (performance.now() - began) / 1000;
      child.kill('SIGTERM');
    });
    child.once('exit', () =>
      seconds === undefined ? reject(new Error('./glen up did not get ready')) : resolve(seconds),
    );
  });

async function secondsOfMariadb(dir) {
  const began = performance.now();
  const mariadb = await startMariadb(dir);
  const seconds = (performance.now() - began) / 1000;
  await mariadb.stop();
  return seconds;
}

/** Seconds from a second `./glen up` to its ready line; beside it MariaDB's own start, of which it is made. */
export async function ready() {
  const dir = mkdtempSync(join(tmpdir(), 'glen-ready-'));
  try {
    // The first fills the database.
    await secondsUp(dir);
    const values = [];
    const references = [];
    for (let i = 0; i < 3; i++) {
      values.push(await secondsUp(dir));
      references.push(await secondsOfMariadb(dir));
    }
    const value = median(values);
    return {
      value,
      unit: 's',
      reference: median(references),
      target: `≤ ${MOST_SECONDS} s`,
      ok: value <= MOST_SECONDS,
    };
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}
