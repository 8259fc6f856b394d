// Two processes of Glen on one database that are killed in turn, for benches of what must outlive that.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { freePort, startNode } from '../scripts/processes.mjs';

export const pause = (ms) =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

/** The outbox's own settings, which lateness is held beside. */
export function outboxSettings() {
  const source = readFileSync(join(root, 'apps/server/src/jobs/outbox.ts'), 'utf8');
  const read = (name) => Number(new RegExp(`${name} = (\\d+)`).exec(source)[1]);
  return { lease: read('LEASE_SECONDS'), tries: read('MOST_TRIES') };
}

/** Another process beside the demo's own, on some port. */
export async function secondProcess(demo, port) {
  const server = startNode(
    join(root, 'apps/server/dist/demo.js'),
    { ...demo.server, GLEN_PORT: String(port ?? (await freePort())) },
    'Glen is ready',
    { quiet: true },
  );
  await server.started;
  return server;
}

/** Kills each of both so many times, evenly over some seconds, and starts it again. Gives how often, and the second process that runs then. */
export async function killAgainAndAgain(demo, other, { seconds, times }) {
  const each = (seconds * 1000) / (times * 2);
  let last = other;
  for (let i = 0; i < times; i++) {
    const began = Date.now();
    await pause(each);
    await demo.restartServer('SIGKILL');
    await pause(Math.max(0, began + 2 * each - Date.now()));
    await last.stop('SIGKILL');
    last = await secondProcess(demo);
  }
  return { kills: times * 2, last };
}
